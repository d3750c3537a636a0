import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test, type Locator } from './test'
import { cell, leftovers, makeJob, openContent, saved, sheet, tab } from './screen'

const WATCH = path.join(import.meta.dirname, '../../demo/pictures/pocket-watch-and-gears.jpg')

test('words typed on one sheet are on all three and in the ledger at every key', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Sheet Typing' }))
  const before = await leftovers(page)
  const heading = sheet(page, 'phone').locator('h1')
  await expect(heading).toHaveAttribute('data-basted', '')
  await heading.click()
  await page.keyboard.type('Boots resoled')
  await expect(cell(page, 'Hero: Heading')).toHaveValue('Boots resoled')
  for (const name of ['desktop', 'tablet', 'phone'] as const) await expect(sheet(page, name).locator('h1')).toHaveText('Boots resoled')
  await expect(sheet(page, 'desktop').locator('h1')).not.toHaveAttribute('data-basted', '')
  await page.keyboard.type(' while you wait')
  await expect(sheet(page, 'tablet').locator('h1')).toHaveText('Boots resoled while you wait')
  expect(await leftovers(page)).toBe(before - 1)
  await saved(page)
})

test('words typed in the ledger are on the sheets, and emptied or taken back as asked', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Ledger Typing' }))
  await cell(page, 'Hero: Caption').fill('By the back door')
  await expect(sheet(page, 'desktop').locator('figcaption').first()).toHaveText('By the back door')
  const row = page.locator('[data-row="home.hero caption"]')
  await expect(row).toContainText('client’s')
  await cell(page, 'Hero: Caption').fill('')
  await expect(row).toContainText('not needed')
  await expect(sheet(page, 'desktop').locator('.hero-bench figcaption')).toHaveCount(0)
  await row.getByRole('button', { name: /Remove the client’s content/ }).click()
  await expect(row).toContainText('leftover')
  await expect(sheet(page, 'desktop').locator('.hero-bench figcaption')).toContainText('A music stool')
  await row.getByRole('button', { name: 'Keep' }).click()
  await expect(row).toContainText('kept')
})

test('lines are counted at each width against the design’s own measure', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Measures' }))
  const row = page.locator('[data-row="home.hero heading"]')
  await expect(row.getByRole('list', { name: 'Lines at each width' })).toContainText('desktop: 2 of 2 lines')
  await cell(page, 'Hero: Heading').fill('Short')
  await expect(row.getByRole('list')).toContainText('desktop: 1 of 2 lines')
  await cell(page, 'Hero: Heading').fill('A heading that is a good deal longer than the one the template’s designer had before her')
  await expect(row.getByRole('list')).toContainText('longer than designed')
  await expect(page.locator('[data-row="home.hero lead"]').getByRole('list')).toContainText('phone: 5 of 5 lines')
})

test('a fact is changed once and shown everywhere; text on any brand colour stays readable', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Facts Once' }))
  await tab(page, 'Every page').click()
  await cell(page, 'Client facts: Telephone').fill('01632 960999')
  await expect(sheet(page, 'desktop').getByRole('banner').getByRole('link', { name: '01632 960999' })).toHaveAttribute(
    'href',
    'tel:+441632960999',
  )
  await expect(sheet(page, 'phone').getByRole('contentinfo')).toContainText('01632 960999')
  await page.getByRole('textbox', { name: 'Brand: colour' }).fill('yellow')
  const button = sheet(page, 'desktop').getByRole('link', { name: 'See what repairs cost' })
  await expect.poll(() => contrastOf(button)).toBeGreaterThanOrEqual(4.5)
  await expect.poll(() => contrastOf(sheet(page, 'desktop').getByRole('link', { name: 'Ring the workshop' }))).toBeGreaterThanOrEqual(4.5)
})

/** Contrast of an element's text against the ground behind it, as the browser computed both. WCAG 2.2, contrast ratio. */
async function contrastOf(element: import('@playwright/test').Locator): Promise<number> {
  return element.evaluate((e) => {
    const parse = (css: string): number[] => (css.match(/[\d.]+/g) ?? []).map(Number)
    const ground = (of: Element): number[] => {
      const colour = parse(getComputedStyle(of).backgroundColor)
      return colour.length > 3 && colour[3] === 0 && of.parentElement ? ground(of.parentElement) : colour
    }
    const light = ([r = 0, g = 0, b = 0]: number[]): number =>
      [r, g, b]
        .map((v) => v / 255)
        .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4))
        .reduce((sum, v, i) => sum + v * [0.2126, 0.7152, 0.0722][i]!, 0)
    const [a, b] = [light(parse(getComputedStyle(e).color)), light(ground(e))]
    return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)
  })
}

