import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setItem } from '../../../tests/site'
import { placeholdersOf, shownEntries, shownEntrySlot } from '../fill'
import { entriesOf, findSection, plainWords, type SectionId, type SiteDocument } from '../site'
import { priceOf, sortEntries, sortsOf } from '.'

const { pack, document: start } = testSite({ name: 'Client', language: 'sv' })
const id = 'home.services' as SectionId
const titles = (document: SiteDocument): readonly string[] => {
  const section = findSection(document, id)!
  return shownEntries({ section, entries: entriesOf(document, id) }, placeholdersOf(pack, section), 'items').map((entry) =>
    plainWords(shownEntrySlot(entry, 'title')!.value),
  )
}
const count = titles(start).length
const names = ['Öl', 'Zon 10', 'Zon 9', 'åka', 'Älv']
const named = edited(start, ...names.slice(0, count).map((name, i) => setItem(id, i + 1, 'title', name)))

test('entries are sorted by name as the site’s language has it, numbers by their size', () => {
  const sorted = edited(named, sortEntries(pack, named, id, 'items', 'name')!)
  // Swedish puts å, ä, ö last (CLDR root collation tailored for sv).
  const order = ['Zon 9', 'Zon 10', 'åka', 'Älv', 'Öl'].filter((name) => names.slice(0, count).includes(name))
  expect(titles(sorted).filter((name) => names.includes(name))).toEqual(order)
  expect(sortEntries(pack, sorted, id, 'items', 'name')).toBe(null)
})

test('entries are sorted by price, those without one last, equals as they stood', () => {
  const prices = ['from £1,250', 'ask', '£48', '£48']
  const priced = edited(named, ...prices.map((price, i) => setItem(id, i + 1, 'price', price)))
  const [first, second, third, fourth] = titles(priced)
  const sorted = titles(edited(priced, sortEntries(pack, priced, id, 'items', 'price')!))
  expect(sorted.indexOf(third!)).toBeLessThan(sorted.indexOf(fourth!))
  expect(sorted.indexOf(fourth!)).toBeLessThan(sorted.indexOf(first!))
  expect(sorted.at(-1)).toBe(second)
})

test('what a kind’s list can be sorted by', () => {
  expect(sortsOf('services', 'items')).toEqual(['name', 'price'])
  expect(sortsOf('questions', 'items')).toEqual(['name'])
  expect(sortsOf('hero', 'items')).toEqual([])
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
