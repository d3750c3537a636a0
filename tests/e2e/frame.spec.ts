import { expect, test } from './test'
import { axeFaults } from './axe'
import { cell, makeJob, openContent, saved, sheet, tab, visit } from './screen'

test('the name in the bar leads to other jobs, to all of them, and to a new one', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Switch From Me' }))
  await page.getByRole('button', { name: 'Switch From Me: switch to another job' }).click()
  await expect(page.getByRole('menuitem', { name: 'New job' })).toBeVisible()
  await page.getByRole('menuitem', { name: 'Tolliver & Wren' }).click()
  await expect(page.getByRole('button', { name: 'Tolliver & Wren: switch to another job' })).toBeVisible()
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('It stopped. That is where we start.')
})

test('what was done in one job is not offered to be undone in another', async ({ page }) => {
  await visit(page, `/jobs/${await makeJob({ name: 'Done Here' })}/pages`)
  const row = page.getByRole('row', { name: 'Prices', exact: true })
  await row.click()
  await row.press('Delete')
  // In the bar, and on the notice.
  const undo = page.getByRole('button', { name: 'Undo' })
  await expect(undo).toHaveCount(2)
  await openContent(page, await makeJob({ name: 'Not Done Here' }))
  await expect(undo).toHaveCount(1)
})

test('one key says what the screen is for, its words with an example, and its keys; undo brings into sight what it changed', async ({
  page,
}) => {
  await openContent(page, await makeJob({ name: 'In Sight' }))
  const anchor = page.getByRole('button', { name: 'Help' })
  await anchor.focus()
  await page.keyboard.press('?')
  const help = page.getByRole('dialog', { name: 'Content' })
  await expect(help).toContainText('For example: At Saltmarsh Physiotherapy F8 goes from one leftover to the next')
  await expect(help).toContainText('leftover: A place that still shows the template’s content.')
  await expect(help.getByRole('heading').filter({ hasText: /^(Content|Pages),/ })).toHaveText([/^Content/, /^Content/, /^Pages/])
  expect(await axeFaults(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(anchor).toBeFocused()
  // On a sheet too, but where somebody types there.
  const heading = sheet(page, 'desktop').locator('h1')
  await heading.click()
  await page.keyboard.press('Control+End')
  await page.keyboard.press('?')
  await expect(heading).toContainText('mending?')
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await expect(help).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(heading).not.toContainText('?')
  await tab(page, 'Contact').click()
  await cell(page, 'Contact: Note').fill('We read mail at noon.')
  await tab(page, 'Home').click()
  await expect(sheet(page, 'desktop').locator('h1')).toContainText('A chair worth sitting in')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(tab(page, 'Contact')).toHaveAttribute('aria-current', 'page')
  await expect(page.locator('[data-row="contact.contact note"]')).toBeInViewport()
})

test('a name of 120 characters breaks no sheet, and the list of jobs keeps its shape', async ({ page }) => {
  const name =
    'The Extraordinarily Long-Established Company of Restorers, Gilders, Upholsterers & Cabinet-Makers of Greater Aldermere Ltd'.slice(
      0,
      120,
    )
  await openContent(page, await makeJob({ name }))
  for (const width of ['desktop', 'tablet', 'phone'] as const) {
    await expect(sheet(page, width).getByRole('banner')).toContainText('Extraordinarily')
    expect(
      await sheet(page, width)
        .locator('html')
        .evaluate((e) => e.scrollWidth - e.clientWidth),
      width,
    ).toBeLessThanOrEqual(0)
  }
  await visit(page, '/')
  expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0)
})

test('what must stay in sight of a picture is moved with the arrow keys', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Focus Point' }))
  await page.locator('[data-row="home.story picture"]').getByRole('button', { name: 'Keep' }).click()
  const point = page.getByRole('button', { name: /^Story: Picture: point to keep in sight/ })
  const picture = sheet(page, 'desktop').locator('.story-letter img')
  const before = await picture.getAttribute('src')
  await point.focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft')
  await expect(point).toHaveAccessibleName(/at 42 % across/)
  await expect.poll(() => picture.getAttribute('src')).not.toBe(before)
  await saved(page)
})
