import { expect, test } from 'vitest'
import { pagesOf, placeKey, type EditStep, type Place, type SiteDocument } from '../site'
import { NOT_FOUND } from '../fill'
import { findLeftover, findRow, listTab, neighbour, tabOf, type Tab } from '.'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'

const pack = testPack()
const start = testSite({ name: 'Tabs' }).document
const home = pagesOf(start)[0]!.id
const tabs = (document: SiteDocument): Tab[] => [...pagesOf(document).map((p) => p.id), NOT_FOUND, 'shared']
const places = (document: SiteDocument): { place: Place; leftover: boolean; tab: Tab }[] =>
  tabs(document).flatMap((tab) =>
    listTab(pack, document, tab).flatMap((group) => group.listed.map(({ place, leftover }) => ({ place, leftover, tab }))),
  )

/** Fills every leftover but some, facts with what fits them. */
function keepAll(document: SiteDocument, except: (place: Place) => boolean = () => false): SiteDocument {
  const open = places(document).filter((p) => p.leftover && !except(p.place))
  return edited(document, { type: 'batch', edits: open.map(({ place }) => fill(document, place)) })
}

const CLOSED = { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] }
const ADDRESS = { street: 's', locality: 'l', postcode: 'p', country: 'c' }

function fill(document: SiteDocument, place: Place): EditStep {
  if (place.type === 'fact') {
    const value = place.fact === 'hours' ? CLOSED : place.fact === 'address' ? ADDRESS : 'x'
    return { type: 'fact/set', fact: place.fact, value }
  }
  if (place.type === 'page') {
    const { page, part } = place
    if (part === 'address') return { type: 'page/set', page, part: 'addressed', value: true }
    return { type: 'page/set', page, part, value: 'x' }
  }
  if (place.type === 'label') return { type: 'label/set', label: place.label, value: { text: '' } }
  if (place.type !== 'slot') throw new Error(`Nothing is left over in ${placeKey(place)}`)
  const row = findRow(pack, document, place)!
  return { type: 'slot/set', section: place.section, entry: place.entry, slot: place.slot, value: row.placeholder }
}

test('every place is listed once, under the tab it belongs to', () => {
  const all = places(start)
  expect(all.length).toBeGreaterThan(180)
  expect(new Set(all.map((p) => placeKey(p.place))).size).toBe(all.length)
  for (const { place, tab } of all) expect(tabOf(start, place, 'shared')).toBe(tab)
})

test('going from leftover to leftover meets each once and comes round', () => {
  const wanted = places(start)
    .filter((p) => p.leftover)
    .map((p) => placeKey(p.place))
  const met: string[] = []
  let at: Place | null = null
  for (let i = 0; i < wanted.length; i++) {
    at = findLeftover(pack, start, at, home, 1)
    met.push(placeKey(at!))
  }
  expect(met).toEqual(wanted)
  expect(placeKey(findLeftover(pack, start, at, home, 1)!)).toBe(wanted[0])
})

test('going back is the same way in reverse', () => {
  const [first, second] = places(start)
    .filter((p) => p.leftover)
    .map((p) => p.place)
  expect(placeKey(findLeftover(pack, start, second!, home, -1)!)).toBe(placeKey(first!))
})

test('with nothing in hand it begins on the page in sight', () => {
  const services = pagesOf(start).find((p) => p.id === 'services')!
  expect(tabOf(start, findLeftover(pack, start, null, services.id, 1)!, home)).toBe('services')
})

test('where nothing is left, there is no next one; where one is, it is found from anywhere', () => {
  const done = keepAll(start)
  expect(findLeftover(pack, done, null, home, 1)).toBeNull()
  const one = keepAll(start, (place) => place.type === 'slot' && place.section === 'footer' && place.slot === 'legal')
  for (const { place } of places(one)) expect(placeKey(findLeftover(pack, one, place, 'shared', 1)!)).toBe('footer legal')
})

test('the place before and the place after are one step apart, and end with the tab', () => {
  const all = places(start).filter((p) => p.tab === home)
  const of = all.map((p) => p.place)
  expect(neighbour(of, null, 1)).toEqual(of[0])
  expect(neighbour(of, of[0]!, 1)).toEqual(of[1])
  expect(neighbour(of, of[1]!, -1)).toEqual(of[0])
  expect(neighbour(of, of.at(-1)!, 1)).toBeNull()
})
