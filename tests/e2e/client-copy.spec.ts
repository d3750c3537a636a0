import { expect, test, type Locator, type Page } from './test'
import { cell, leftovers, makeJob, openContent, saved, sheet, tab } from './screen'

/**
 * What a hand and a head take for one thing, in seconds (Card, Moran and Newell, The Keystroke-Level Model, 1980; the values from memory):
 * a key of somebody who is no typist, pointing, pressing a button of the mouse, going from keys to mouse, and thinking what to do next.
 */
const KEY = 0.28
const POINT = 1.1
const BUTTON = 0.1
const HOME = 0.4
const THINK = 1.35

/** Somebody new to the screen, who thinks before each thing that is done, with the client's document beside it. */
class Operator {
  seconds = 0
  constructor(private readonly page: Page) {}

  async click(on: Locator): Promise<void> {
    this.seconds += THINK + HOME + POINT + 2 * BUTTON
    await on.click()
  }

  async press(...keys: readonly string[]): Promise<void> {
    for (const key of keys) {
      this.seconds += key.split('+').length * KEY
      await this.page.keyboard.press(key)
    }
  }

  /** Goes over to the document, chooses words from their beginning to their end, copies them, comes back and pastes them. */
  async bring(words: string): Promise<void> {
    this.seconds += THINK + 2 * KEY + HOME + 2 * (POINT + BUTTON) + 2 * KEY + 2 * KEY
    await this.page.evaluate((text) => navigator.clipboard.writeText(text), words)
    await this.press('ControlOrMeta+v')
  }
}

const SERVICES = [
  ['Resoling', 'Leather or rubber, stitched where the shoe was stitched and glued where it was glued. Ready within the week.', '£48'],
  ['Heels', 'Blocks rebuilt and topped, in pairs, so that you stand level. While you wait if the shop is quiet.', 'from £14'],
  ['Stitching', 'Uppers that have come away from their soles, sewn by hand through the old holes.', 'from £12'],
  ['Zips and straps', 'Boot zips, straps and buckles, matched from the drawers.', 'from £18'],
  ['Cleaning', 'Salt, wine and worse, taken out of leather and suede; then fed, polished and laced anew.', '£16'],
]
const QUOTES = [
  [
    'I have had these boots for eleven years and they have had four soles here. They fit better than the day I bought them.',
    'H. Amsel',
    'walking boots',
  ],
  ['Told me the repair would cost more than the shoes, and then told me where to buy better ones.', 'Priya N.', 'office shoes'],
  ['You would never know which of the two buckles is new.', 'Tom Varley', 'a pair of sandals'],
]
const QUESTIONS = [
  ['How long does it take?', 'Most soles take five working days. Heels are done while you wait, or by the next morning.'],
  ['Can trainers be mended?', 'Often. If the foam has gone to crumbs we say so, and charge nothing.'],
  ['Do you mend bags?', 'Handles, zips and linings, yes. We do not dye them, because nobody likes how it wears.'],
  ['Is there parking?', 'Two bays outside the door, free for twenty minutes.'],
]
const LEAD =
  'We mend shoes and boots at a bench in the covered market. Bring them in a bag or on your feet; you get a price before anything is cut.'
const STORY = [
  'The stall has been in the family since the market had a roof of canvas.',
  'I learned on the winter nights when nobody came, taking apart what could not be sold.\nWe keep lasts for forty families.',
  'If you have walked through three pairs with us, we have yours.',
].join(' ')
const ABOUT = [
  'My grandfather set up a bench between the fish and the flowers in 1951, with two lasts, a stitching machine bought on tick, and a sign',
  'that he painted himself.\nWhat has changed is the glue. What has not is that a shoe which was made well can be made well again, two or',
  'three times over, for less than a bad new one costs. I still keep the first pair that I ruined in the window, so that nobody thinks it',
  'is easy.',
].join(' ')
const OPENING = 'Every repair is written on a ticket with its price and its day, and if we cannot keep the day we ring.'
const table = (rows: readonly (readonly string[])[]): string => rows.map((row) => row.join('\t')).join('\n')

