import { describe, expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setItem } from '../../../tests/site'
import { contentOf, countLeftovers, fillPage, shownEntries, shownEntrySlot } from '../fill'
import { findSection, homePage, plainWords, type EntryId, type SectionId, type SiteDocument } from '../site'
import { actOnEntries, dateIn, entriesAt, moveEntries, priceOf, resetEntries, sortEntries, sortsOf, withEntryCount, type EntryAct } from '.'

const site = testSite({ name: 'Client', language: 'sv' })
const { pack, document: start } = site
const id = 'home.services' as SectionId
const at = { section: id, list: 'items' }
const titles = (document: SiteDocument): readonly string[] => {
  const section = findSection(document, id)!
  return shownEntries(contentOf(pack, document, section), 'items').map((entry) => plainWords(shownEntrySlot(entry, 'title')!.value))
}
const count = titles(start).length
const names = ['Öl', 'Zon 10', 'Zon 9', 'åka', 'Älv']
const named = edited(start, ...names.slice(0, count).map((name, i) => setItem(id, i + 1, 'title', name)))

test('entries are sorted by name as the site’s language has it, numbers by their size', () => {
  const sorted = edited(named, sortEntries(pack, named, at, 'name')!)
  // Swedish puts å, ä, ö last (CLDR root collation tailored for sv).
  const order = ['Zon 9', 'Zon 10', 'åka', 'Älv', 'Öl'].filter((name) => names.slice(0, count).includes(name))
  expect(titles(sorted).filter((name) => names.includes(name))).toEqual(order)
  expect(sortEntries(pack, sorted, at, 'name')).toBe(null)
})

test('entries are sorted by price, those without one last, equals as they stood', () => {
  const prices = ['from £1,250', 'ask', '£48', '£48']
  const priced = edited(named, ...prices.map((price, i) => setItem(id, i + 1, 'price', price)))
  const [first, second, third, fourth] = titles(priced)
  const sorted = titles(edited(priced, sortEntries(pack, priced, at, 'price')!))
  expect(sorted.indexOf(third!)).toBeLessThan(sorted.indexOf(fourth!))
  expect(sorted.indexOf(fourth!)).toBeLessThan(sorted.indexOf(first!))
  expect(sorted.at(-1)).toBe(second)
})

test('what a list can be sorted by: by date where two of its entries tell of one', () => {
  expect(sortsOf(pack, start, at)).toEqual(['name', 'price'])
  expect(sortsOf(pack, start, { section: 'home.hero' as SectionId, list: 'items' })).toEqual([])
  expect(sortsOf(pack, start, { section: 'gone' as SectionId, list: 'items' })).toEqual([])
  const one = edited(start, setItem(id, 1, 'note', 'since May 2019'))
  expect(sortsOf(pack, one, at)).toEqual(['name', 'price'])
  expect(sortsOf(pack, edited(one, setItem(id, 2, 'note', '3 juni 2020')), at)).toEqual(['name', 'price', 'date'])
})

test('entries are sorted by date, the newest first; pressed again, the earliest first; what has none stays last', () => {
  const dates = ['5 maj 2019', '2020-01-31', 'snart']
  const dated = edited(named, ...dates.map((date, i) => setItem(id, i + 1, 'note', date)))
  const [first, second] = titles(dated)
  const sorted = edited(dated, sortEntries(pack, dated, at, 'date')!)
  expect(titles(sorted).slice(0, 2)).toEqual([second, first])
  const again = edited(sorted, sortEntries(pack, sorted, at, 'date')!)
  expect(titles(again).slice(0, 2)).toEqual([first, second])
})

// Month names are CLDR's, by Intl; the numeric form is ISO 8601; which comes first, day or month, is common practice, no source.
test.each([
  ['2024-03-05', 'en', { year: 2024, month: 3, day: 5 }],
  ['5.3.2024', 'de', { year: 2024, month: 3, day: 5 }],
  ['on 5/3/2024', 'en-GB', { year: 2024, month: 3, day: 5 }],
  ['3/5/2024', 'en-US', { year: 2024, month: 3, day: 5 }],
  ['5 March 2024', 'en', { year: 2024, month: 3, day: 5 }],
  ['March 5, 2024', 'en', { year: 2024, month: 3, day: 5 }],
  ['5. März 2024', 'de', { year: 2024, month: 3, day: 5 }],
  ['5 mars 2024', 'fr', { year: 2024, month: 3, day: 5 }],
  ['1er août 2024', 'fr', { year: 2024, month: 8, day: 1 }],
  ['5 марта 2024', 'ru', { year: 2024, month: 3, day: 5 }],
  ['March 2024', 'en', { year: 2024, month: 3, day: 1 }],
  ['Sept 2024', 'en', { year: 2024, month: 9, day: 1 }],
  ['December', 'en', { year: null, month: 12, day: 1 }],
  ['since 1987', 'en', { year: 1987, month: 1, day: 1 }],
  ['marching on', 'en', null],
  ['31.13.2024', 'de', null],
  ['room 204', 'en', null],
  ['', 'en', null],
])('the date in “%s” (%s)', (words, language, found) => {
  expect(dateIn(words, language)).toEqual(found)
})

