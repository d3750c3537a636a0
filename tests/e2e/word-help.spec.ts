import { expect, test, type Locator, type Page } from './test'
import { axeFaults } from './axe'
import { cell, makeJob, openContent, saved, sheet } from './screen'

const help = (page: Page, place: string): Locator => page.getByRole('button', { name: `Other words for ${place}`, exact: true })
const panel = (page: Page): Locator => page.getByRole('dialog', { name: /^Other words for/ })
const row = (page: Page, place: string): Locator => page.getByRole('group').filter({ has: cell(page, place) })

test('a first text comes from the trade’s phrases, and is a draft until it is confirmed', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Tarn Chairs', facts: { trade: 'upholstery' } }))
  await help(page, 'Hero: Heading').click()
  const first = panel(page).getByRole('listitem').filter({ hasText: 'A first text' })
  const words = (await first.getByRole('paragraph').textContent()) ?? ''
  expect(words.length).toBeGreaterThan(4)
  expect(await axeFaults(page)).toEqual([])
  await first.getByRole('button', { name: /^Take it/ }).click()
  await expect(panel(page)).toBeHidden()
  await expect(help(page, 'Hero: Heading')).toBeFocused()
  await expect(cell(page, 'Hero: Heading')).toHaveValue(words)
  await expect(sheet(page, 'phone').locator('h1')).toHaveText(words)
  await expect(row(page, 'Hero: Heading')).toContainText('draft')
  await row(page, 'Hero: Heading').getByRole('button', { name: 'Confirm' }).click()
  await expect(row(page, 'Hero: Heading')).toContainText('client’s')
})

test('words are said shorter and plainer, word by word to see; bold ones are left as they are', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Plain' }))
  await cell(page, 'Services: 1 text').fill('We utilise really old tools. If it breaks, we mend it.')
  await help(page, 'Services: 1 text').click()
  await expect(panel(page)).toContainText(/easy to read/)
  await expect(panel(page)).toContainText('11 words, 2 sentences')
  const plainer = panel(page).getByRole('listitem').filter({ hasText: 'Plainer' })
  await expect(plainer.getByRole('deletion')).toHaveText('utilise')
  await expect(plainer.getByRole('insertion')).toHaveText('use')
  await plainer.getByRole('button').click()
  await expect(cell(page, 'Services: 1 text')).toHaveText('We use really old tools. If it breaks, we mend it.')
  await help(page, 'Services: 1 text').click()
  await panel(page).getByRole('listitem').filter({ hasText: 'Shorter' }).first().getByRole('button').click()
  await expect(cell(page, 'Services: 1 text')).toHaveText('We use old tools. If it breaks, we mend it.')
  await cell(page, 'Services: Intro').click()
  await page.keyboard.press('ControlOrMeta+b')
  await page.keyboard.type('Bold words')
  await help(page, 'Services: Intro').click()
  await expect(panel(page)).toContainText('left as they are')
  await page.keyboard.press('Escape')
  await help(page, 'Hero: Heading').click()
  await expect(panel(page).getByRole('status')).toContainText('Give the client’s trade')
  await saved(page)
})
