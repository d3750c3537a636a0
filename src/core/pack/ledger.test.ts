import { expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { applyEdit, findSection, type Edit, type SectionId, type SiteDocument } from '../site'
import { countLeftovers, listItems, pageTexts, sectionPlaceholders, sectionRows, shownFacts, shownValue } from '.'

const pack = testPack()
const services = 'home.services' as SectionId
const edit = (document: SiteDocument, ...edits: Edit[]): SiteDocument => edits.reduce((at, e) => {
  const applied = applyEdit(at, e)
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}, document)
const set = (slot: string, text: string): Edit => ({ type: 'slot/set', section: services, slot, value: { type: 'text', text } })
const start = testSite({ name: 'Client' }).document
const items = (document: SiteDocument): readonly string[] => {
  const section = findSection(document, services)!
  return listItems(section, sectionPlaceholders(pack, document, section), 'items')
}

test('a new site shows the template everywhere, and every place of it is a leftover', () => {
  const rows = sectionRows(pack, start, findSection(start, services)!)
  expect(rows.filter((r) => r.type !== 'list').every((r) => r.leftover)).toBe(true)
  expect(countLeftovers(pack, start).total).toBeGreaterThan(150)
})

test('the total is what every page shares and what each page has', () => {
  const { total, everyPage, byPage } = countLeftovers(pack, start)
  expect(everyPage + Object.values(byPage).reduce((a, b) => a + b, 0)).toBe(total)
})

test('filling one place takes one leftover away; emptying it on purpose does not bring it back', () => {
  const before = countLeftovers(pack, start).total
  expect(countLeftovers(pack, edit(start, set('heading', 'Ours'))).total).toBe(before - 1)
  expect(countLeftovers(pack, edit(start, set('heading', ''))).total).toBe(before - 1)
})

test('a fact that many designs show counts once', () => {
  const before = countLeftovers(pack, start).total
  expect(countLeftovers(pack, edit(start, { type: 'fact/set', fact: 'phone', value: '01632 960000' })).total).toBe(before - 1)
  expect(shownFacts(pack, start)).toEqual(['name', 'tagline', 'phone', 'email', 'address', 'hours'])
})

test('one entry filled leaves the others the template’s; one filled beyond them makes the list longer', () => {
  expect(items(edit(start, set('items/t1/title', 'Ours')))).toEqual(['t1', 't2', 't3', 't4'])
  expect(items(edit(start, set('items/t6/title', 'Ours')))).toHaveLength(6)
})

test('an added entry borrows the template’s words until it is filled', () => {
  const document = edit(start, { type: 'slot/set', section: services, slot: 'items', value: { type: 'list', order: ['t2', 'new1'] } })
  const section = findSection(document, services)!
  const shown = shownValue(section, sectionPlaceholders(pack, document, section), 'items/new1/title')
  expect(shown).toEqual({ value: { type: 'text', text: 'Re-covering' }, leftover: true })
})

test('an entry taken out and put back still has its words', () => {
  const order = (...ids: string[]): Edit => ({ type: 'slot/set', section: services, slot: 'items', value: { type: 'list', order: ids } })
  const document = edit(start, set('items/t2/title', 'Kept'), order('t1', 't3'), order('t1', 't2', 't3'))
  expect(findSection(document, services)!.slots['items/t2/title']).toEqual({ type: 'text', text: 'Kept' })
})

test('a page’s title is made from its name and the client’s; its own words go before', () => {
  const about = start.pages[1]!
  expect(pageTexts(pack, start, about).title).toBe('About – Client')
  const named = edit(start, { type: 'page/set', page: about.id, part: 'name', value: 'The two of us' }).pages[1]!
  expect(pageTexts(pack, start, named)).toMatchObject({ name: 'The two of us', title: 'The two of us – Client' })
})
