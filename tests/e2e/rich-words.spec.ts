import { expect, test, type Locator, type Page } from './test'
import { cell, makeJob, openContent, saved, sheet } from './screen'

const LEAD = '.hero-bench .lead'
const lead = (page: Page, name: 'desktop' | 'tablet' | 'phone' = 'desktop'): Locator => sheet(page, name).locator(LEAD)
const bar = (page: Page): Locator => page.getByRole('toolbar', { name: 'Words' })

/** Presses Enter, and says whether the sheet has the hand before anything that this key leaves for later: the next may be down already. */
async function enterGivesBack(page: Page): Promise<boolean> {
  const seen = await page.evaluateHandle(() => {
    const isBack = new Promise<boolean>((resolve) => {
      const look = (): void => resolve(document.activeElement?.tagName === 'IFRAME')
      addEventListener('keydown', () => setTimeout(look), { once: true, capture: true })
    })
    return { isBack }
  })
  await page.keyboard.press('Enter')
  return seen.evaluate(({ isBack }) => isBack)
}

/** The lead emptied and in hand on the desktop sheet, so that what is typed is all there is. */
async function openLead(page: Page, name: string): Promise<void> {
  await openContent(page, await makeJob({ name, facts: { phone: '01632 960111', email: 'ring@example.com' } }))
  await lead(page).click()
  await expect(bar(page)).toBeVisible()
  await page.keyboard.press('ControlOrMeta+a')
}

test('words are set in place: what is typed on one sheet stands on all, in the ledger and after a reload, marks in one another', async ({
  page,
}) => {
  await openLead(page, 'Set in place')
  await page.keyboard.type('We cut 5*3*2 slabs. ')
  await page.keyboard.press('ControlOrMeta+b')
  await page.keyboard.press('ControlOrMeta+i')
  await page.keyboard.type('Ring us')
  await page.keyboard.press('ControlOrMeta+b')
  await page.keyboard.press('ControlOrMeta+i')
  await page.keyboard.press('Enter')
  await page.keyboard.type('- 5 °C and colder')
  for (const name of ['tablet', 'phone'] as const) {
    await expect(lead(page, name).locator('p')).toHaveText(['We cut 5*3*2 slabs. Ring us', '- 5 °C and colder'])
    await expect(lead(page, name).locator('strong em, em strong')).toHaveText('Ring us')
  }
  await expect(cell(page, 'Hero: Lead').locator('p')).toHaveText(['We cut 5*3*2 slabs. Ring us', '- 5 °C and colder'])
  await page.keyboard.press('Escape')
  await expect(bar(page)).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(lead(page).locator('p')).toHaveText(['We cut 5*3*2 slabs. Ring us', '- 5 °C and colder'])
  await expect(lead(page).locator('strong em, em strong')).toHaveText('Ring us')
})

test('every kind of block is made from the bar, and is on the sheet what is published', async ({ page }) => {
  const job = await makeJob({ name: 'Blocks' })
  await openContent(page, job)
  const body = sheet(page, 'desktop').locator('[data-rich][data-place*="body"]').first()
  await body.click()
  await page.keyboard.press('ControlOrMeta+a')
  const press = (name: string): Promise<void> => bar(page).getByRole('button', { name, exact: true }).click()
  await page.keyboard.type('What we do')
  await press('Sub-heading')
  await page.keyboard.press('Enter')
  await press('List')
  await page.keyboard.type('Chairs')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Tab')
  await page.keyboard.type('with arms')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Shift+Tab')
  await page.keyboard.press('Enter')
  await press('Numbered list')
  await page.keyboard.type('Ring')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await press('Quotation')
  await page.keyboard.type('So neat.')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await press('Small print')
  await page.keyboard.type('Tax in.')
  await page.keyboard.press('Shift+Enter')
  await page.keyboard.type('Since 1974.')
  await press('In the middle')
  await page.keyboard.press('Enter')
  await press('The other direction')
  await page.keyboard.type('שלום')
  const shown = sheet(page, 'phone').locator('[data-rich][data-place*="body"]').first()
  const plain = async (place: Locator): Promise<string> =>
    (await place.innerHTML()).replaceAll(/ (?:class="ProseMirror[^"]*"|style="[^"]*")/g, '')
  const made =
    '<h3>What we do</h3><ul><li><p>Chairs</p><ul><li><p>with arms</p></li></ul></li></ul><ol><li><p>Ring</p></li></ol>' +
    '<blockquote><p>So neat.</p></blockquote><p class="words-center"><small>Tax in.<br>Since 1974.</small></p>'
  await expect.poll(() => plain(shown)).toContain(made)
  await expect(shown.locator('[dir=rtl]')).toHaveText('שלום')
  expect(await plain(body)).toContain(made)
  // Nothing jumps when typing ends: every block stands where it stood.
  const tops = (place: Locator): Promise<number[]> =>
    place.locator('h3, p, li').evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().top)))
  const typed = await tops(body)
  await page.keyboard.press('Escape')
  await expect(body).not.toHaveAttribute('contenteditable')
  expect(await tops(body)).toEqual(typed)
})