test('a page of a client’s copy is in place in under two minutes of a new hand’s time: no leftover, no line too many at any width', async ({
  page,
}) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  const facts = { tagline: 'Shoes mended in the covered market', phone: '01632 960188', email: 'bench@amsel-shoes.example' }
  await openContent(page, await makeJob({ name: 'Amsel Shoes', facts }))
  const all = [LEAD, STORY, ABOUT, OPENING, ...[...SERVICES, ...QUOTES, ...QUESTIONS].flat()].join(' ').split(/\s+/).length
  expect(all).toBeGreaterThan(400)
  const operator = new Operator(page)
  const pour = page.getByRole('button', { name: /^Fill \d/ })

  await operator.click(cell(page, 'Hero: Heading'))
  await operator.bring('Good shoes deserve a second sole')
  await operator.click(cell(page, 'Hero: Lead'))
  await operator.bring(LEAD)
  await operator.click(cell(page, 'Services: 1 title'))
  await operator.bring(table(SERVICES))
  await operator.click(pour)
  await operator.click(cell(page, 'Story: Body'))
  await operator.bring(STORY)
  await operator.click(cell(page, 'Testimonials: 1 quote'))
  await operator.bring(table(QUOTES))
  await operator.click(pour)
  await operator.click(tab(page, 'About'))
  await operator.click(cell(page, 'Story: Body'))
  await operator.bring(ABOUT)
  await operator.click(tab(page, 'Services'))
  await operator.click(cell(page, 'Title: Lead'))
  await operator.bring(OPENING)
  await operator.click(cell(page, 'Questions: 1 question'))
  await operator.bring(table(QUESTIONS))
  await operator.click(pour)
  // What the client said nothing of is not needed, all over the site.
  await operator.click(tab(page, 'All places'))
  await operator.click(page.getByRole('button', { name: /^Show:/ }))
  await operator.click(page.getByRole('menuitemradio', { name: /^Leftovers/ }))
  await operator.click(page.locator('[data-ledger] [data-row]').first())
  await operator.press('Escape', 'ControlOrMeta+a')
  const chosen = page.getByRole('toolbar', { name: 'Chosen places' })
  await operator.click(chosen.getByRole('button', { name: 'Not needed' }))
  // What pages are called and where they stand is as the template has it.
  await operator.click(chosen.getByRole('button', { name: 'Keep or confirm' }))
  await expect.poll(() => leftovers(page)).toBe(0)
  await saved(page)
  expect(operator.seconds).toBeLessThan(120)
  expect(operator.seconds).toBeGreaterThan(60)

  await chosen.getByRole('button', { name: 'Deselect' }).click()
  // Lines of every page are counted: one that is too long is marked on its tab.
  await page.getByRole('button', { name: /^Show:/ }).click()
  await page.getByRole('menuitemradio', { name: /^All/ }).click()
  await cell(page, 'Questions: 1 question').fill(`${QUESTIONS[0]?.[0]} ${ABOUT}`.slice(0, 300))
  await expect(tab(page, 'Services')).toContainText('▲1')
  await page.getByRole('banner').getByRole('button', { name: /^Undo/ }).click()
  await page.getByRole('button', { name: /^Show:/ }).click()
  await page.getByRole('menuitemradio', { name: /^Longer than/ }).click()
  await expect(page.getByText('No place here is of that kind.')).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Pages' })).not.toContainText('▲')
  await tab(page, 'Home').click()
  const phone = sheet(page, 'phone')
  for (const words of ['Good shoes deserve a second sole', ...SERVICES.map(([name = '']) => name), ...QUOTES.map(([, who = '']) => who)])
    await expect(phone.getByText(words, { exact: true })).toBeVisible()
  await tab(page, 'Services').click()
  for (const [question = ''] of QUESTIONS) await expect(phone.getByText(question)).toBeVisible()
  test.info().annotations.push({ type: 'operator time', description: `${operator.seconds.toFixed(1)} s for ${all} words` })
})