test('undo and redo reach across words, facts and colour, and outlive a reload', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Undo Reach' }))
  const heading = sheet(page, 'desktop').locator('h1')
  await cell(page, 'Hero: Heading').fill('First words')
  await tab(page, 'Every page').click()
  await cell(page, 'Client facts: Name').fill('Undo & Daughters')
  await page.getByRole('textbox', { name: 'Brand: colour' }).fill('#224488')
  await saved(page)
  await page.reload()
  await expect(heading).toHaveText('First words')
  const undo = page.getByRole('button', { name: 'Undo', exact: true })
  await undo.click()
  await expect(page.getByRole('textbox', { name: 'Brand: colour' })).toHaveValue('')
  await page.keyboard.press('Control+z')
  await expect(sheet(page, 'desktop').getByRole('banner')).toContainText('Undo Reach')
  await page.keyboard.press('Control+z')
  await expect(heading).toHaveText('A chair worth sitting in is worth mending')
  await expect(undo).toBeDisabled()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+Shift+z')
  await expect(heading).toHaveText('First words')
  await expect(sheet(page, 'desktop').getByRole('banner')).toContainText('Undo & Daughters')
})

test('typing in one place is one step to undo', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'One Step' }))
  await cell(page, 'Hero: Heading').pressSequentially('Many keys, one thought', { delay: 30 })
  await saved(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(sheet(page, 'desktop').locator('h1')).toHaveText('A chair worth sitting in is worth mending')
})

test('F8 goes from leftover to leftover across pages, Enter goes down, Alt+K keeps', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Next Leftover' }))
  await page.keyboard.press('F8')
  await expect(cell(page, 'Hero: Heading')).toBeFocused()
  await page.keyboard.press('Alt+k')
  await expect(page.locator('[data-row="home.hero heading"]')).toContainText('kept')
  await page.keyboard.press('F8')
  await expect(page.getByRole('button', { name: 'Hero: Picture: choose picture' })).toBeFocused()
  await page.keyboard.press('F8')
  await expect(cell(page, 'Hero: Caption')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Hero: Lead')).toBeFocused()
  await cell(page, 'Page: Description').focus()
  await page.keyboard.press('F8')
  await expect(tab(page, 'About')).toHaveAttribute('aria-current', 'page')
  await expect(cell(page, 'Title: Heading')).toBeFocused()
  await page.keyboard.press('Shift+F8')
  await expect(tab(page, 'Home')).toHaveAttribute('aria-current', 'page')
})

test('a picture is replaced by choosing a file on the sheet, and by dropping one on it', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Pictures' }))
  const picture = sheet(page, 'desktop').locator('.hero-bench img')
  const chooser = page.waitForEvent('filechooser')
  await picture.click()
  await (await chooser).setFiles(WATCH)
  await expect(picture).not.toHaveAttribute('data-basted', '')
  await expect(picture).toHaveAttribute('src', /\/media\/[0-9a-f]{20}\//)
  await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(800)
  await page.getByLabel('Hero: Picture: what it shows').fill('A pocket watch')
  await expect(sheet(page, 'phone').locator('.hero-bench img')).toHaveAttribute('alt', 'A pocket watch')
  await saved(page)

  const story = sheet(page, 'desktop').locator('.story-letter img')
  await story.scrollIntoViewIfNeeded()
  const bytes = [...readFileSync(WATCH)]
  await story.evaluate((img: HTMLImageElement, content) => {
    const data = new DataTransfer()
    data.items.add(new File([new Uint8Array(content)], 'bench.jpg', { type: 'image/jpeg' }))
    for (const type of ['dragover', 'drop']) img.dispatchEvent(new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: data }))
  }, bytes)
  await expect(story).not.toHaveAttribute('data-basted', '')
})

