import { expect, test, type Locator, type Page } from './test'
import { publish } from '../../scripts/seed'
import { askApp, doorOf } from '../door'
import { choose, APP, makeJob, saved, siteUrl, visit } from './screen'

const row = (page: Page, name: string): Locator => page.getByRole('row', { name: new RegExp(`^${name}`) })
const sections = (page: Page): Locator => page.getByRole('list', { name: 'Sections' }).getByRole('group')

/** Keys and presses, the words typed into a field as one: what a person does. */
function operator(page: Page): {
  readonly acts: () => number
  press: (key: string) => Promise<void>
  on: (what: Locator) => Promise<void>
  type: (into: Locator, words: string) => Promise<void>
} {
  let acts = 0
  return {
    acts: () => acts,
    press: async (key) => {
      acts++
      await page.keyboard.press(key)
    },
    on: async (what) => {
      acts++
      await what.click()
    },
    type: async (into, words) => {
      acts++
      await into.fill(words)
    },
  }
}

test('five pages become nine on two levels, one of them copied, with sections dropped, added and kept, and the menu leads to all', async ({
  page,
  browser,
}) => {
  const made = await askApp(`${APP}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      template: 'blank',
      facts: { name: 'Pell & Sallow Kitchens', trade: 'joinery', phone: '01632 960118' },
      brand: {},
    }),
  })
  const { job } = (await made.json()) as { job: string }
  await visit(page, `/jobs/${job}/pages`)
  await expect(row(page, 'Home')).toBeVisible()
  await expect(page.getByRole('heading', { name: '5 pages' })).toBeVisible()
  const does = operator(page)

  await does.on(page.getByRole('button', { name: 'Site', exact: true }))
  await does.on(page.getByRole('menuitem', { name: 'Paste an outline' }))
  await does.type(page.getByLabel('A line a page'), 'Kitchens\n  Painted\n  Oak')
  await does.on(page.getByRole('button', { name: 'Add 3 pages' }))
  await expect(page.getByRole('heading', { name: '8 pages' })).toBeVisible()
  await does.on(row(page, 'Oak'))
  await does.on(page.getByRole('button', { name: 'Page', exact: true }))
  await does.on(page.getByRole('menuitem', { name: 'Duplicate with everything in it' }))
  await expect(row(page, 'Oak 2')).toBeFocused()
  await does.press('F2')
  await does.type(page.getByRole('textbox', { name: 'Name' }), 'Reclaimed')
  await does.press('Enter')
  await expect(row(page, 'Reclaimed')).toContainText('/kitchens/reclaimed/')
  await expect(row(page, 'Reclaimed')).toHaveAttribute('aria-level', '2')
  await expect(page.getByRole('heading', { name: '9 pages' })).toBeVisible()

  const add = page.getByRole('region', { name: 'Add a section' })
  for (const [name, dropped, kind] of [
    ['Services', 1, 'Testimonials'],
    ['Home', 2, 'Steps'],
  ] as const) {
    await does.on(row(page, name))
    await expect(row(page, name)).toHaveAttribute('aria-selected', 'true')
    const before = await sections(page).count()
    await does.on(sections(page).nth(1))
    for (let i = 0; i < dropped; i++) await does.press('Delete')
    await expect(sections(page)).toHaveCount(before - dropped)
    await does.press('n')
    await does.on(add.getByRole('button', { name: new RegExp(`^${kind} `) }))
    await does.on(add.getByRole('button', { name: new RegExp(`^Add ${kind}, design`) }).first())
    await expect(sections(page).and(page.locator('[aria-label*="chosen"]'))).toHaveAttribute('aria-label', new RegExp(`^${kind}`))
    await expect(sections(page)).toHaveCount(before - dropped + 1)
  }
  await does.on(page.getByRole('button', { name: 'More', exact: true }))
  await does.on(page.getByRole('menuitem', { name: 'Keep a copy…' }))
  await does.type(page.getByRole('textbox', { name: 'Name' }), 'How a kitchen goes')
  await does.on(page.getByRole('button', { name: 'Keep a copy for every job' }))
  await expect(page.getByText('“How a kitchen goes” is kept')).toBeVisible()
  await saved(page)

  await does.on(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Publish/ }))
  await does.type(page.getByLabel('Address on the web host'), 'pell-and-sallow')
  await does.on(page.getByRole('button', { name: 'Use this address' }))
  await does.on(page.getByRole('button', { name: /^Publish/ }))
  await expect(page.getByText(/Live\. \d+ files? sent/)).toBeVisible()
  // Two minutes of a person are some 60 acts at two seconds each (common practice, no source).
  expect(does.acts()).toBeLessThan(40)

  const phone = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 }, hasTouch: true })
  const site = await phone.newPage()
  await site.goto(siteUrl('pell-and-sallow'))
  const menu = site.getByRole('navigation', { name: 'Pages', exact: true })
  await site.getByRole('button', { name: 'Menu' }).tap()
  await expect(menu.getByRole('link', { name: 'Painted' })).toBeVisible()
  await menu.getByRole('link', { name: 'Reclaimed' }).tap()
  await expect(site).toHaveURL(/\/kitchens\/reclaimed\/$/)
  await site.goto(siteUrl('pell-and-sallow'))
  await site.getByRole('button', { name: 'Menu' }).tap()
  const names = (await menu.getByRole('link').allTextContents()).map((name) => name.trim())
  expect(names).toEqual(expect.arrayContaining(['Home', 'About', 'Services', 'Contact', 'Kitchens', 'Painted', 'Oak', 'Reclaimed']))
  expect(new Set(names).size).toBe(names.length)
  await phone.close()
})

test('what is published of one page, and of a section on two pages, is what the stage shows', async ({ page, browser }) => {
  const job = await makeJob({ name: 'One & Only' })
  await visit(page, `/jobs/${job}/pages`)
  await row(page, 'About').click()
  await sections(page).nth(1).click()
  await page.getByRole('group', { name: 'Sections chosen' }).getByRole('button', { name: 'Duplicate' }).click()
  await page.getByRole('menuitem', { name: 'The same one on Contact' }).click()
  await expect(sections(page).nth(1)).toHaveAttribute('aria-label', /, on 2 pages/)
  const shared = await page
    .frameLocator('iframe[title$="desktop, 1280 pixels wide"]')
    .locator('main > section')
    .nth(1)
    .locator('h2')
    .textContent()
  await saved(page)
  const door = doorOf(APP)
  await publish(door, job, 'one-and-only')
  const site = await (await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } })).newPage()
  for (const path of ['/about/', '/contact/']) {
    await site.goto(siteUrl('one-and-only') + path)
    await expect(site.getByRole('heading', { name: shared!.trim() })).toHaveCount(1)
  }
  await choose(page, 'Site', 'One-page site')
  await expect(row(page, 'Services')).toContainText('/#services')
  await saved(page)
  await publish(door, job, 'one-and-only')
  await site.goto(siteUrl('one-and-only'))
  await site.getByRole('button', { name: 'Menu' }).click()
  await site.getByRole('navigation', { name: 'Pages', exact: true }).getByRole('link', { name: 'Services' }).click()
  await expect(site).toHaveURL(/#services$/)
  await expect(site.locator('#services')).toBeInViewport()
  await expect(site.locator('h1')).toHaveCount(1)
  // What was a page of its own leads to its place.
  await site.goto(`${siteUrl('one-and-only')}/contact/`)
  await expect(site).toHaveURL(/#contact$/)
  await site.context().close()
})
