import { expect, test } from './test'
import { makeJob, saved, sheet, visit } from './screen'

test('a colour, a scheme and the dark form reach all three sheets, each one step to undo, and the template’s own come back', async ({
  page,
}) => {
  await visit(page, `/jobs/${await makeJob({ name: 'Branded' })}/brand`)
  const surface = (name: 'desktop' | 'tablet' | 'phone'): Promise<string> =>
    sheet(page, name)
      .locator('body')
      .evaluate((e) => getComputedStyle(e).backgroundColor)
  const button = (name: 'desktop' | 'tablet' | 'phone'): Promise<string> =>
    sheet(page, name)
      .getByRole('link', { name: 'See what repairs cost' })
      .evaluate((e) => getComputedStyle(e).backgroundColor)
  await expect(sheet(page, 'desktop').locator('h1')).toBeVisible()
  const own = await surface('desktop')
  await page.getByRole('textbox', { name: 'Brand colour' }).fill('rebeccapurple')
  for (const name of ['desktop', 'tablet', 'phone'] as const) await expect.poll(() => button(name)).toBe('rgb(102, 51, 153)')
  await page.getByRole('radio', { name: 'White and black' }).check()
  for (const name of ['desktop', 'tablet', 'phone'] as const) await expect.poll(() => surface(name)).toBe('rgb(255, 255, 255)')
  await page.getByRole('combobox', { name: 'Light or dark' }).selectOption('dark')
  await expect.poll(async () => Number(/\d+/.exec(await surface('phone'))?.[0])).toBeLessThan(60)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect.poll(() => surface('tablet')).toBe('rgb(255, 255, 255)')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect.poll(() => surface('tablet')).toBe(own)
  await expect.poll(() => button('desktop')).toBe('rgb(102, 51, 153)')
  await page.getByRole('button', { name: 'Back to Tallow’s own colours' }).click()
  await expect.poll(() => button('desktop')).not.toBe('rgb(102, 51, 153)')
  await expect(page.getByRole('textbox', { name: 'Brand colour' })).toHaveValue('')
  await saved(page)
})

test('the table says the contrast of every role on every tone, and where the client’s colour stands as it is', async ({ page }) => {
  await visit(page, `/jobs/${await makeJob({ name: 'Figures', colour: '#ffff00' })}/brand`)
  const table = page.getByRole('table', { name: /Contrast on each tone/ })
  await expect(table.getByRole('cell')).toHaveCount(65)
  await expect(table.getByRole('button', { name: /fails/ })).toHaveCount(0)
  await expect(table).toContainText(/Moved to be read: .*link on paper −\d\d/)
  const link = table.getByRole('row', { name: /^link/ })
  await expect(link.getByRole('cell').first()).not.toContainText('●') // Pure yellow cannot be read on paper.
  await expect(link.getByRole('cell').nth(3)).toContainText('●') // On ink it can.
  for (const cell of await table
    .getByRole('row', { name: /^(text|muted text|heading|link|mark|button text) / })
    .getByRole('cell')
    .allTextContents())
    expect(Number.parseFloat(cell)).toBeGreaterThanOrEqual(4.5)
  await page.getByRole('combobox', { name: 'Page' }).selectOption('contact')
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('Ring, write or ring the bell')
})

test('one key shows the pages as others see them, and leads back to full colour', async ({ page }) => {
  await visit(page, `/jobs/${await makeJob({ name: 'Seen' })}/brand`)
  await expect(sheet(page, 'desktop').locator('h1')).toBeVisible()
  const seen = page.getByRole('combobox', { name: 'Vision' })
  const shown = page.getByRole('region', { name: 'The page' })
  for (const way of ['protan', 'deutan', 'tritan', 'mono']) {
    await page.keyboard.press('Alt+v')
    await expect(seen).toHaveValue(way)
    await expect(shown).toHaveCSS('filter', /#vision/)
  }
  await page.keyboard.press('Alt+v')
  await expect(seen).toHaveValue('full')
  await expect(shown).toHaveCSS('filter', 'none')
})
