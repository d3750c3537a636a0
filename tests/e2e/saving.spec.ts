import { expect, test, type Page } from './test'
import { APP, cell, makeJob, openContent, saved, sheet } from './screen'
import { askApp } from '../door'

test.use({ ownTab: true })

test('a second tab on the same job follows without a refresh, and undo there reaches what was done here', async ({ context }) => {
  const job = await makeJob({ name: 'Two Tabs' })
  const [one, two] = [await context.newPage(), await context.newPage()]
  await openContent(one, job)
  await openContent(two, job)
  await cell(one, 'Hero: Heading').fill('Typed in the first tab')
  await expect(sheet(two, 'desktop').locator('h1')).toHaveText('Typed in the first tab')
  await expect(cell(two, 'Hero: Heading')).toHaveValue('Typed in the first tab')
  await cell(two, 'Hero: Caption').fill('Typed in the second')
  await expect(sheet(one, 'phone').locator('figcaption').first()).toHaveText('Typed in the second')
  await saved(one)
  await saved(two)
  await one.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(cell(two, 'Hero: Caption')).toHaveValue('')
  await expect(sheet(two, 'desktop').locator('h1')).toHaveText('Typed in the first tab')
})

test('both tabs typing at once in different places lose nothing', async ({ context }) => {
  const job = await makeJob({ name: 'At Once' })
  const [one, two] = [await context.newPage(), await context.newPage()]
  await openContent(one, job)
  await openContent(two, job)
  await Promise.all([
    cell(one, 'Hero: Heading').pressSequentially('Left hand', { delay: 25 }),
    cell(two, 'Services: Heading').pressSequentially('Right hand', { delay: 25 }),
  ])
  await saved(one)
  await saved(two)
  for (const page of [one, two]) {
    await expect(cell(page, 'Hero: Heading')).toHaveValue('Left hand')
    await expect(cell(page, 'Services: Heading')).toHaveValue('Right hand')
  }
})

