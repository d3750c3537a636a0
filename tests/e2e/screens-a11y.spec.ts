import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { APP, makeJob, openContent } from './screen'

/** Our own screens only: the client's page on a sheet is the template's to answer for, and is checked as published. */
async function violations(page: Page): Promise<string[]> {
  const found = await new AxeBuilder({ page }).exclude('iframe').analyze()
  return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)
}

test('axe finds nothing on the list of jobs, the new job, the brief, the content and the publishing screen', async ({ page }) => {
  test.setTimeout(240_000)
  await page.goto(APP)
  await expect(page.getByRole('table')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.goto(`${APP}/new`)
  await page.getByRole('button', { name: 'Make the job' }).click()
  expect(await violations(page)).toEqual([])
  const job = await makeJob({ name: 'Access' })
  await openContent(page, job)
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: /^Every page/ }).click()
  expect(await violations(page)).toEqual([])
  await page.goto(`${APP}/jobs/${job}/brief`)
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.goto(`${APP}/jobs/${job}/publish`)
  await expect(page.getByText('✓ Free.')).toBeVisible()
  expect(await violations(page)).toEqual([])
})

test('axe finds nothing in the template room, in any of its views, nor on the strip of designs', async ({ page }) => {
  test.setTimeout(240_000)
  const job = await makeJob({ name: 'Access Room', facts: { trade: 'upholstery' } })
  for (const [show, seen] of [
    ['', 'Tallow'],
    ['?show=particulars&of=limewash', 'Limewash'],
    ['?show=beside&of=limewash,gantry', 'Limewash beside Gantry'],
    ['?show=walk&of=windrow', 'Through Windrow'],
    ['?show=put-on&of=gantry', 'Start on Gantry'],
  ] as const) {
    await page.goto(`${APP}/jobs/${job}/template${show}`)
    await expect(page.getByRole('heading', { name: seen, exact: true }).first()).toBeVisible()
    expect(await violations(page), show).toEqual([])
  }
  await page.goto(`${APP}/jobs/${job}/brand`)
  await expect(page.getByRole('table', { name: /Contrast on each tone/ })).toBeVisible()
  for (const part of ['Colour', 'Logo', 'Type', 'Shape', 'In and out']) {
    await page.getByRole('tab', { name: part }).click()
    expect(await violations(page), `brand, ${part}`).toEqual([])
  }
  await page.goto(`${APP}/brand-sheet/${job}`)
  await expect(page.getByRole('heading', { name: 'Access Room' })).toBeVisible()
  expect(await violations(page), 'brand sheet').toEqual([])
  await openContent(page, job)
  await page
    .getByRole('region', { name: /^Hero/ })
    .getByRole('button', { name: /^Designs/ })
    .click()
  await expect(page.getByRole('listbox', { name: 'Designs' })).toBeFocused()
  expect(await violations(page)).toEqual([])
})

test('a job is fitted from the keyboard alone', async ({ page }) => {
  const job = await makeJob({ name: 'Keyboard' })
  await openContent(page, job)
  await page.keyboard.press('F8')
  await page.keyboard.type('Fitted without a mouse')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Hero: Picture: choose picture' })).toBeFocused()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('textbox', { name: 'Hero: Heading', exact: true })).toHaveValue('')
})