test('pasted markup and script become plain words; several lines fill several places', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Pasting' }))
  const nasty = '<b>Bold</b> <script>window.hacked = true</script> claim'
  await sheet(page, 'desktop').locator('h1').click()
  await page.evaluate((text) => navigator.clipboard.writeText(text), nasty)
  await page.keyboard.press('Control+v')
  await expect(sheet(page, 'phone').locator('h1')).toHaveText(nasty)
  expect(await sheet(page, 'desktop').locator('h1 script, h1 b').count()).toBe(0)
  await cell(page, 'Services: 1 title').focus()
  await page.evaluate(() => navigator.clipboard.writeText('Heels\nWorn heels made level.\nfrom £18'))
  await page.keyboard.press('Control+v')
  const panel = page.getByRole('region', { name: 'What was pasted, and where it would go' })
  await expect(panel).toContainText('Fill 3 places')
  await panel.getByRole('button', { name: /^Fill \d/ }).click()
  await expect(cell(page, 'Services: 1 title')).toBeFocused()
  await expect(sheet(page, 'desktop').locator('.services-entries li').first()).toContainText('Worn heels made level.')
  await expect(cell(page, 'Services: 1 price')).toHaveValue('from £18')
  await page.getByRole('banner').getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(cell(page, 'Services: 1 price')).toHaveValue('')
  // A table keeps its columns, its gaps too, and makes the entries that it has rows for.
  const rows = ['Heels\tMade level\t£18', 'Soles\t\t£40', 'Zips\tSewn in\t£22', 'Dye\tOne coat\t', 'Straps\t"Cut, ""edged"" too"\t£12']
  await cell(page, 'Services: 1 title').focus()
  await page.evaluate((text) => navigator.clipboard.writeText(text), rows.join('\n'))
  await page.keyboard.press('Control+v')
  await expect(panel).toContainText(/1 new entry among it.*Fill 13 places/)
  await page.keyboard.press('Escape')
  await expect(panel).toHaveCount(0)
  await expect(cell(page, 'Services: 1 title')).toHaveValue('')
  await page.keyboard.press('Control+v')
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Services: 2 text')).toHaveText('')
  await expect(cell(page, 'Services: 2 price')).toHaveValue('£40')
  await expect(cell(page, 'Services: 5 title')).toHaveValue('Straps')
  await expect(cell(page, 'Services: 5 text')).toHaveText('Cut, "edged" too')
  await expect(sheet(page, 'desktop').locator('.services-entries li')).toHaveCount(5)
})

test('entries of a list are added, moved and taken out, each one undoable', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Lists' }))
  const titles = sheet(page, 'desktop').locator('.services-entries h3')
  await expect(titles).toHaveCount(4)
  await page.locator('[data-row="home.services items"]').getByRole('button', { name: 'Add an entry' }).click()
  await expect(titles).toHaveCount(5)
  await page.getByRole('button', { name: 'Move entry 1 down' }).first().click()
  await expect(titles.first()).toHaveText('Springs and webbing')
  await page.getByRole('button', { name: 'Remove entry 1' }).first().click()
  await expect(titles.first()).toHaveText('Re-covering')
  const list = page.locator('[data-row="home.services items"]')
  await list.getByRole('button', { name: 'Sort' }).click()
  await page.getByRole('menuitem', { name: 'By name' }).click()
  const sorted = await titles.allTextContents()
  expect(sorted).toEqual(sorted.toSorted((a, b) => a.localeCompare(b, 'en')))
  await list.getByRole('button', { name: 'Sort' }).click()
  await page.getByRole('menuitem', { name: 'By name' }).click()
  await expect(page.getByText('The entries stand in that order already.')).toBeVisible()
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(titles).toHaveCount(4)
  await expect(titles.first()).toHaveText('Re-covering')
})

test('pages are switched by tab and by the menu on a sheet; one sheet can be taken full size', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Switching' }))
  await tab(page, 'Services').click()
  await expect(sheet(page, 'tablet').locator('h1')).toHaveText('What a repair costs')
  await sheet(page, 'desktop').getByRole('navigation', { name: 'Pages', exact: true }).getByRole('link', { name: 'Gallery' }).click()
  await expect(tab(page, 'Gallery')).toHaveAttribute('aria-current', 'page')
  await page.reload()
  await expect(tab(page, 'Gallery')).toHaveAttribute('aria-current', 'page')
  await page.getByRole('button', { name: 'Show the phone sheet full size' }).click()
  await expect(page.locator('iframe[title^="Page, desktop"]')).toBeHidden()
  await sheet(page, 'phone').locator('h1').click()
  await expect(cell(page, 'Title: Heading')).toBeVisible()
  await page.getByRole('button', { name: 'Show all three sheets' }).click()
  await expect(page.locator('iframe[title^="Page, desktop"]')).toBeVisible()
})

