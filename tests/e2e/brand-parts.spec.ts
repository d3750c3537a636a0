import { readFileSync } from 'node:fs'
import { expect, test, type Locator, type Page } from './test'
import sharp from 'sharp'
import subsetFont from 'subset-font'
import { FAMILIES } from '../../src/core/type'
import { fontFilePath } from '../../src/server/media/fonts'
import { APP, makeJob, saved, sheet, visit } from './screen'

const SHEETS = ['desktop', 'tablet', 'phone'] as const

async function openBrand(page: Page, name: string, part?: string): Promise<string> {
  const job = await makeJob({ name })
  await visit(page, `/jobs/${job}/brand`)
  await expect(sheet(page, 'desktop').locator('h1')).toBeVisible()
  if (part) await page.getByRole('tab', { name: part }).click()
  return job
}
const style = (of: Locator, property: string): Promise<string> =>
  of.evaluate((e, name) => getComputedStyle(e).getPropertyValue(name), property)
const rgb = (hex: string): string => `rgb(${[1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16)).join(', ')})`
const number = async (of: Locator, property: string): Promise<number> => Number.parseFloat(await style(of, property))
const undo = (page: Page): Promise<void> => page.getByRole('button', { name: 'Undo', exact: true }).click()
const field = (page: Page, name: string): Locator => page.getByRole('textbox', { name, exact: true })