test('a chip shows its fact and follows it; telephone and mail lead by themselves; keys take it as one letter', async ({ page }) => {
  await openLead(page, 'Chips')
  await page.keyboard.type('Ring ')
  await bar(page).getByRole('button', { name: 'A fact' }).click()
  await page.getByRole('menuitem', { name: /Telephone/ }).click()
  await page.keyboard.type(' or write to ')
  // By keys alone: to the bar, along it, into the list, and back into the words.
  await page.keyboard.press('Alt+F10')
  await expect(bar(page).getByRole('button', { name: 'Bold' })).toBeFocused()
  for (const name of ['Italic', 'Link', 'A fact']) {
    await page.keyboard.press('ArrowRight')
    await expect(bar(page).getByRole('button', { name })).toBeFocused()
  }
  await page.keyboard.press('Enter')
  await page.getByRole('menuitem', { name: /Email/ }).focus()
  expect(await enterGivesBack(page)).toBe(true)
  await page.keyboard.type('.')
  const phone = lead(page, 'phone')
  await expect(phone).toHaveText('Ring 01632 960111 or write to ring@example.com.')
  await expect(phone.getByRole('link', { name: '01632 960111' })).toHaveAttribute('href', 'tel:+441632960111')
  await expect(phone.getByRole('link', { name: 'ring@example.com' })).toHaveAttribute('href', 'mailto:ring@example.com')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Backspace')
  await expect(phone).toHaveText('Ring 01632 960111 or write to')
  await page.keyboard.press('Escape')
  await page
    .getByRole('navigation', { name: 'Pages' })
    .getByRole('button', { name: /^Every page/ })
    .click()
  await cell(page, 'Client facts: Telephone').fill('01632 960222')
  await expect(phone).toHaveText('Ring 01632 960222 or write to')
})

test('chosen words lead to a page; a page that goes takes the link and leaves the words', async ({ page }) => {
  await openLead(page, 'Linked words')
  await page.keyboard.type('See prices')
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowLeft')
  await page.keyboard.press('ControlOrMeta+k')
  const list = page.getByRole('combobox', { name: 'Where the words lead' })
  await list.fill('gall')
  await expect(page.getByRole('option', { name: /^Gallery/ }).first()).toHaveAttribute('aria-selected', 'true')
  // The list lies under the words that it is for, and hides none of them.
  const [above, below] = [(await lead(page).boundingBox())!, (await list.boundingBox())!]
  expect(below.y).toBeGreaterThan(above.y + above.height * 0.8)
  expect(below.y).toBeLessThan(above.y + above.height + 24)
  expect(await enterGivesBack(page)).toBe(true)
  await expect(lead(page, 'phone').getByRole('link', { name: 'prices' })).toHaveAttribute('href', './gallery/')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.type(' today')
  await expect(lead(page, 'phone').getByRole('link')).toHaveText('prices')
  await expect(lead(page, 'phone')).toHaveText('See prices today')
})

// Shapes from memory: see tests/outside/rich-text.test.ts.
test('what is pasted is cleaned to what the place allows: lists kept, a heading strong in a lead, nothing that runs', async ({ page }) => {
  await openLead(page, 'Pasted')
  const paste = (html: string, text: string): Promise<void> =>
    sheet(page, 'desktop')
      .locator(LEAD)
      .evaluate(
        (element, [asHtml, asText]) => {
          const data = new DataTransfer()
          if (asHtml) data.setData('text/html', asHtml)
          data.setData('text/plain', asText!)
          element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
        },
        [html, text] as const,
      )
  await paste(
    `<h2>Hedges</h2><ul><li>cut <b>twice</b></li><li><a href="javascript:alert(1)">never</a> in May</li></ul>
     <script>document.title = 'ran'</script>`,
    '',
  )
  await expect(lead(page, 'phone')).toHaveText('Hedgescut twicenever in May')
  await expect(lead(page, 'phone').locator('p strong').first()).toHaveText('Hedges')
  await expect(lead(page, 'phone').locator('li')).toHaveText(['cut twice', 'never in May'])
  await expect(lead(page, 'phone').locator('h2, h3, a, script')).toHaveCount(0)
  await page.keyboard.press('ControlOrMeta+a')
  await paste('', 'two stars ** and\n- 5 °C')
  await expect(lead(page, 'phone').locator('p')).toHaveText(['two stars ** and', '- 5 °C'])
  await page.keyboard.press('ControlOrMeta+a')
  await paste('', 'word '.repeat(20_000))
  await expect(page.getByText(/of what was pasted had no room here/)).toBeVisible()
  await saved(page)
})

