import { expect, test, type Page } from './test'
import { axeFaults } from './axe'
import { askHost, cell, makeJob, openContent, openPublish, saved, siteUrl, tab, takeAddress, unfold } from './screen'

async function publish(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: /^Publish with \d+ leftovers$/ })
  await expect(button).toBeEnabled()
  await button.click()
  await expect(page.getByText(/✓ Live\./)).toBeVisible()
}

test('two states are set against each other in words and boxes; a site is scheduled, taken off, and put back', async ({ page }) => {
  const job = await makeJob({ name: 'Released Twice' })
  await openPublish(page, job)
  await takeAddress(page, 'released-twice')
  await publish(page)
  const stage = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Publish/ })
  await expect(stage).toHaveText('Publish')

  // What visitors do not see yet is counted wherever the work is.
  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Put right while you wait')
  await saved(page)
  await expect(stage).toContainText('1 page is not as visitors see it')
  await openPublish(page, job)
  await publish(page)
  await expect(stage).toHaveText('Publish')
  await unfold(page, 'Size of each release')
  await expect(page.getByRole('img', { name: /^Size from No\. 1, .+, to No\. 2, / })).toBeVisible()

  await page.getByRole('link', { name: 'Compare release 1 with another state' }).click()
  await expect(page.getByRole('heading', { name: 'What differs' })).toBeFocused()
  await expect(page.getByText(/^1 of \d+ pages differs\.$/)).toBeVisible()
  const words = page.getByRole('listitem').filter({ hasText: 'Hero: Heading' })
  await expect(words.locator('ins').last()).toContainText('wait')
  await expect(words.locator('del').first()).toBeVisible()
  for (const side of ['from', 'to']) {
    const frame = page.frameLocator(`iframe[title$=", ${side}"]`)
    await expect(frame.locator('[data-boxed]')).toHaveCount(1)
    await expect(frame.locator('[data-boxed] h1')).toBeVisible()
  }
  expect(await axeFaults(page)).toEqual([])
  await page.getByRole('combobox', { name: 'From' }).selectOption({ label: await optionOf(page, 'No. 2') })
  await expect(page.getByText('Both versions show the same pages.')).toBeVisible()
  await page.getByRole('link', { name: 'Back to Publish' }).click()

  const later = page.getByRole('button', { name: 'Schedule…' })
  await expect(later).toBeEnabled()
  await later.click()
  const at = page.getByLabel('Goes live at')
  await at.fill('2020-01-01T09:00')
  await page.getByRole('button', { name: 'Schedule', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'still to come' })).toBeVisible()
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10)
  await at.fill(`${tomorrow}T09:00`)
  await page.getByRole('button', { name: 'Schedule', exact: true }).click()
  const scheduled = page.getByRole('list', { name: 'Scheduled' })
  await expect(scheduled).toContainText('09:00')
  await page.getByRole('button', { name: /^Cancel what goes live on / }).click()
  await expect(scheduled).toHaveCount(0)

  await page.getByRole('button', { name: 'Take offline…' }).click()
  await page.getByRole('button', { name: 'Take offline', exact: true }).click()
  await expect(page.getByText('✓ The site is offline.')).toBeVisible()
  await expect(page.getByRole('complementary', { name: 'Releases' }).getByRole('listitem').first()).toContainText('Taken offline')
  expect((await askHost(siteUrl('released-twice'), '/')).status).toBe(404)
  await page.getByRole('button', { name: 'Make release 1 live…' }).click()
  await page.getByRole('button', { name: 'Make No. 1 live' }).click()
  await expect(page.getByText('✓ The earlier release is live again.')).toBeVisible()
  expect((await askHost(siteUrl('released-twice'), '/')).status).toBe(200)
})

test('a page goes out alone, while the rest waits; the release says so', async ({ page }) => {
  const job = await makeJob({ name: 'One Alone' })
  await openPublish(page, job)
  await takeAddress(page, 'one-alone')
  await publish(page)
  const out = page.getByRole('combobox', { name: 'Publish' })
  await expect(out).toHaveCount(0)

  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Not for anybody yet')
  await tab(page, 'About').click()
  await cell(page, 'Title: Heading').fill('Ready to be seen')
  await saved(page)
  await openPublish(page, job)
  await out.selectOption({ label: 'only “About”' })
  await expect(page.getByText('Its own words, pictures and sections go out.')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Changed files' })).toHaveText(/about\/index\.html/)
  await expect(page.getByRole('list', { name: 'Changed files' }).getByRole('listitem')).toHaveCount(1)
  expect(await axeFaults(page)).toEqual([])
  await publish(page)
  const site = siteUrl('one-alone')
  expect((await askHost(site, '/about/')).text).toContain('Ready to be seen')
  expect((await askHost(site, '/')).text).not.toContain('Not for anybody yet')
  await expect(page.getByRole('complementary', { name: 'Releases' }).getByRole('listitem').first()).toContainText('“About” alone')
  // Only the home page is left, and it is all that has changed.
  await expect(out).toHaveCount(0)
  await publish(page)
  expect((await askHost(site, '/')).text).toContain('Not for anybody yet')
})

test('pages that visitors saw are counted by day, with where they came from, and need not be', async ({ page }) => {
  const job = await makeJob({ name: 'Counted Quietly' })
  await openPublish(page, job)
  await takeAddress(page, 'counted-quietly')
  await publish(page)
  const visits = await unfold(page, 'Visits')
  const agent = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
  const look = (path: string, referer = '') => askHost(siteUrl('counted-quietly'), path, { headers: { 'user-agent': agent, referer } })
  await look('/', 'https://village.example/shops')
  await look('/')
  await visits.getByRole('button', { name: 'Count again' }).click()
  await expect(visits.getByText('2 pages seen in the last 30 days')).toBeVisible()
  await expect(visits.getByRole('listitem').filter({ hasText: 'village.example' })).toContainText('1')
  const counted = visits.getByRole('checkbox', { name: /^Count pages/ })
  await counted.click()
  await expect(counted).not.toBeChecked()
  await look('/')
  await visits.getByRole('button', { name: 'Count again' }).click()
  await expect(visits.getByText('2 pages seen in the last 30 days')).toBeVisible()
  expect(await axeFaults(page)).toEqual([])
})

/** The whole text of a choice that begins so. */
async function optionOf(page: Page, begins: string): Promise<string> {
  const options = await page.getByRole('combobox', { name: 'From' }).getByRole('option').allTextContents()
  return options.find((one) => one.startsWith(begins)) ?? ''
}