test('an edit on a revision that is gone is made again on the newest, and nothing is lost', async ({ page }) => {
  const job = await makeJob({ name: 'Gone Revision' })
  const refused = await askApp(`${APP}/api/jobs/${job}/edits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ base: 99, who: null, rows: [] }),
  })
  expect(refused.status).toBe(409)
  const told = (await refused.json()) as { problem: { code: string; sentence: string } }
  expect(told.problem.code).toBe('revisionUnknown')
  expect(told.problem.sentence).toContain('revision 99')
  await openContent(page, job)
  let first = true
  await page.route('**/edits', (route) => {
    if (!first || route.request().method() !== 'POST') return route.fallback()
    first = false
    return route.fulfill({ status: 409, json: told })
  })
  await cell(page, 'Hero: Heading').fill('Kept after all')
  await saved(page)
  expect(first).toBe(false)
  await page.reload()
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('Kept after all')
})

test('words of the moment before a tab crashes are kept by the browser, whatever was still on its way', async ({ context }) => {
  const job = await makeJob({ name: 'Crash' })
  const tab = await context.newPage()
  await openContent(tab, job)
  const places = ['Hero: Heading', 'Hero: Caption', 'Services: Heading'] as const
  await tab.route('**/edits', (route) => route.abort())
  await tab.evaluate(typeAtOnce, { places: [...places], letters: 80 })
  const line = await context.newCDPSession(tab)
  void line.send('Page.crash').catch(() => undefined)
  await tab.waitForEvent('crash')
  const next = await context.newPage()
  await openContent(next, job)
  for (const place of places) await expect(cell(next, place)).toHaveValue('x'.repeat(80))
  await tab.close()
})

test('a tab that is open takes over what another could not send before it went', async ({ context }) => {
  const job = await makeJob({ name: 'Heir' })
  const cut = await context.newPage()
  await cut.route('**/edits', (route) => route.abort())
  await openContent(cut, job)
  await cell(cut, 'Hero: Caption').fill('Left behind')
  const heir = await context.newPage()
  await openContent(heir, job)
  await expect(cell(heir, 'Hero: Caption')).toHaveValue('')
  await cut.close()
  await expect(cell(heir, 'Hero: Caption')).toHaveValue('Left behind')
  await saved(heir)
})

test('where pages may hold no locks, as over plain HTTP, tabs ask each other: what one that lives typed is its own', async ({
  context,
}) => {
  const job = await makeJob({ name: 'No Locks' })
  const tabs: Page[] = []
  for (let i = 0; i < 2; i++) {
    const tab = await context.newPage()
    await tab.clock.install()
    await tab.addInitScript(() => Object.defineProperty(Navigator.prototype, 'locks', { value: undefined }))
    await tab.route('**/edits', (route) => route.abort())
    await openContent(tab, job)
    tabs.push(tab)
    if (i === 0) await cell(tab, 'Hero: Caption').fill('Typed by the first')
  }
  const [one, two] = tabs as [Page, Page]
  await cell(two, 'Hero: Heading').fill('Typed by the second')
  // The second has not made the first one's words its own while that lives.
  await expect(cell(two, 'Hero: Caption')).toHaveValue('')
  await one.close()
  // It is asked again after ten seconds, and is late after two.
  await two.clock.fastForward(10_000)
  await two.clock.fastForward(2000)
  await expect(cell(two, 'Hero: Caption')).toHaveValue('Typed by the first')
  await two.unrouteAll()
  await two.clock.fastForward(30_000)
  await saved(two)
})

test('what was shown as saved survives kill -9; what was typed meanwhile is sent when the server is back', async ({
  page,
  ownRig: rig,
}) => {
  const job = await makeJob({ name: 'Power Cut' }, rig.app)
  await openContent(page, job, rig.app)
  await cell(page, 'Hero: Heading').fill('Saved before the cut')
  await saved(page)
  await rig.killApp()
  await cell(page, 'Hero: Caption').fill('Typed in the dark')
  await expect(page.getByRole('banner').getByRole('status').filter({ hasText: /sav/i })).toHaveText('Not saved yet; trying again')
  await expect(sheet(page, 'phone').locator('figcaption').first()).toHaveText('Typed in the dark')
  await rig.startApp()
  await saved(page)
  await page.reload()
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('Saved before the cut')
  await expect(cell(page, 'Hero: Caption')).toHaveValue('Typed in the dark')
})

/** Types letter after letter into each of some places, in one task of the page. */
function typeAtOnce({ places, letters }: { places: string[]; letters: number }): void {
  for (const place of places) {
    const cell = document.querySelector<HTMLTextAreaElement>(`textarea[data-cell][aria-label="${place}"]`)
    for (let n = 1; n <= letters; n++) {
      const { set } = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value') ?? {}
      set?.call(cell, 'x'.repeat(n))
      cell?.dispatchEvent(new Event('input', { bubbles: true }))
    }
  }
}

test('whoever types while the line is lost goes on, is told, and finds every word once it is back', async ({ page, context }) => {
  const job = await makeJob({ name: 'Dropped' })
  await openContent(page, job)
  const heading = sheet(page, 'desktop').getByRole('heading', { level: 1 })
  await heading.click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type('Boats ')
  await saved(page)
  await context.setOffline(true)
  await page.keyboard.type('built and mended')
  await expect(sheet(page, 'phone').getByRole('heading', { level: 1 })).toHaveText('Boats built and mended')
  await cell(page, 'Hero: Caption').fill('On the slip')
  await expect(page.getByRole('banner').getByText('Not saved yet; trying again')).toBeVisible()
  await context.setOffline(false)
  await saved(page)
  await page.reload()
  await expect(cell(page, 'Hero: Heading')).toHaveValue('Boats built and mended')
  await expect(cell(page, 'Hero: Caption')).toHaveValue('On the slip')
})