test('undo reaches the words that are typed in, and the hand stays in them', async ({ page }) => {
  await openLead(page, 'Undone words')
  await page.keyboard.type('First')
  await expect(lead(page, 'phone')).toHaveText('First')
  await page.keyboard.press('ControlOrMeta+z')
  await expect(lead(page, 'phone')).not.toHaveText('First')
  await expect(lead(page)).toBeFocused()
  await page.keyboard.press('ControlOrMeta+y')
  await expect(lead(page)).toHaveText('First')
  await expect(lead(page)).toBeFocused()
})

test('two tabs type in one paragraph: each sees the other’s words come, and nothing jumps away from the caret', async ({
  page,
  context,
}) => {
  await openLead(page, 'Two hands in words')
  await page.keyboard.type('One and two')
  await saved(page)
  const other = await context.newPage()
  await openContent(other, new URL(page.url()).pathname.split('/')[2]!)
  await lead(other).click()
  await other.keyboard.press('ControlOrMeta+End')
  await other.keyboard.type(' and three')
  await expect(lead(page)).toHaveText('One and two and three')
  await page.keyboard.press('Home')
  await page.keyboard.type('Zero, ')
  await expect(lead(other)).toHaveText('Zero, One and two and three')
  await other.keyboard.type('!')
  for (const one of [page, other]) await expect(lead(one, 'phone')).toHaveText('Zero, One and two and three!')
})

test('the same words are typed in the ledger by the same editor, with its bar at the head', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'In the ledger' }))
  const place = cell(page, 'Hero: Lead')
  await place.click()
  await page.keyboard.type('Plain and ')
  await bar(page).getByRole('button', { name: 'Bold' }).click()
  await page.keyboard.type('bold')
  await expect(lead(page).locator('strong')).toHaveText('bold')
  await page.keyboard.press('ControlOrMeta+Enter')
  await expect(bar(page)).toBeHidden()
  await expect(page.getByRole('textbox', { name: 'Hero: Action, words' })).toBeFocused()
  await expect(place.locator('strong')).toHaveText('bold')
})

test('letters that an input method puts together come whole, and are not disturbed meanwhile', async ({ page, context }) => {
  await openLead(page, 'Composed')
  const client = await context.newCDPSession(page)
  await page.keyboard.press('Delete')
  for (const text of ['に', 'にほ', 'にほん']) {
    await client.send('Input.imeSetComposition', { text, selectionStart: text.length, selectionEnd: text.length })
  }
  await client.send('Input.insertText', { text: '日本' })
  await page.keyboard.type('!')
  await expect(lead(page, 'phone')).toHaveText('日本!')
  await expect(lead(page)).toHaveText('日本!')
})

test('what is dictated comes a phrase at a time, also over what was said before, and the caret goes on after it', async ({ page }) => {
  await openLead(page, 'Dictated')
  // Dictation puts whole phrases in, and puts better ones over them (Input Events 2, insertReplacementText).
  await page.keyboard.insertText('We mend boats')
  await page.keyboard.insertText(' and built')
  for (let n = 0; n < 'built'.length; n++) await page.keyboard.press('Shift+ArrowLeft')
  await page.keyboard.insertText('build them.')
  await page.keyboard.type(' Ring us.')
  await expect(lead(page, 'phone')).toHaveText('We mend boats and build them. Ring us.')
  const heading = sheet(page, 'desktop').getByRole('heading', { level: 1 })
  await heading.click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.insertText('Boats, mended')
  await page.keyboard.insertText(' and sold')
  await expect(cell(page, 'Hero: Heading')).toHaveValue('Boats, mended and sold')
  await saved(page)
})

test('letters that are several, or none to be seen, are kept as they were typed', async ({ page }) => {
  await openLead(page, 'Odd letters')
  // A family of emoji, a mark over a letter, Hebrew in Latin, a joiner, a soft hyphen: nothing is lost, doubled or turned round.
  const odd = 'A👩🏽‍🔧 e\u0301 שלום b\u200bc Werk\u00adstatt'
  await page.keyboard.insertText(odd)
  await expect(lead(page, 'phone')).toContainText('👩🏽‍🔧')
  await cell(page, 'Hero: Heading').fill(odd)
  await saved(page)
  await page.reload()
  await expect(cell(page, 'Hero: Heading')).toHaveValue(odd)
  const words = await lead(page).evaluate((element) => element.textContent!.normalize('NFC'))
  expect(words.replaceAll(/[\u2066-\u2069]/g, '')).toBe(odd.normalize('NFC'))
})

test('whoever leaves words in the ledger and comes back at once goes on where the caret was', async ({ page }) => {
  await openLead(page, 'And back')
  const intro = cell(page, 'Services: Intro')
  await intro.click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type('One')
  await expect(intro).toHaveText('One')
  // All in one task, as keys come that were pressed while the screen was busy.
  await intro.evaluate((element) => {
    document.querySelector<HTMLElement>('[aria-label="Services: Heading"]')!.focus()
    ;(element as HTMLElement).focus()
    document.execCommand('insertText', false, ' two')
  })
  await expect(intro).toHaveText('One two')
})
