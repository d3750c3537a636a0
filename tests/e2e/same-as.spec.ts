import { expect, test, type Locator, type Page } from './test'
import { cell, leftovers, makeJob, openContent, saved, sheet, tab } from './screen'

const sameAs = (page: Page, name: string): Locator => page.getByRole('button', { name: `${name}, the same as` })
const list = (page: Page): Locator =>
  page
    .getByRole('group')
    .filter({ hasText: /^Items/ })
    .first()

/** Writes five prices, and lets the services on Home be the same list. */
async function follow(page: Page): Promise<void> {
  await openContent(page, await makeJob({ name: 'Same' }))
  await tab(page, 'Services').click()
  for (const [i, name] of ['Resoling', 'Heels', 'Stitching', 'Zips', 'Polishing'].entries())
    await cell(page, `Prices: ${i + 1} title`).fill(name)
  await tab(page, 'Home').click()
  await sameAs(page, 'Services: Items').click()
  await page.getByPlaceholder('The list that it is the same as').fill('prices serv')
  await page.getByRole('option', { name: /^Prices, 9 entries/ }).click()
}

test('a list shown on two pages is one: changed once, in both; the designer says how many show, and parts them', async ({ page }) => {
  await follow(page)
  const desktop = sheet(page, 'desktop')
  await expect(desktop.getByText('Polishing')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Same as Prices, Services' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Services, changes this page and, in part, 1 other' })).toBeVisible()
  await list(page).getByLabel('shows').selectOption('the first 3')
  await expect(desktop.getByText('Zips')).toHaveCount(0)
  // What is typed on the sheet of one page is written where it is kept.
  await desktop.getByText('Heels').click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type('Heel blocks')
  await expect(sheet(page, 'phone').getByText('Heel blocks')).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'Same as Prices, Services' }).click()
  await expect(tab(page, 'Services')).toHaveAttribute('aria-current', 'page')
  await expect(cell(page, 'Prices: 2 title')).toHaveValue('Heel blocks')
  await expect(page.getByText('Shown on Home (3 of 9) too')).toBeVisible()
  await page.reload()
  await tab(page, 'Home').click()
  await list(page).getByRole('button', { name: 'Unlink' }).click()
  await expect(cell(page, 'Services: 3 title')).toHaveValue('Stitching')
  await cell(page, 'Services: 1 title').fill('Only here')
  await tab(page, 'Services').click()
  await expect(cell(page, 'Prices: 1 title')).toHaveValue('Resoling')
})

test('a place says what another says; its own words are kept and come back', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'One voice' }))
  await cell(page, 'Hero: Heading').fill('Shoes mended while you wait')
  await tab(page, 'About').click()
  await cell(page, 'Action: Heading').fill('Ours before')
  await sameAs(page, 'Action: Heading').click()
  await page.getByPlaceholder('The place that it is the same as').fill('while you')
  const before = await leftovers(page)
  await page.keyboard.press('Enter')
  await expect(sheet(page, 'phone').getByRole('heading', { name: 'Shoes mended while you wait' })).toBeVisible()
  expect(await leftovers(page)).toBe(before)
  await expect(page.locator('[data-row]:focus')).toContainText('Same as Hero: heading, Home')
  await tab(page, 'Home').click()
  await expect(page.getByText('Shown on About too, and changed there with it')).toBeVisible()
  await cell(page, 'Hero: Heading').fill('Mended by five')
  await tab(page, 'About').click()
  await expect(cell(page, 'Action: Heading')).toHaveValue('Mended by five')
  await page.getByRole('button', { name: 'Restore own' }).click()
  await expect(cell(page, 'Action: Heading')).toHaveValue('Ours before')
  await page.getByRole('banner').getByRole('button', { name: /^Undo/ }).click()
  await expect(cell(page, 'Action: Heading')).toHaveValue('Mended by five')
  await saved(page)
})
