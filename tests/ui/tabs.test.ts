import { expect, test } from 'vitest'
import { applyEdit, type EditStep, type SiteDocument } from '../../src/core/site'
import { findLeftover, groupPlaces, placeOfEdit, rowKey, tabGroups, tabOf, type RowPlace, type Tab } from '../../src/ui/content/tabs'
import { testPack, testSite } from '../pack'

const pack = testPack()
const start = testSite({ name: 'Tabs' }).document
const tabs = (document: SiteDocument): Tab[] => [...document.pages.map((p) => p.id), 'shared']
const places = (document: SiteDocument): { place: RowPlace; leftover: boolean; tab: Tab }[] =>
  tabs(document).flatMap((tab) => tabGroups(pack, document, tab).flatMap((g) => groupPlaces(document, g)).map((p) => ({ ...p, tab })))

function keepAll(document: SiteDocument, except: (place: RowPlace) => boolean = () => false): SiteDocument {
  const edits = places(document).filter((p) => p.leftover && !except(p.place)).map(({ place }): EditStep => {
    if (place.type === 'fact') return { type: 'fact/set', fact: place.fact, value: place.fact === 'hours' ? { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] } : place.fact === 'address' ? { street: 's', locality: 'l', postcode: 'p', country: 'c' } : 'x' }
    if (place.type === 'page') return { type: 'page/set', page: place.page, part: 'description', value: 'x' }
    if (place.type === 'brand') return { type: 'brand/set', part: place.part, value: null }
    const row = tabGroups(pack, document, tabOf(document, place)).flatMap((g) => (g.type === 'section' ? g.rows : [])).find((r) => r.section.id === place.section && r.path === place.slot)!
    return { type: 'slot/set', section: place.section, slot: place.slot, value: row.placeholder }
  })
  const applied = applyEdit(document, { type: 'batch', edits })
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}

test('every place is listed once, under the tab it belongs to', () => {
  const all = places(start)
  expect(all.length).toBeGreaterThan(180)
  expect(new Set(all.map((p) => rowKey(p.place))).size).toBe(all.length)
  for (const { place, tab } of all) expect(tabOf(start, place)).toBe(tab)
})

test('going from leftover to leftover meets each once and comes round', () => {
  const wanted = places(start).filter((p) => p.leftover).map((p) => rowKey(p.place))
  const met: string[] = []
  let at: RowPlace | null = null
  for (let i = 0; i < wanted.length; i++) {
    at = findLeftover(pack, start, at, start.pages[0]!.id, 1)
    met.push(rowKey(at!))
  }
  expect(met).toEqual(wanted)
  expect(rowKey(findLeftover(pack, start, at, start.pages[0]!.id, 1)!)).toBe(wanted[0])
})

test('going back is the same way in reverse', () => {
  const [first, second] = places(start).filter((p) => p.leftover).map((p) => p.place)
  expect(rowKey(findLeftover(pack, start, second!, start.pages[0]!.id, -1)!)).toBe(rowKey(first!))
})

test('with nothing in hand it begins on the page in sight', () => {
  const services = start.pages.find((p) => p.id === 'services')!
  expect(tabOf(start, findLeftover(pack, start, null, services.id, 1)!)).toBe('services')
})

test('where nothing is left, there is no next one; where one is, it is found from anywhere', () => {
  const done = keepAll(start)
  expect(findLeftover(pack, done, null, done.pages[0]!.id, 1)).toBeNull()
  const one = keepAll(start, (place) => place.type === 'slot' && place.section === 'footer' && place.slot === 'legal')
  for (const { place } of places(one)) expect(rowKey(findLeftover(pack, one, place, 'shared', 1)!)).toBe('footer legal')
})

test('an edit’s place is the one the ledger lists; of a batch the first', () => {
  expect(placeOfEdit({ type: 'brand/set', part: 'logo', value: null })).toEqual({ type: 'brand', part: 'logo' })
  expect(placeOfEdit({ type: 'batch', edits: [{ type: 'fact/set', fact: 'name', value: 'x' }, { type: 'brand/set', part: 'logo', value: null }] })).toEqual({ type: 'fact', fact: 'name' })
  expect(placeOfEdit({ type: 'batch', edits: [] })).toBeNull()
})
