import { expect, test } from './test'
import { renderPage } from '../../src/core/render'
import { homePage, sectionsIn } from '../../src/core/site'
import { edited } from '../site'
import { cell, leftovers, makeJob, openContent, saved, sheet, tab, visit } from './screen'
import { FILES, siteOn } from './template-page'

test('a label is changed once for the site, on the sheet or in the ledger, and plain words need nothing', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Labelled' }))
  const before = await leftovers(page)
  await tab(page, 'Contact').click()
  const dt = sheet(page, 'desktop').getByText('Workshop', { exact: true }).first()
  await expect(dt).toHaveAttribute('data-basted', '')
  await dt.click()
  await page.keyboard.type('Come to')
  await expect(sheet(page, 'phone').getByText('Come to', { exact: true })).toBeVisible()
  await tab(page, 'Every page').click()
  await expect(cell(page, 'Label: Address')).toHaveValue('Come to')
  expect(await leftovers(page)).toBe(before - 1)
  await expect(page.locator('[data-row=":label telephone"]')).toContainText('standard word')
  await cell(page, 'Label: Menu').fill('Contents')
  await expect(sheet(page, 'phone').getByRole('button', { name: 'Contents' })).toBeVisible()
  await page
    .locator('[data-row=":label address"]')
    .getByRole('button', { name: /Remove the client’s content/ })
    .click()
  await page.locator('[data-row=":label address"]').getByRole('button', { name: 'Standard', exact: true }).click()
  await expect(page.locator('[data-row=":label address"]')).toContainText('standard word')
  expect(await leftovers(page)).toBe(before - 1)
  await saved(page)
})

test('what is not needed is gone by one act, a place or a whole list, counts as done, and comes back by undo', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Not Needed' }))
  const before = await leftovers(page)
  await cell(page, 'Hero: Caption').focus()
  await page.keyboard.press('Alt+n')
  await expect(page.locator('[data-row="home.hero caption"]')).toContainText('not needed')
  await expect(sheet(page, 'desktop').locator('.hero-bench figcaption')).toHaveCount(0)
  expect(await leftovers(page)).toBe(before - 1)
  const list = page.locator('[data-row="home.services items"]')
  const entries = page.locator('[data-row^="home.services items "]')
  const rows = await entries.count()
  expect(rows).toBeGreaterThan(6)
  await list.getByRole('button', { name: 'Not needed' }).click()
  await expect(entries).toHaveCount(0)
  expect(await leftovers(page)).toBe(before - 1 - rows)
  await page.keyboard.press('Control+z')
  await expect(entries).toHaveCount(rows)
})

test('Enter and F8 go to every kind of place, and a new entry is made where the eye is and takes the focus', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Going On' }))
  const choose = page.getByRole('button', { name: 'Hero: Picture: choose picture' })
  await choose.focus()
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Hero: Caption')).toBeFocused()
  await page.keyboard.press('Shift+Enter')
  await expect(choose).toBeFocused()
  await cell(page, 'Services: 2 title').focus()
  await page.getByRole('button', { name: 'Add an entry after 2' }).first().click()
  await expect(cell(page, 'Services: 3 title')).toBeFocused()
  await expect(cell(page, 'Services: 3 title')).toHaveValue('')
  await page.keyboard.type('Between')
  await expect(sheet(page, 'desktop').locator('.services-entries li, .services-ledger li').nth(2)).toContainText('Between')
  await page.keyboard.press('F8')
  await expect(cell(page, 'Services: 3 text')).toBeFocused()
})

test('a week is taken in one line, and a line that is none is refused with the reason', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'One Line' }))
  await tab(page, 'Every page').click()
  await cell(page, 'Client facts: Telephone').fill('01632 960111')
  const line = page.getByRole('textbox', { name: 'The week in one line' })
  await line.pressSequentially('when we feel like it')
  await line.press('Enter')
  await expect(page.getByText(/names no days/)).toBeVisible()
  // Undo in a field that is no part of the document yet is the field's own: the job stays as it is.
  await page.keyboard.press('Control+z')
  await expect(line).not.toHaveValue('when we feel like it')
  await expect(page.getByRole('banner').getByRole('button', { name: 'Redo', exact: true })).toBeDisabled()
  await expect(cell(page, 'Client facts: Telephone')).toHaveValue('01632 960111')
  await line.fill('Mon-Fri 07:00-17:30, Sat 9-12, 1-5')
  await line.press('Enter')
  const table = sheet(page, 'desktop').locator('.visit-timetable table')
  await expect(table).toContainText('Mon – Fri')
  await expect(table).toContainText('9:00 – 12:00, 13:00 – 17:00')
  await expect(line).toHaveValue('')
})

