import { expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setItem, setSlot, setText } from '../../../tests/site'
import { listPlaceholders } from '../pack'
import {
  findPage,
  findSection,
  pagesOf,
  type Edit,
  type EntryId,
  type RichBlock,
  type RichText,
  type SectionId,
  type SiteDocument,
  type SlotValue,
} from '../site'
import {
  contentOf,
  countedText,
  countLeftovers,
  fillSection,
  pageTexts,
  placeholdersOf,
  sectionRows,
  shownEntries,
  shownEntrySlot,
  shownFacts,
  type ShownEntry,
} from '.'

const pack = testPack()
const services = 'home.services' as SectionId
const start = testSite({ name: 'Client' }).document
const items = (document: SiteDocument): readonly ShownEntry[] => {
  const section = findSection(document, services)!
  return shownEntries(contentOf(pack, document, section), 'items')
}
const mine = { list: 'items', id: 'mine' as EntryId }
const add: Edit = { type: 'entry/insert', section: services, entry: mine, rank: 'a1V', slots: {} }

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
  expect(countLeftovers(pack, edited(start, setText(services, 'heading', 'Ours'))).total).toBe(before - 1)
  expect(countLeftovers(pack, edited(start, setText(services, 'heading', ''))).total).toBe(before - 1)
  expect(countLeftovers(pack, edited(start, setItem(services, 1, 'title', 'Ours'))).total).toBe(before - 1)
})

test('a page without a description of its own is a leftover, and counts on that page', () => {
  const before = countLeftovers(pack, start)
  const after = countLeftovers(pack, edited(start, { type: 'page/set', page: 'about' as never, part: 'description', value: 'Ours' }))
  expect(after.byPage.about).toBe(before.byPage.about! - 1)
  expect(after.total).toBe(before.total - 1)
})

test('what is kept of a count is the count made anew, whatever is done', () => {
  let document = start
  const steps: Edit[] = [
    setText('home.hero', 'heading', 'a'),
    setItem(services, 2, 'title', 'b'),
    add,
    { type: 'section/set', section: services, part: 'design', value: 'line' },
    { type: 'section/move', section: services, in: { type: 'page', page: 'about' as never }, rank: 'a0V' },
    { type: 'page/remove', page: 'gallery' as never },
  ]
  for (const step of steps) {
    document = edited(document, step)
    const anew = structuredClone(document)
    expect(countLeftovers(pack, document)).toEqual(countLeftovers(pack, anew))
  }
})

test('a fact that many designs show counts once', () => {
  const before = countLeftovers(pack, start).total
  expect(countLeftovers(pack, edited(start, { type: 'fact/set', fact: 'phone', value: '01632 960000' })).total).toBe(before - 1)
  expect(shownFacts(pack, start)).toEqual(['name', 'tagline', 'phone', 'email', 'address', 'hours'])
})

test('one entry filled leaves the others the template’s; one filled beyond them makes the list longer', () => {
  expect(items(edited(start, setItem(services, 1, 'title', 'Ours')))).toHaveLength(4)
  expect(items(edited(start, setItem(services, 6, 'title', 'Ours')))).toHaveLength(6)
})

test('an added entry stands where it was put, and borrows the words of the template’s first until it is filled', () => {
  const entries = items(edited(start, add))
  expect(entries.map((e) => e.key)).toEqual([
    'home.services items 1',
    'home.services items 2',
    'mine',
    'home.services items 3',
    'home.services items 4',
  ])
  const [first, , added] = entries
  expect(shownEntrySlot(added!, 'title')).toEqual({ value: shownEntrySlot(first!, 'title')!.value, leftover: true })
})

test('each entry of the template’s shows its own words; one beyond them borrows in turn', () => {
  const titles = items(start).map((entry) => shownEntrySlot(entry, 'title')!.value)
  const own = listPlaceholders(placeholdersOf(pack, findSection(start, services)!)).filter(({ at }) => at.endsWith(', title'))
  expect(titles).toEqual(own.map(({ value }) => value))
  expect(new Set(titles.map((title) => JSON.stringify(title))).size).toBe(4)
  const sixth = items(edited(start, setItem(services, 6, 'note', 'x')))[5]!
  expect(shownEntrySlot(sixth, 'title')!.value).toEqual(shownEntrySlot(items(start)[1]!, 'title')!.value)
})

test('an entry taken out leaves the others, and put back it still has its words', () => {
  const filled = edited(start, setItem(services, 2, 'title', 'Kept'))
  const at = { section: services, entry: { list: 'items', nth: 2 } }
  const without = edited(filled, { type: 'entry/remove', ...at })
  expect(items(without)).toHaveLength(3)
  const back = edited(without, { type: 'entry/insert', ...at, rank: 'a1', slots: {} })
  expect(shownEntrySlot(items(back)[1]!, 'title')).toEqual({ value: { type: 'text', text: 'Kept' }, leftover: false })
})

test('a list that was arranged by hand has as many entries as then, whatever the template has', () => {
  expect(items(edited(start, setSlot(services, 'items', { type: 'list', of: 2 })))).toHaveLength(2)
  expect(items(edited(start, setSlot(services, 'items', { type: 'list', of: 0 })))).toHaveLength(0)
})

test('a section whose design is not here leaves a gap that says so, and everything beside it is drawn', () => {
  const site = { ...testSite({}, {}, 'sheet'), document: start }
  const gone = { ...findSection(start, services)!, design: 'unheard-of' }
  const filled = fillSection({ site, page: pagesOf(start)[0]! }, gone)
  expect(filled).toEqual({ id: services, root: null, gap: { type: 'noDesign', name: 'services/unheard-of' } })
  expect(sectionRows(pack, start, gone)).toEqual([])
})

test('a page’s own texts go over the template’s, and a title is made where there is none', () => {
  const about = findPage(start, 'about')!
  expect(pageTexts(pack, start, about)).toMatchObject({ name: 'About', title: 'About – Client' })
  const named = edited(start, { type: 'page/set', page: about.id, part: 'name', value: 'Us' })
  expect(pageTexts(pack, named, findPage(named, 'about')!)).toMatchObject({ name: 'Us', title: 'Us – Client' })
})

test('lines are counted in paragraphs and lists, each entry with the lists that it stands in; not in what has more sizes than one', () => {
  const site = testSite({ name: 'Client' })
  const text = (value: SlotValue | undefined): unknown => countedText(site, value)
  const li = (words: string, more: object = {}): RichBlock => ({ type: 'li', runs: [{ text: words }], ...more })
  expect(text({ type: 'text', text: 'One' })).toEqual({ words: 'One', lists: [] })
  expect(text({ type: 'link', label: 'Ask', to: { type: 'fact', fact: 'phone' } })).toEqual({ words: 'Ask', lists: [] })
  const rich: RichText = [
    { type: 'p', runs: [{ text: 'Two\nlines by ' }, { fact: 'name' }] },
    li('a'),
    li('b', { depth: 1, number: true }),
    li('c'),
  ]
  expect(text({ type: 'rich', rich })).toEqual({
    words: 'Two\nlines by Client\na\nb\nc',
    lists: [[], [], ['ul'], ['ul', 'ol'], ['ul']],
  })
  expect(text({ type: 'rich', rich: [...rich, { type: 'heading', runs: [{ text: 'Sub' }] }] })).toBe(null)
})