test('a role set by hand is used where it can be read; where not, the nearest colour that passes is drawn and offered', async ({
  page,
}) => {
  await openBrand(page, 'By hand')
  const link = sheet(page, 'phone').locator('main a:not(.button)').first()
  const before = await style(link, 'color')
  const figure = page.getByRole('button', { name: /^link on paper: / })
  await figure.click()
  await expect(page.getByText(/^Changes \d+ sections on \d+ pages\.$/)).toBeVisible()
  await field(page, 'By hand').fill('#0a3d62')
  await expect.poll(() => style(link, 'color')).toBe('rgb(10, 61, 98)')
  await field(page, 'By hand').fill('#ffcc66')
  await expect(page.getByText(/#ffcc66 reaches 1\.\d\d:1 and needs 4\.5.*points darker/)).toBeVisible()
  const keep = page.getByRole('button', { name: /^Keep #/ })
  const drawn = rgb((await keep.innerText()).slice('Keep '.length))
  expect(drawn).not.toBe('rgb(255, 204, 102)')
  await expect.poll(() => style(link, 'color')).toBe(drawn)
  await keep.click()
  await expect(page.getByText(/It passes\.$/)).toBeVisible()
  await expect.poll(() => style(link, 'color')).toBe(drawn)
  await page.keyboard.press('Escape')
  await expect(figure).toHaveAccessibleName(/passes, set by hand$/)
  await page.getByRole('button', { name: 'Back to Tallow’s own colours' }).click()
  await expect.poll(() => style(link, 'color')).toBe(before)
  await undo(page)
  await expect.poll(() => style(link, 'color')).toBe(drawn)
  await saved(page)
})

test('two digits are taken as a grey, and a see-through colour is told with what to write instead', async ({ page }) => {
  await openBrand(page, 'Digits')
  await field(page, 'Brand colour').fill('4A')
  await field(page, 'Brand colour').blur()
  await expect(field(page, 'Brand colour')).toHaveValue('#4a4a4a')
  await field(page, 'Brand colour').fill('rgb(10 20 200 / 40%)')
  await field(page, 'Brand colour').blur()
  await expect(page.getByRole('alert').filter({ hasText: /see-through \(40 %\).*looks like #9da1e9/ })).toBeVisible()
})

test('the few colours of a photo are found off the main thread, with their shares, and become the brand’s in one step', async ({
  page,
}) => {
  await openBrand(page, 'From a photo')
  const flag = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="4000" height="3000"><rect width="4000" height="3000" ' +
      'fill="#1d4e5f"/><rect width="4000" height="900" fill="#e0a526"/><rect y="2700" width="4000" height="300" ' +
      'fill="#ffffff"/></svg>',
  )
  const photo = await sharp(flag).png().toBuffer()
  await page.getByLabel('Photo to take colours from').setInputFiles({ name: 'shop-front.png', mimeType: 'image/png', buffer: photo })
  const list = page.getByRole('group', { name: 'Colours from a picture' }).getByRole('listitem')
  await expect(list).toHaveCount(3)
  await expect(list.filter({ hasText: '#1d4e5f' })).toContainText('60 %')
  await expect(list.filter({ hasText: '#e0a526' })).toContainText('30 %')
  await expect(list.filter({ hasText: '#ffffff' })).toContainText('neutral')
  await page.getByRole('button', { name: 'Use them in this order' }).click()
  await expect(field(page, 'Brand colour')).toHaveValue('#1d4e5f')
  await expect(field(page, 'Second colour')).toHaveValue('#e0a526')
  await undo(page)
  await expect(field(page, 'Brand colour')).toHaveValue('')
  await page
    .getByLabel('Photo to take colours from')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert').filter({ hasText: 'No colours could be read from “notes.txt”' })).toBeVisible()
})

test('grounds that run from colour to colour follow the brand, and the page for wrong addresses with them', async ({ page }) => {
  await openBrand(page, 'Running')
  await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: '404 page' })
  await expect(sheet(page, 'desktop').locator('h1')).toBeVisible()
  await page.getByRole('radio', { name: 'run from colour to colour' }).click()
  const ink = sheet(page, 'tablet').locator('.tone-ink').first()
  await expect.poll(() => style(ink, 'background-image')).toMatch(/^linear-gradient\(105deg, rgb/)
  const before = await style(ink, 'background-image')
  await field(page, 'Brand colour').fill('#104090')
  await expect.poll(() => style(ink, 'background-image')).not.toBe(before)
  await field(page, 'Direction').fill('180')
  await expect.poll(() => style(ink, 'background-image')).toMatch(/^linear-gradient\((180deg, )?rgb/)
})

test('a size set for desktop brings the phone along, both within limits, on all three sheets and in one step', async ({ page }) => {
  await openBrand(page, 'Sizes', 'Type')
  const heading = (name: (typeof SHEETS)[number]): Locator => sheet(page, name).locator('h1').first()
  const own = await number(heading('desktop'), 'font-size')
  await expect(page.getByText(/changes 8 places on 8 pages/)).toBeVisible()
  await field(page, 'On desktop').fill('40')
  // Common practice, no source: 40 px on desktop is about 28 px on the phone.
  await expect.poll(() => number(heading('desktop'), 'font-size')).toBeCloseTo(40, 1)
  await expect.poll(() => number(heading('phone'), 'font-size')).toBeCloseTo(28, 1)
  await expect.poll(() => number(heading('tablet'), 'font-size')).toBeCloseTo(33.8, 1)
  await expect(field(page, 'On the phone')).toHaveValue('28')
  await undo(page)
  await expect.poll(() => number(heading('desktop'), 'font-size')).toBe(own)
  await page.getByRole('button', { name: 'Body', exact: true }).click()
  await field(page, 'On desktop').fill('12')
  await expect(page.getByRole('alert').filter({ hasText: 'On desktop goes from 16 to 24 px.' })).toBeVisible()
  await field(page, 'On desktop').blur()
  await expect.poll(() => number(sheet(page, 'desktop').locator('body'), 'font-size')).toBeCloseTo(16, 1)
  await expect(page.getByRole('row', { name: /^Body/ })).toContainText(/letters a line/)
  await page.getByRole('radio', { name: 'by a ratio' }).click()
  await page.getByRole('button', { name: 'Heading 2', exact: true }).click()
  await field(page, 'Ratio').first().fill('1.4')
  await field(page, 'Base, desktop').fill('18')
  // Tallow’s second heading stands on step 3: 18 × 1.4³.
  await expect.poll(() => number(sheet(page, 'desktop').locator('h2').first(), 'font-size')).toBeCloseTo(18 * 1.4 ** 3, 0)
  await page.getByRole('button', { name: 'Back to Tallow’s own type' }).click()
  await expect.poll(() => number(heading('desktop'), 'font-size')).toBe(own)
})

test('families are offered with reasons and licences, reach every sheet, and weight, case and spacing reach buttons and menus', async ({
  page,
}) => {
  await openBrand(page, 'Families', 'Type')
  await page.getByRole('button', { name: 'Headings: Vollkorn' }).click()
  const list = page.getByRole('dialog', { name: 'Headings' })
  await expect(list.getByRole('option')).toHaveCount(Object.keys(FAMILIES).length)
  // A real listbox: the family in use is where the arrows begin, words narrow it, Enter takes, and the focus goes back.
  await expect(list.getByRole('option', { selected: true })).toHaveText(/^Vollkorn.*in use, the template’s/)
  await expect(list.getByRole('option', { selected: true })).toBeInViewport()
  await list.getByRole('combobox').pressSequentially('playfair')
  await expect(list.getByRole('option')).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Headings: Playfair Display' })).toBeFocused()
  for (const name of SHEETS)
    await expect.poll(() => style(sheet(page, name).locator('h1').first(), 'font-family')).toContain('Playfair Display')
  await page.getByRole('button', { name: 'Text: Alegreya Sans' }).click()
  const best = page.getByRole('dialog', { name: 'Text' }).getByRole('option').first()
  await expect(best).toContainText(/Goes with Playfair Display: serifs against plain letters: plainly two; small letters equally high/)
  await expect(best).toContainText('SIL Open Font Licence 1.1')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Menu', exact: true }).click()
  await page.getByRole('radio', { name: 'capitals', exact: true }).click()
  await expect.poll(() => style(sheet(page, 'desktop').locator('header nav a').first(), 'text-transform')).toBe('uppercase')
  await page.getByRole('button', { name: 'Button', exact: true }).click()
  await field(page, 'Letter space').fill('0.1')
  const button = sheet(page, 'phone').locator('.button').first()
  await expect.poll(async () => (await number(button, 'letter-spacing')) / (await number(button, 'font-size'))).toBeCloseTo(0.1, 3)
  await saved(page)
})

test('the client’s own font files come in with what they permit and lack, are worn, and are refused when they must be', async ({
  page,
}) => {
  await openBrand(page, 'Łukasz Ślęczka', 'Type')
  const source = readFileSync(fontFilePath(FAMILIES.fraunces!.files[0]!))
  const sound = Buffer.from(await subsetFont(source, 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz .,', { targetFormat: 'sfnt' }))
  const closed = Buffer.from(sound)
  for (let i = 0; i < closed.readUInt16BE(4); i++)
    if (closed.toString('latin1', 12 + 16 * i, 16 + 16 * i) === 'OS/2') closed.writeUInt16BE(2, closed.readUInt32BE(20 + 16 * i) + 8)
  const own = page.getByRole('group', { name: 'The client’s own fonts' })
  await page.getByLabel('Font files').setInputFiles([
    { name: 'own.ttf', mimeType: 'font/ttf', buffer: sound },
    { name: 'closed.ttf', mimeType: 'font/ttf', buffer: closed },
    { name: 'torn.ttf', mimeType: 'font/ttf', buffer: sound.subarray(0, 900) },
    { name: 'many.ttc', mimeType: 'font/collection', buffer: Buffer.from(`ttcf${'\0'.repeat(60)}`) },
  ])
  await expect(own.getByText(/lacks \d+ letters that this site uses: .*Ł/)).toBeVisible()
  await expect(own.getByRole('alert')).toHaveCount(3)
  await expect(own.getByRole('alert').first()).toContainText('forbids embedding')
  await expect(own.getByRole('alert').nth(1)).toContainText('damaged')
  await expect(own.getByRole('alert').nth(2)).toContainText('collection')
  await page.getByRole('button', { name: 'Headings: Vollkorn' }).click()
  await page
    .getByRole('dialog', { name: 'Headings' })
    .getByRole('option', { name: /^Fraunces/ })
    .first()
    .click()
  const heading = sheet(page, 'desktop').locator('h1').first()
  await expect.poll(() => style(heading, 'font-family')).toContain('Fraunces')
  await expect
    .poll(() =>
      sheet(page, 'desktop')
        .locator('body')
        .evaluate((body) => [...body.ownerDocument.fonts].some((face) => face.family.includes('Fraunces') && face.status === 'loaded')),
    )
    .toBe(true)
  await own.getByRole('button', { name: 'Remove Fraunces' }).click()
  await expect.poll(() => style(heading, 'font-family')).toContain('Vollkorn')
  await undo(page)
  await expect.poll(() => style(heading, 'font-family')).toContain('Fraunces')
})

test('corners, shadow, rules, spacing and the form of buttons reach every sheet at once, each one step', async ({ page }) => {
  await openBrand(page, 'Shape', 'Shape')
  const button = (name: (typeof SHEETS)[number]): Locator => sheet(page, name).locator('.button').first()
  await page.getByRole('radiogroup', { name: 'Corners' }).getByRole('radio', { name: 'set' }).click()
  await field(page, 'Radius').fill('20')
  for (const name of SHEETS) await expect.poll(() => style(button(name), 'border-top-left-radius')).toBe('10px')
  await expect.poll(() => style(sheet(page, 'phone').locator('figure img').first(), 'border-top-left-radius')).toBe('20px')
  await page.getByRole('radiogroup', { name: 'Shadow' }).getByRole('radio', { name: 'set' }).click()
  await expect.poll(() => style(button('tablet'), 'box-shadow')).toMatch(/rgba\(0, 0, 0, 0\.18\) 0px 6px 18px/)
  const space = await number(sheet(page, 'desktop').locator('main > section').nth(1), 'padding-top')
  await field(page, 'Spacing').fill('1.5')
  await expect.poll(() => number(sheet(page, 'desktop').locator('main > section').nth(1), 'padding-top')).toBeCloseTo(space * 1.5, 0)
  await page.getByRole('radio', { name: 'outline' }).click()
  await expect.poll(() => style(button('desktop'), 'background-color')).toBe('rgba(0, 0, 0, 0)')
  const board = page.frameLocator('iframe[title^="Buttons, fields"]')
  await page.getByRole('radiogroup', { name: 'Fields' }).getByRole('radio', { name: 'line' }).click()
  await expect.poll(() => style(board.locator('input').first(), 'border-top-width')).toBe('0px')
  await undo(page)
  await expect.poll(() => style(board.locator('input').first(), 'border-top-width')).not.toBe('0px')
  await page.getByRole('button', { name: 'Back to Tallow’s own shape' }).click()
  await expect.poll(() => style(button('desktop'), 'border-top-left-radius')).toBe('2px')
})

test('a logo is trimmed, told of, sized apart on the phone; without one the name is set as a logo; icons follow', async ({ page }) => {
  const job = await openBrand(page, 'Hollin & Sparrow', 'Logo')
  const icon = page.getByRole('img', { name: 'The icon in a light tab' })
  await expect.poll(() => icon.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(64)
  await page.getByRole('radio', { name: 'set as a logo' }).click()
  await field(page, 'Words').fill('H & S')
  await expect(sheet(page, 'phone').locator('.wordmark').first()).toHaveText('H & S')
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 120"><circle cx="60" cy="60" r="30" fill="#1c6b70"/>' +
    '<rect x="130" y="45" width="60" height="30" fill="#1c6b70"/><rect x="198" y="45" width="60" height="30" ' +
    'fill="#1c6b70"/></svg>'
  await page.getByLabel('Logo file').setInputFiles({ name: 'logo.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.getByText(/Its empty margins, \d+ % of it, were cut off/)).toBeVisible()
  const logo = (name: (typeof SHEETS)[number]): Locator => sheet(page, name).locator('header img.logo')
  const width = await number(logo('phone'), 'width')
  await field(page, 'On the phone').fill('60')
  await expect.poll(() => number(logo('phone'), 'width')).toBeCloseTo(width * 0.6, 0)
  expect(await number(logo('desktop'), 'width')).toBeCloseTo(width, 0)
  const asked = async (): Promise<string> => decodeURIComponent((await icon.getAttribute('src')) ?? '')
  await expect.poll(asked).toMatch(/"mark":"[0-9a-f]{20}/)
  await page.getByRole('radio', { name: 'letters' }).click()
  await field(page, 'Letters').fill('Q')
  await expect.poll(asked).toMatch(/letters=Q.*"mark":null/)
  const grounds = encodeURIComponent('[{"ground":"#102030","ink":"#ffffff","mark":null}]')
  const drawn = await page.request.get(`${APP}/api/jobs/${job}/icon?letters=Q&family=vollkorn&grounds=${grounds}&form=round`)
  expect(await drawn.text()).toContain('rx="32"')
  await saved(page)
})

test('a brand taken out as design tokens comes into another job, seen before it is done', async ({ page }) => {
  const job = await openBrand(page, 'Giver')
  await field(page, 'Brand colour').fill('#34568b')
  await field(page, 'Second colour').fill('#e0a526')
  await field(page, 'Third colour').fill('#7a2e1d') // With three colours the sheet is at its longest.
  await page.getByRole('tab', { name: 'Tokens' }).click()
  await expect(page.getByRole('region', { name: 'What was computed' })).toContainText('--brand-colour: #34568b;')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as design tokens (JSON)' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('giver.tokens.json')
  const file = await download.path()
  await saved(page)
  await visit(page, `/brand-sheet/${job}`)
  await expect(page.getByRole('heading', { name: 'Giver' })).toBeVisible()
  await page.evaluate(() => document.fonts.ready)
  const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1')
  expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1)
  await openBrand(page, 'Taker', 'Tokens')
  await page.getByLabel('File of tokens').setInputFiles(file)
  await expect(page.getByText('brand colour: #34568b')).toBeVisible()
  expect(await style(sheet(page, 'phone').locator('.button').first(), 'background-color')).not.toBe('rgb(52, 86, 139)')
  await page.getByRole('button', { name: 'Set these' }).click()
  for (const name of SHEETS)
    await expect.poll(() => style(sheet(page, name).locator('.button').first(), 'background-color')).toBe('rgb(52, 86, 139)')
  await undo(page)
  await expect.poll(() => style(sheet(page, 'phone').locator('.button').first(), 'background-color')).not.toBe('rgb(52, 86, 139)')
  await page.getByRole('textbox', { name: 'Tokens as text' }).fill('{"a": 1')
  await expect(page.getByRole('alert').filter({ hasText: 'not valid JSON' })).toBeVisible()
})