test('a link’s words and where it leads are changed, and an unsafe address is refused', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Links' }))
  await page.getByRole('textbox', { name: 'Hero: Action, words' }).fill('Book a fitting')
  await page.getByRole('button', { name: /^Hero: Action, leads to / }).click()
  const where = page.getByRole('combobox', { name: 'Hero: Action, where it leads' })
  await where.fill('javascript:alert(1)')
  await expect(page.getByText('is no address that a link can lead to')).toBeVisible()
  await where.fill('https://book.example/now')
  await page.getByRole('option', { name: /book\.example/ }).click()
  const link = sheet(page, 'desktop').getByRole('link', { name: 'Book a fitting' })
  await expect(link).toHaveAttribute('href', 'https://book.example/now')
  await expect(page.getByRole('button', { name: 'Hero: Action, leads to book.example/now' })).toBeFocused()
})

test('a button leads to a place on a page, to a mail with a subject, to a message; one that opens a tab says so', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Leading', facts: { language: 'de' } }))
  await page.getByRole('textbox', { name: 'Hero: Action, words' }).fill('Fragen')
  const link = sheet(page, 'desktop').locator('.hero-bench a').filter({ hasText: 'Fragen' })
  const open = async (asked: string, option: RegExp): Promise<void> => {
    await page.getByRole('button', { name: /^Hero: Action, leads to / }).click()
    await page.getByRole('combobox', { name: 'Hero: Action, where it leads' }).fill(asked)
    await page.getByRole('option', { name: option }).first().click()
  }
  await open('testimonials', /Testimonials on Home/)
  await expect(link).toHaveAttribute('href', '#testimonials')
  await expect(sheet(page, 'desktop').locator('#testimonials')).toBeAttached()
  await page.keyboard.press('ControlOrMeta+z')
  await expect(sheet(page, 'desktop').locator('#testimonials')).not.toBeAttached()
  await open('ring@client.example', /Mail to/)
  await page.getByRole('button', { name: /^Hero: Action, leads to / }).click()
  await page.getByLabel('Subject').fill('Ein Stuhl & mehr')
  await page.getByLabel('Opens in a new tab').check()
  await page.keyboard.press('Escape')
  // RFC 6068, 2: what parts a URI is encoded, blanks as %20.
  await expect(link).toHaveAttribute('href', 'mailto:ring@client.example?subject=Ein%20Stuhl%20%26%20mehr')
  await expect(link).toHaveAttribute('target', '_blank')
  await expect(link).toContainText('(öffnet in einem neuen Tab)')
  await open('+44 1632 960111', /Message to/)
  // RFC 5724, 2.2.
  await expect(link).toHaveAttribute('href', 'sms:+441632960111')
})

test('a fact that the client has none of is gone from every page and counts as done; emptied, it is not the template’s again', async ({
  page,
}) => {
  await openContent(page, await makeJob({ name: 'None Of Those', facts: { email: 'office@client.example' } }))
  const before = await leftovers(page)
  await tab(page, 'Every page').click()
  const footer = sheet(page, 'desktop').getByRole('contentinfo')
  const row = (fact: string): Locator => page.locator(`[data-row=":fact ${fact}"]`)
  await expect(footer).toContainText('office@client.example')
  await cell(page, 'Client facts: Email').fill('')
  await expect(row('email')).toContainText('has none')
  await expect(footer).not.toContainText('@')
  for (const fact of ['phone', 'address', 'hours']) {
    await row(fact).getByRole('button', { name: 'Has none' }).click()
    await expect(row(fact)).toContainText('has none')
  }
  await expect(footer).not.toContainText('Ropewalk')
  await expect(sheet(page, 'desktop').getByRole('banner').locator('.ring')).toHaveCount(0)
  await expect(sheet(page, 'desktop').locator('.visit-timetable table')).toHaveCount(0)
  expect(await leftovers(page)).toBe(before - 3)
  await row('phone')
    .getByRole('button', { name: /Remove the client’s content/ })
    .click()
  await expect(row('phone')).toContainText('leftover')
  await expect(footer).toContainText('01632 960184')
  await saved(page)
})
