import { expect, test } from './test'
import { APP, cell, makeJob, openContent, saved, sheet, visit } from './screen'
import { askApp } from '../door'

test('the list shows each client with trade, thumbnail, leftovers, address and last release', async ({ page }) => {
  await visit(page, '/')
  const finished = page.getByRole('row', { name: /Tolliver & Wren/ })
  await expect(finished).toContainText('Clock and watch repair')
  await expect(finished).toContainText('none left')
  await expect(finished).toContainText('tolliver-and-wren.localhost')
  await expect(finished).toContainText('No. 2')
  await expect(page.getByRole('row', { name: /Ferncombe Nursery/ })).toContainText('not live yet')
  // A thumbnail is drawn when it comes near.
  await finished.scrollIntoViewIfNeeded()
  const thumbnail = page.frameLocator('iframe[title="Home page of Tolliver & Wren"]')
  await expect(thumbnail.locator('h1')).toHaveText('It stopped. That is where we start.')
})

test('a new job is one key, and a name alone makes it', async ({ page }) => {
  await visit(page, '/')
  await expect(async () => {
    await page.keyboard.press('n')
    await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible({ timeout: 1000 })
  }).toPass()
  await page.getByLabel('Client’s name').pressSequentially('Marlow Frames')
  const home = page.frameLocator('iframe[title^="Home page, desktop"]')
  await expect(home.getByRole('banner')).toContainText('Marlow Frames')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page).toHaveURL(/\/jobs\/[\w-]+\/template/)
  await expect(page.getByRole('banner').first()).toContainText('Marlow Frames')
})

test('the home page beside the brief follows phone, email, address and colour while they are typed', async ({ page }) => {
  await visit(page, '/new')
  const home = page.frameLocator('iframe[title^="Home page, phone"]')
  await page.getByLabel('Client’s name').fill('Ota & Sons')
  await page.getByLabel('Telephone').pressSequentially('01632 960111')
  await expect(home.getByRole('banner')).toContainText('01632 960111')
  await page.getByLabel('Email').fill('desk@ota.example')
  await expect(home.getByRole('contentinfo')).toContainText('desk@ota.example')
  await page.getByLabel('Town').fill('Penbrook')
  await expect(home.getByRole('contentinfo')).toContainText('Penbrook')
  const button = home.getByRole('link', { name: 'See what repairs cost' })
  const before = await button.evaluate((e) => getComputedStyle(e).backgroundColor)
  await page.getByRole('textbox', { name: 'Brand colour' }).fill('rebeccapurple')
  await expect.poll(() => button.evaluate((e) => getComputedStyle(e).backgroundColor)).toBe('rgb(102, 51, 153)')
  expect(before).not.toBe('rgb(102, 51, 153)')
})

test('what cannot be kept is said beside its field, and nothing typed is lost', async ({ page }) => {
  await visit(page, '/new')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page.getByText('A job needs the client’s name')).toBeVisible()
  const long = 'Very Long Name '.repeat(34).slice(0, 500)
  await page.getByLabel('Client’s name').fill(long)
  await expect(page.getByText(/characters long; up to 120 fit/)).toBeVisible()
  await expect(page.getByLabel('Client’s name')).toHaveValue(long)
  await page.getByLabel('Client’s name').fill('Short & Co')
  await expect(page.getByText(/characters long/)).toBeHidden()
  await page.getByLabel('Email').fill('nobody')
  await page.getByRole('textbox', { name: 'Brand colour' }).fill('mauvish')
  await page.getByLabel('Telephone').focus()
  await expect(page.getByText('“nobody” is not an email address.')).toBeVisible()
  await expect(page.getByText('“mauvish” is not a colour.')).toBeVisible()
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page).toHaveURL(/\/new$/)
  await expect(page.getByLabel('Client’s name')).toHaveValue('Short & Co')
})

test('the brief can be reopened, and hours typed as people write them reach the page', async ({ page }) => {
  await visit(page, '/')
  await page.getByRole('link', { name: 'Ferncombe Nursery' }).click()
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Brief/ }).click()
  await page.getByText('Opening hours', { exact: true }).click()
  await page.getByLabel('Tue').fill('9-5:30')
  await page.getByLabel('Wed').fill('9:00–12:30, 14–18')
  const home = page.frameLocator('iframe[title^="Home page, desktop"]')
  await expect(home.getByRole('row', { name: /Tue/ })).toContainText('9:00 – 17:30')
  await expect(home.getByRole('row', { name: /Wed/ })).toContainText('9:00 – 12:30, 14:00 – 18:00')
  await page.getByLabel('Thu').fill('noonish')
  await expect(page.getByText('“noonish” is not a pair of times.')).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'Leave hours for later' }).click()
  await expect(home.getByRole('row', { name: /Wed – Fri/ })).toContainText('10:00 – 17:00')
})

test('an address that leads to no job says so', async ({ page }) => {
  await visit(page, '/jobs/nothing-here/content')
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
  await expect(cell(page, 'Hero: Heading')).toHaveCount(0)
})

/** A word that only this run of a test knows, so that it can be run again beside itself. */
const ownWord = (): string => Array.from({ length: 6 }, () => String.fromCharCode(97 + Math.floor(Math.random() * 26))).join('')