describe('entries, one or many at once', () => {
  const keys = (document: SiteDocument): readonly string[] => entriesAt(pack, document, at).map(({ key }) => key)
  let made = 0
  const newId = (): EntryId => `made-${++made}` as EntryId
  const act = (document: SiteDocument, chosen: readonly string[], how: EntryAct): SiteDocument => {
    const edit = actOnEntries(pack, document, at, chosen, how, newId)
    return edit ? edited(document, edit) : document
  }
  const [a, b, c, d] = keys(named) as [string, string, string, string]

  test('are copied together, after the last of them', () => {
    const copied = act(named, [a, c], 'copy')
    expect(keys(copied).filter((key) => !key.startsWith('made'))).toEqual(keys(named))
    expect(titles(copied)).toEqual([...titles(named).slice(0, 3), titles(named)[0], titles(named)[2], ...titles(named).slice(3)])
  })

  test('are hidden where they stand: no visitor sees them, nothing is open in them, and shown again they are as they were', () => {
    const hidden = act(start, [b, c], 'hide')
    const drawn = (document: SiteDocument): string => JSON.stringify(fillPage({ ...site, document }, homePage(document)))
    expect(drawn(hidden)).not.toContain(titles(start)[1])
    expect(drawn(hidden)).toContain(titles(start)[0])
    const open = (document: SiteDocument): number => countLeftovers(pack, document).total
    expect(open(hidden)).toBeLessThan(open(start) - 3)
    expect(act(hidden, [b, c], 'show').entries).toEqual(start.entries)
    expect(actOnEntries(pack, hidden, at, [b], 'hide', newId)).toBeNull()
  })

  test('go up, down and elsewhere together', () => {
    expect(keys(act(named, [b, d], 'up')).slice(0, 4)).toEqual([b, d, a, c])
    expect(keys(act(named, [a, b], 'down')).slice(0, 3)).toEqual([c, a, b])
    expect(actOnEntries(pack, named, at, [a], 'up', newId)).toBeNull()
    expect(actOnEntries(pack, named, at, [keys(named).at(-1)!], 'down', newId)).toBeNull()
    const moved = edited(named, moveEntries(pack, named, at, [c, d], a)!)
    expect(keys(moved).slice(0, 4)).toEqual([c, d, a, b])
    expect(keys(edited(named, moveEntries(pack, named, at, [a], null)!)).at(-1)).toBe(a)
    expect(moveEntries(pack, named, at, [a], b)).toBeNull()
    expect(moveEntries(pack, named, at, ['gone'], b)).toBeNull()
  })

  test('are taken out, and put back as the template has them', () => {
    const out = act(act(act(named, [a, b], 'out'), [c], 'hide'), [d], 'copy')
    expect(keys(out)).not.toContain(a)
    const back = edited(out, resetEntries(out, at))
    expect(keys(back)).toEqual(keys(start))
    expect(entriesAt(pack, back, at).some(({ hidden }) => hidden)).toBe(false)
  })

  test('are tried with any number, without the site being changed', () => {
    for (const wanted of [1, 2, 12]) expect(keys(withEntryCount(pack, named, at, wanted))).toHaveLength(wanted)
    expect(titles(withEntryCount(pack, named, at, 12)).slice(0, count)).toEqual(titles(named))
  })
})

// How amounts are written, by CLDR's number formats: en, de, fr, de-CH.
test.each([
  ['from £1,250.50', 1250.5],
  ['1.250,50 €', 1250.5],
  ['1\u202f250,50 €', 1250.5],
  ['CHF 1’250.–', 1250],
  ['£48 first visit, 45 minutes', 48],
  ['12,5', 12.5],
  ['1 250 kr', 1250],
  ['ask', Infinity],
])('“%s” is %d', (words, price) => expect(priceOf(words)).toBe(price))
