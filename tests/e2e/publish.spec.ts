import { readFileSync } from 'node:fs'
import { expect, test, type Page } from './test'
import { strFromU8, unzipSync } from 'fflate'
import jsQR from 'jsqr'
import sharp from 'sharp'
import { APP, cell, makeJob, openContent, openPublish, saved, siteUrl, takeAddress } from './screen'
import { askApp } from '../door'

/** What another reader finds in a picture of a code. */
async function readCode(file: string): Promise<string | null> {
  const { data, info } = await sharp(file, { density: 300 }).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data ?? null
}

const FIGURES = ['new', 'changed', 'removed'] as const
async function figures(page: Page): Promise<Record<string, number>> {
  const pairs = await Promise.all(
    FIGURES.map(
      async (word) =>
        [
          word,
          Number(
            await page
              .locator('dl div')
              .filter({ has: page.getByText(word, { exact: true }) })
              .locator('dd')
              .textContent(),
          ),
        ] as const,
    ),
  )
  return Object.fromEntries(pairs)
}

test('from a job to a live address, changed, published again, and the first release put back', async ({ page, context }) => {
  const job = await makeJob({ name: 'Quayside Bakery', facts: { trade: 'Bakery', phone: '01632 960333' }, colour: '#204060' })
  await openPublish(page, job)
  await expect(page.getByText('Choose an address, check what will change')).toBeVisible()
  await takeAddress(page, 'quayside-bakery')
  const publish = page.getByRole('button', { name: /^Publish with \d+ leftovers$/ })
  await expect(publish).toBeEnabled()
  const first = await figures(page)
  expect(first.new).toBeGreaterThan(20)
  expect(first).toMatchObject({ changed: 0, removed: 0 })
  const note = page.getByRole('textbox', { name: 'Note' })
  await note.fill('As the client asked for it')
  await publish.click()
  await expect(page.getByText(/Live\. \d+ files sent/)).toBeVisible()
  await expect(page.getByText(/✓ Visitors get all \d+ files as they were sent/)).toBeVisible()
  const url = siteUrl('quayside-bakery')
  // What was noted belongs to that release; the next one begins without.
  await expect(note).toHaveValue('')
  const released = page.getByRole('complementary', { name: 'Releases' }).getByRole('listitem')
  await expect(released).toContainText(/, by .+As the client asked for it/)
  const taking = page.waitForEvent('download')
  await released.getByRole('link', { name: 'Download the files of release 1, as a zip' }).click()
  const taken = await taking
  expect(taken.suggestedFilename()).toBe('quayside-bakery-1.zip')
  const { 'index.html': home, ...others } = unzipSync(new Uint8Array(readFileSync(await taken.path())))
  expect(strFromU8(home!)).toContain('Quayside Bakery')
  expect(Object.keys(others)).toHaveLength(first.new! - 1)
  await expect(page.getByRole('main').getByRole('link', { name: url, exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Copy the live address of this site' }).click()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(url)
  await page.getByRole('button', { name: 'Share the live address: code and words' }).click()
  const share = page.getByRole('dialog', { name: 'Share the live address' })
  await expect(share.getByRole('img', { name: `QR code of ${url}` })).toBeVisible()
  for (const type of ['SVG', 'PNG']) {
    const saving = page.waitForEvent('download')
    await share.getByRole('button', { name: type }).click()
    const file = await saving
    expect(file.suggestedFilename()).toBe(`quayside-bakery-localhost.${type.toLowerCase()}`)
    expect(await readCode(await file.path())).toBe(url)
  }
  await share.getByRole('button', { name: 'Copy the words with the address' }).click()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(`Quayside Bakery\n${url}`)
  await page.keyboard.press('Escape')

  const visitor = await context.newPage()
  await visitor.goto(url)
  await expect(visitor.getByRole('banner')).toContainText('Quayside Bakery')
  await expect(visitor).toHaveTitle(/Quayside Bakery/)

  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Bread from four in the morning')
  await saved(page)
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Publish' }).click()
  await expect.poll(() => figures(page).catch(() => null)).toEqual({ new: 0, changed: 1, removed: 0 })
  await expect(page.getByRole('list', { name: 'Changed files' })).toContainText('index.html')
  await page.getByRole('button', { name: /^Publish with/ }).click()
  await expect(page.getByText(/Live\. 1 file sent/)).toBeVisible()
  await visitor.reload()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('Bread from four in the morning')

  await page.getByRole('button', { name: 'Make release 1 live…' }).click()
  await page.getByRole('button', { name: 'Make No. 1 live' }).click()
  await expect(page.getByText('The earlier release is live again.')).toBeVisible()
  await visitor.reload()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('A chair worth sitting in is worth mending')
  await expect(page.getByRole('complementary').getByRole('listitem').filter({ hasText: 'No. 1' })).toContainText('live')
})

test('a name is judged while it is typed, and others are offered', async ({ page }) => {
  const job = await makeJob({ name: 'Tolliver Again', facts: { address: { street: '', locality: 'Eastmere', postcode: '', country: '' } } })
  await openPublish(page, job)
  const field = page.getByLabel('Address on the web host')
  const answer = page.getByRole('form', { name: 'Address' }).getByRole('status')
  await field.fill('tolliver-and-wren')
  await expect(answer).toContainText('is taken by another site')
  await page.getByRole('button', { name: 'tolliver-and-wren-eastmere' }).click()
  await expect(answer).toContainText('Free.')
  for (const [typed, said] of [
    ['admin', 'kept by the web host'],
    ['two words', 'letters, digits and hyphens only'],
    ['-edge', 'neither begins nor ends with a hyphen'],
    ['a'.repeat(64), '63 characters'],
    ['a.b', 'letters, digits and hyphens only'],
    ['tol1iver-and-wren', 'could be mistaken for “tolliver-and-wren”, which is another site’s'],
    ['ѕaltmarsh', 'letters of several scripts'],
    ['', 'Choose a name'],
  ] as const) {
    await field.fill(typed)
    await expect(answer).toContainText(said)
    await expect(page.getByRole('button', { name: 'Use this address' })).toBeDisabled()
  }
  await field.fill('bäckerei-süd')
  // WHATWG URL, “host parsing”, by Node
  await expect(answer).toContainText(new URL('http://bäckerei-süd.localhost').host.split('.')[0] ?? '')
})

test('a site at an address in another script is served under its ASCII name', async ({ page }) => {
  const job = await makeJob({ name: 'Süd' })
  const response = await askApp(`${APP}/api/jobs/${job}/address`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'süd-laden' }),
  })
  const { label } = (await response.json()) as { label: string }
  expect(label).toBe(new URL('http://süd-laden.localhost').host.split('.')[0])
  await page.goto(siteUrl(label))
  await expect(page.getByText('There is no site at this address yet.')).toBeVisible()
})