test('the page for wrong addresses, names and addresses of pages are leftovers, and are filled like any other', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Addresses' }))
  const before = await leftovers(page)
  await tab(page, '404 page').click()
  await expect(sheet(page, 'desktop').getByRole('heading', { level: 1 })).toHaveText('There is nothing at this address')
  await cell(page, 'Title: Heading').fill('Not here')
  await expect(sheet(page, 'phone').getByRole('heading', { level: 1 })).toHaveText('Not here')
  await tab(page, 'About').click()
  await cell(page, 'Page: Name').fill('Über uns')
  await page.getByRole('button', { name: 'Use /ueber-uns/' }).click()
  await expect(cell(page, 'Page: Address')).toHaveValue('ueber-uns')
  const link = sheet(page, 'desktop').getByRole('navigation', { name: 'Pages', exact: true }).getByRole('link', { name: 'Über uns' })
  await expect(link).toHaveAttribute('href', '../ueber-uns/')
  expect(await leftovers(page)).toBe(before - 3)
  await cell(page, 'Page: Address').fill('Wer wir sind?')
  await cell(page, 'Page: Address').press('Enter')
  await expect(link).toHaveAttribute('href', '../wer-wir-sind/')
  await saved(page)
})

test('a language chosen in the brief turns the sheets round and translates what the site says of itself', async ({ page }) => {
  const job = await makeJob({ name: 'مخبز النور', facts: { tagline: 'خبز كل صباح' } })
  await visit(page, `/jobs/${job}/brief`)
  const home = page.frameLocator('iframe[title^="Home page, desktop"]')
  await expect(home.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(home.locator('html')).toHaveAttribute('dir', 'ltr')
  await page.getByRole('button', { name: 'Use Arabic' }).click()
  await expect(page.getByLabel('Language of the site')).toHaveValue('ar')
  await expect(page.getByText('Runs from right to left, all through.')).toBeVisible()
  await expect(home.locator('html')).toHaveAttribute('dir', 'rtl')
  await expect(home.locator('html')).toHaveAttribute('lang', 'ar')
  await expect(home.locator('table').first()).toContainText('الاثنين')
  await page.getByRole('link', { name: /^Brand/ }).click()
  await page.getByRole('tab', { name: 'Type' }).click()
  await expect(page.getByText(/Vollkorn lacks \d+ letters of this site/)).toBeVisible()
  await page.getByRole('button', { name: 'Amiri', exact: true }).first().click()
  await expect(page.getByText(/Vollkorn lacks/)).toHaveCount(0)
})

test('a whole address pasted into the brief is taken apart', async ({ page }) => {
  const job = await makeJob({ name: 'Posted' })
  await visit(page, `/jobs/${job}/brief`)
  await page.getByLabel('Street and number').focus()
  await page.evaluate(() => navigator.clipboard.writeText('Unit 6, Tanyard Lane\nCastlewick CW2 8HD\nUnited Kingdom'))
  await page.keyboard.press('Control+v')
  await expect(page.getByLabel('Street and number')).toHaveValue('Unit 6, Tanyard Lane')
  await expect(page.getByLabel('Town')).toHaveValue('Castlewick')
  await expect(page.getByLabel('Postcode')).toHaveValue('CW2 8HD')
  await expect(page.getByLabel('Country')).toHaveValue('United Kingdom')
})

test('marks are printed as the language has them, while the words stay as they were typed', async ({ page }) => {
  const job = await makeJob({ name: 'Printed', facts: { language: 'de' } })
  await openContent(page, job)
  const heading = sheet(page, 'desktop').getByRole('heading', { level: 1 })
  await heading.click()
  await page.keyboard.type(`Das "Beste" - 's ist da`)
  await expect(heading).toHaveText(`Das "Beste" - 's ist da`)
  await expect(cell(page, 'Hero: Heading')).toHaveValue(`Das "Beste" - 's ist da`)
  await cell(page, 'Hero: Caption').focus()
  await expect(heading).toHaveText('Das „Beste“ – ’s ist da')
  // Typing goes on where the caret was put, in the words as written.
  await heading.click({ position: { x: 4, y: 8 } })
  await page.keyboard.press('Home')
  await page.keyboard.type('Ja: ')
  await expect(cell(page, 'Hero: Heading')).toHaveValue(`Ja: Das "Beste" - 's ist da`)
  await saved(page)
})

test('a notice has a last day: after it the sheet folds it away, and undo brings it back', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Notices' }))
  await tab(page, 'Prices').click()
  const notice = sheet(page, 'desktop').getByText('Shut until the 6th')
  await expect(notice).toBeVisible()
  const until = page.getByRole('region', { name: /^Notice/ }).getByLabel('Shown until')
  // Typed key by key it is a day only when its year is whole.
  await until.focus()
  await page.keyboard.type('0106202')
  await expect(notice).toBeVisible()
  await page.keyboard.type('0')
  await expect(until).toHaveValue('2020-01-06')
  await expect(page.getByText('that day is over: it is not published')).toBeVisible()
  await expect(notice).toHaveCount(0)
  await expect(sheet(page, 'phone').getByText('notice: its last day is over, not published')).toBeVisible()
  await until.fill('2999-01-06')
  await expect(notice).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(until).toHaveValue('2999-01-06')
  await until.fill('')
  await expect(until).toHaveValue('')
  await until.blur()
  await page.keyboard.press('Control+z')
  await expect(until).toHaveValue('2999-01-06')
})

