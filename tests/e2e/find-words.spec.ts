import { expect, test } from './test'
import { cell, makeJob, openContent, saved, sheet, tab } from './screen'

test('words are found over the whole site, each in its sentence; one is left out, the others are replaced in one gesture', async ({
  page,
}) => {
  await openContent(page, await makeJob({ name: 'Found', facts: { tagline: 'Chairs by the mill' } }))
  await cell(page, 'Hero: Heading').fill('The old mill')
  await cell(page, 'Hero: Lead').fill('Past the Mill, by the mill race.')
  await tab(page, 'Services').click()
  await cell(page, 'Title: Heading').fill('What the mill mends')
  await page.keyboard.press('ControlOrMeta+h')
  const panel = page.getByRole('region', { name: 'Find and replace' })
  await expect(panel.getByLabel('Find', { exact: true })).toBeFocused()
  await page.keyboard.type('mill')
  await expect(panel.getByRole('status')).toHaveText('5 times on 3 pages')
  await panel.getByLabel('Capitals count').check()
  await expect(panel.getByRole('status')).toHaveText('4 times on 3 pages')
  const rows = panel.getByRole('listitem')
  await expect(rows.nth(1)).toContainText('Past the Mill, by the mill race.')
  await panel.getByLabel('Replace with').fill('yard')
  await rows.nth(1).getByRole('checkbox').uncheck()
  await expect(rows.nth(0)).toContainText('The old millyard')
  await rows.nth(2).getByRole('button').click()
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('What the mill mends')
  await panel.getByRole('button', { name: 'Replace 3 times' }).click()
  await expect(page.getByText('Replaced 3 times, on 3 pages.')).toBeVisible()
  await expect(panel.getByRole('status')).toHaveText('1 time on 1 page')
  await expect(sheet(page, 'phone').locator('h1')).toHaveText('What the yard mends')
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(sheet(page, 'phone').locator('h1')).toHaveText('What the mill mends')
  await expect(panel.getByRole('status')).toHaveText('4 times on 3 pages')
  await panel.getByLabel('Find', { exact: true }).press('Escape')
  await expect(panel).toBeHidden()
  // The place in hand is what undo changed.
  await expect(page.locator('[data-ledger] :focus')).toHaveRole('textbox')
  await saved(page)
})

test('what is found nowhere is said, and nothing can be replaced', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Nowhere' }))
  await page.keyboard.press('ControlOrMeta+h')
  const panel = page.getByRole('region', { name: 'Find and replace' })
  await expect(panel.getByRole('status')).toHaveText('In words, alternative texts, page texts, facts and labels')
  await page.keyboard.type('(.*) \\ [no expression')
  await expect(panel.getByRole('status')).toHaveText('Found nowhere in the client’s words')
  await expect(panel.getByRole('button', { name: 'Replace' })).toBeDisabled()
})
