import { expect, test, type Locator, type Page } from '@playwright/test'
import { APP, cell, makeJob, openContent, saved, sheet, tab } from './screen'
import { axeFaults as findings } from './axe'

test.describe.configure({ mode: 'parallel' })

const panel = (page: Page): Locator => page.getByRole('complementary', { name: /^As it was/ })
const look = (page: Page, words: string): Locator =>
  page.getByRole('row', { name: words }).getByRole('button', { name: /^Look at the site/ })

async function openHistory(page: Page, job: string): Promise<void> {
  await saved(page)
  await page.goto(`${APP}/jobs/${job}/history`)
  await expect(page.getByRole('heading', { name: 'What was done' })).toBeVisible()
}

test('each gesture is told in words; the site is looked at as it was, and brought back place by place, page by page and whole', async ({
  page,
}) => {
  const job = await makeJob({ name: 'Back' })
  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('First words')
  await cell(page, 'Services: Heading').fill('First services')
  await tab(page, 'About').click()
  await cell(page, 'Title: Heading').fill('First about')
  await saved(page)
  await cell(page, 'Title: Heading').blur()
  await tab(page, 'Home').click()
  await cell(page, 'Hero: Heading').fill('Second words')
  await cell(page, 'Services: Heading').fill('Second services')
  await openHistory(page, job)
  await expect(page.getByRole('row', { name: 'wrote Heading of hero on Home Second words' })).toBeVisible()
  await look(page, 'wrote Heading of title on About First about').click()
  await expect(panel(page).getByRole('heading', { name: /^As it was/ })).toBeFocused()
  const shown = panel(page).frameLocator('iframe')
  await expect(shown.getByRole('heading', { level: 1 })).toHaveText('First words')
  await expect(panel(page).getByRole('status')).toHaveText('2 places say something else now.')
  expect(await findings(page)).toEqual([])
  await panel(page).getByRole('button', { name: 'Bring back Heading of services on Home' }).click()
  await expect(panel(page).getByRole('status')).toHaveText('1 place says something else now.')
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(panel(page).getByRole('status')).toHaveText('2 places say something else now.')
  await panel(page).getByLabel('Page', { exact: true }).selectOption('About')
  await expect(shown.getByRole('heading', { level: 1 })).toHaveText('First about')
  await expect(panel(page).getByRole('button', { name: 'Bring About back' })).toBeDisabled()
  await panel(page).getByLabel('Page', { exact: true }).selectOption('Home')
  await panel(page).getByRole('button', { name: 'Bring Home back' }).click()
  await expect(panel(page).getByRole('status')).toHaveText('The site is just so now.')
  await saved(page)
  await openContent(page, job)
  await expect(sheet(page, 'phone').locator('h1')).toHaveText('First words')
  await expect(cell(page, 'Services: Heading')).toHaveValue('First services')
  // One step to take back.
  await page.getByRole('banner').getByRole('button', { name: /^Undo/ }).click()
  await expect(cell(page, 'Services: Heading')).toHaveValue('Second services')
  await expect(sheet(page, 'phone').locator('h1')).toHaveText('Second words')
})

test('a point is named, found again by its name, and the whole site is brought back to it', async ({ page }) => {
  const job = await makeJob({ name: 'Points' })
  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Agreed words')
  await openHistory(page, job)
  await look(page, 'Agreed words').click()
  await panel(page).getByLabel('Name of this point').fill('Agreed with the client')
  await panel(page).getByRole('button', { name: 'Name it' }).click()
  const points = page.getByRole('list', { name: 'Named points' })
  await expect(points.getByRole('button', { name: 'Agreed with the client' })).toBeVisible()
  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Thought better of')
  await cell(page, 'Hero: Heading').blur()
  await openHistory(page, job)
  await points.getByRole('button', { name: 'Agreed with the client' }).click()
  await panel(page).getByRole('button', { name: 'Bring the whole site back' }).click()
  await expect(panel(page).getByRole('status')).toHaveText('The site is just so now.')
  await panel(page).getByRole('button', { name: 'No name' }).click()
  await expect(points).toBeHidden()
  await page.keyboard.press('Escape')
  await expect(panel(page)).toBeHidden()
  await openContent(page, job)
  await expect(cell(page, 'Hero: Heading')).toHaveValue('Agreed words')
})