test('a page published before a notice’s last day takes it away by itself after it, by the visitor’s clock', async ({ page }) => {
  const site = siteOn('gantry', {}, 'Client')
  const [notice] = Object.values(site.document.sections).filter((s) => s.kind === 'notice' && s.in.type === 'page')
  const document = edited(site.document, { type: 'section/set', section: notice!.id, part: 'until', value: '2026-12-06' })
  const { html } = renderPage({ ...site, document, today: '2026-12-01' }, homePage(document), FILES)
  await page.route('http://site.example/**', (route) =>
    route.request().url().endsWith('/page')
      ? route.fulfill({ contentType: 'text/html; charset=utf-8', body: html })
      : route.fulfill({ status: 404, body: '' }),
  )
  for (const [day, count] of [
    ['2026-12-06T23:59:00', 1],
    ['2026-12-07T00:01:00', 0],
  ] as const) {
    await page.clock.setFixedTime(new Date(day))
    await page.goto('http://site.example/page')
    await expect(page.getByText('Frost tonight.')).toHaveCount(count)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  }
  // What has no last day brings no script along.
  expect(renderPage(site, homePage(site.document), FILES).html).not.toContain('new Date')
})

test('the year at the foot keeps itself current, and today’s hours are marked, by the visitor’s clock', async ({ page }) => {
  const site = siteOn('tallow', {}, 'Client')
  const [footer] = sectionsIn(site.document, { type: 'footer' })
  const legal = { type: 'rich', rich: [{ type: 'p', runs: [{ text: '© ' }, { fact: 'year' }, { text: ' Client' }] }] } as const
  const document = edited(site.document, { type: 'slot/set', section: footer!.id, entry: null, slot: 'legal', value: legal })
  const { html } = renderPage({ ...site, document, today: '2026-12-01' }, homePage(document), FILES)
  await page.route('http://site.example/**', (route) => route.fulfill({ contentType: 'text/html; charset=utf-8', body: html }))
  // 2 January 2029 is a Tuesday; a clock that is behind changes no year.
  for (const [now, year, days] of [
    ['2029-01-02T10:00:00', '2029', 'Tue – Fri'],
    ['2019-06-10T10:00:00', '2026', 'Mon'],
  ] as const) {
    await page.clock.setFixedTime(new Date(now))
    await page.goto('http://site.example/page')
    await expect(page.getByText(`© ${year} Client`)).toBeVisible()
    await expect(page.locator('[aria-current="date"]').first()).toHaveText(days)
    await expect(page.locator('th[aria-current="date"]')).toHaveCount(1)
  }
})

test('a button has an icon before or after its words, on the sheets and where it is published', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Signs' }))
  const icon = page.getByRole('button', { name: /^Hero: Action, icon/ })
  await icon.click()
  await page.getByRole('radio', { name: 'telephone' }).click()
  await page.getByRole('radio', { name: 'before the words' }).click()
  await page.keyboard.press('Escape')
  await expect(icon).toBeFocused()
  await expect(icon).toHaveAccessibleName('Hero: Action, icon: telephone, before the words')
  const button = sheet(page, 'phone').locator('main').getByRole('link').first()
  await expect(button.locator('svg + *, svg')).toHaveCount(1)
  const [drawn, words] = await button.evaluate((element) => {
    const range = element.ownerDocument.createRange()
    range.selectNodeContents(element.lastChild!)
    return [element.querySelector('svg')!.getBoundingClientRect().right, range.getBoundingClientRect().left]
  })
  expect(drawn).toBeLessThanOrEqual(words)
  // What is picked for one button in one go is taken back in one.
  await page.getByRole('banner').getByRole('button', { name: /^Undo/ }).click()
  await expect(button.locator('svg')).toHaveCount(0)
  await saved(page)
})