test('jobs are found by any word and sorted by a column, and a reload shows the same', async ({ page }) => {
  const tag = ownWord()
  const [abel, zinnia] = [`Abel ${tag}`, `Zinnia ${tag}`]
  for (const name of [zinnia, abel]) await makeJob({ name, facts: { trade: 'Blind maker' } })
  await visit(page, '/')
  await page.keyboard.press('/')
  await page.getByRole('searchbox', { name: /Find a job/ }).fill(`blind ${tag}`)
  const names = page.getByRole('rowheader').getByRole('link')
  await expect(names).toHaveText([abel, zinnia])
  await expect(page.getByRole('columnheader', { name: 'Worked on' })).toHaveAttribute('aria-sort', 'descending')
  await page.getByRole('button', { name: 'Client' }).click()
  await page.getByRole('button', { name: 'Client' }).click()
  await expect(names).toHaveText([zinnia, abel])
  await expect(page.getByRole('columnheader', { name: 'Client' })).toHaveAttribute('aria-sort', 'descending')
  await page.reload()
  await expect(names).toHaveText([zinnia, abel])
  await page.getByRole('searchbox', { name: /Find a job/ }).fill(`zinnia nursery ${tag}`)
  await expect(page.getByText(`No job here matches “zinnia nursery ${tag}”.`)).toBeVisible()
})

test('a job goes to the bin and comes back, by keys alone, and the focus is never lost', async ({ page }) => {
  const tag = ownWord()
  const [binned, kept] = [`Binned ${tag}`, `Kept ${tag}`]
  for (const name of [binned, kept]) await makeJob({ name })
  await visit(page, `/?find=${tag}&sort=client`)
  const more = page.getByRole('button', { name: `More for ${binned}` })
  await more.focus()
  await page.keyboard.press('Enter')
  await page.getByRole('menuitem', { name: 'Move to the bin' }).press('Enter')
  await expect(page.getByRole('link', { name: kept })).toBeFocused()
  await expect(page.getByRole('link', { name: binned })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(page.getByRole('link', { name: binned })).toBeFocused()

  await more.click()
  await page.getByRole('menuitem', { name: 'Move to the bin' }).click()
  await page.getByRole('radio', { name: /^Bin/ }).click()
  const row = page.getByRole('row', { name: new RegExp(binned) })
  await expect(row).toContainText('30 days left')
  await row.getByRole('button', { name: `Restore ${binned}` }).click()
  await expect(page.getByText('No job here matches')).toBeVisible()
  await page.getByRole('radio', { name: /^At work/ }).click()
  await expect(page.getByRole('link', { name: binned })).toBeVisible()
})

test('a job in the bin says so where it is opened; a tab that was open goes on, and nothing typed is lost', async ({ page, context }) => {
  const name = `Elsewhere ${ownWord()}`
  const job = await makeJob({ name })
  await openContent(page, job)
  const list = await context.newPage()
  await list.goto(`${APP}/?find=${encodeURIComponent(name)}`)
  await list.getByRole('button', { name: `More for ${name}` }).click()
  await list.getByRole('menuitem', { name: 'Move to the bin' }).click()
  await expect(list.getByText('No job here matches')).toBeVisible()
  await cell(page, 'Hero: Heading').fill('Typed while in the bin')
  await saved(page)
  await list.goto(`${APP}/jobs/${job}/content`)
  await expect(list.getByRole('heading', { name: `${name} is in the bin` })).toBeVisible()
  await list.getByRole('button', { name: 'Restore', exact: true }).click()
  await expect(sheet(list, 'desktop').getByRole('heading', { level: 1 })).toHaveText('Typed while in the bin')
})

test('whoever comes back to the list by the browser’s own button finds it as it is now', async ({ page }) => {
  const name = `Back ${ownWord()}`
  const job = await makeJob({ name })
  await visit(page, `/?find=${encodeURIComponent(name)}`)
  await page.getByRole('link', { name }).click()
  await expect(cell(page, 'Hero: Heading')).toBeVisible()
  await askApp(`${APP}/api/jobs/${job}/status`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ shelf: 'archive' }),
  })
  await page.goBack()
  await expect(page.getByText(`No job here matches “${name}”.`)).toBeVisible()
  await page.getByRole('button', { name: 'Archive: 1 job' }).click()
  await expect(page.getByRole('link', { name })).toBeVisible()
})

test('a copy is a job of its own, an archived one is laid by, and one is deleted for good only when that was meant', async ({ page }) => {
  const name = `Carts ${ownWord()}`
  await makeJob({ name })
  await visit(page, `/?find=${encodeURIComponent(name)}`)
  await page.getByRole('button', { name: `More for ${name}` }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  const copy = page.getByRole('row', { name: /copied/ })
  await expect(copy).toBeVisible()
  await expect(copy.getByRole('link', { name })).toBeFocused()
  await copy.getByRole('button', { name: `More for ${name}` }).click()
  await page.getByRole('menuitem', { name: 'Archive' }).click()
  await expect(copy).toBeHidden()
  await page.getByRole('radio', { name: /^Archive/ }).click()
  await copy.getByRole('button', { name: `More for ${name}` }).click()
  await page.getByRole('menuitem', { name: 'Move to the bin' }).click()
  await page.getByRole('radio', { name: /^Bin/ }).click()
  const sure = page.getByRole('alertdialog', { name: `Delete ${name} for good?` })
  const more = copy.getByRole('button', { name: `More for ${name}` })
  const forGood = async (): Promise<void> => {
    await more.click()
    await page.getByRole('menuitem', { name: /Delete for good/ }).click()
    await expect(sure.getByRole('button', { name: 'Cancel' })).toBeFocused()
  }
  for (const key of ['Enter', 'Escape']) {
    await forGood()
    await page.keyboard.press(key)
    await expect(sure).toBeHidden()
    await expect(more).toBeFocused()
  }
  await forGood()
  await sure.getByRole('button', { name: 'Delete for good' }).click()
  await expect(copy).toBeHidden()
  await page.reload()
  await expect(copy).toBeHidden()
  await page.getByRole('radio', { name: /^At work/ }).click()
  await expect(page.getByRole('link', { name })).toBeVisible()
})