test('a site moves to another address, and visitors of the old one are sent on', async ({ page, context }) => {
  const job = await makeJob({ name: 'Mover' })
  await openPublish(page, job)
  await takeAddress(page, 'mover-first')
  const publish = page.getByRole('button', { name: /^Publish with/ })
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/^✓ Live\./)).toBeVisible()
  await page.getByLabel('Address on the web host').fill('mover-second')
  await expect(page.getByText('Visitors of the old address will be sent on to it.')).toBeVisible()
  await page.getByRole('button', { name: 'Move to this address' }).click()
  await expect(page.getByText('This is the job’s address.')).toBeVisible()
  await expect.poll(() => figures(page).catch(() => ({ new: 0 }))).toMatchObject({ changed: 0, removed: 0, new: expect.any(Number) })
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByRole('main').getByRole('link', { name: siteUrl('mover-second'), exact: true })).toBeVisible()
  const visitor = await context.newPage()
  await visitor.goto(`${siteUrl('mover-first')}/about/`)
  await expect(visitor).toHaveURL(`${siteUrl('mover-second')}/about/`)
  await expect(visitor.locator('link[rel="canonical"]')).toHaveAttribute('href', `${siteUrl('mover-second')}/about/`)
})

test('what will change is told anew where somebody else publishes: in a tab in which nobody did anything', async ({ page, context }) => {
  const job = await makeJob({ name: 'Two Publishers' })
  await openPublish(page, job)
  await takeAddress(page, 'two-publishers')
  const other = await context.newPage()
  await openPublish(other, job)
  const publish = (of: Page) => of.getByRole('button', { name: /^Publish with/ })
  await expect(publish(other)).toBeEnabled()
  await expect(publish(page)).toBeEnabled()
  await publish(page).click()
  await expect(page.getByText(/Live\. \d+ files sent/)).toBeVisible()
  await expect(other.getByText('There is nothing to publish.')).toBeVisible()
  await expect(other.getByRole('banner').getByRole('link', { name: /two-publishers/ })).toBeVisible()
})

test('host down, then host full: each says so, visitors keep the old site, and it can be tried again', async ({ page, ownRig: rig }) => {
  const job = await makeJob({ name: 'Steady' }, rig.app)
  await openPublish(page, job, rig.app)
  await takeAddress(page, 'steady')
  const publish = page.getByRole('button', { name: /^Publish with/ })
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/Live\. \d+ files sent/)).toBeVisible()

  await openContent(page, job, rig.app)
  await cell(page, 'Hero: Heading').fill('A later heading')
  await saved(page)
  await rig.stopHost()
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Publish' }).click()
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/The web host does not answer.*visitors see what they saw before/)).toBeVisible()

  await rig.startHost(1000)
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByRole('alert').filter({ hasText: '✕' })).toContainText('The web host has no room left')
  await expect(page.getByText(/no room left.*visitors see what they saw before/)).toBeVisible()
  const visitor = await page.context().newPage()
  await visitor.goto(rig.siteUrl('steady'))
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('A chair worth sitting in is worth mending')

  await rig.stopHost()
  await rig.startHost()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/Live\. 1 file sent/)).toBeVisible()
  await visitor.reload()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('A later heading')
})
