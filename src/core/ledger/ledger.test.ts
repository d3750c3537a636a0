import { describe, expect, test } from 'vitest'
import { plainWords, type EditStep, type EntryId, type PageId, type SectionId, type SiteDocument, type SlotPlace } from '../site'
import { readPasted } from '../fill'
import {
  changedSince,
  emptyAll,
  fillDown,
  findRow,
  groupByKind,
  isWanted,
  listTab,
  placesOfFact,
  pourDown,
  settleAll,
  describeEdit,
  SHOWS,
  toTable,
  toTsv,
  wordsListed,
  type Known,
  type Listed,
  type Shows,
} from '.'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'

const pack = testPack()
const start = testSite({ name: 'Ledger' }).document
const all = (document: SiteDocument): readonly Listed[] => listTab(pack, document, 'site').flatMap((group) => group.listed)
const known = (document: SiteDocument, more: Partial<Known> = {}): Known => ({
  pack,
  document,
  isLong: () => false,
  changed: null,
  ...more,
})

/** The keys of all places that a filter shows. */
function shown(document: SiteDocument, show: Shows, words = '', more: Partial<Known> = {}): readonly string[] {
  return listTab(pack, document, 'site').flatMap((group) =>
    group.listed.filter((one) => isWanted({ show, words }, group, one, known(document, more))).map(({ key }) => key),
  )
}

const hero = all(start).find(({ row, name }) => row?.type === 'text' && name === 'Heading')!
const set = (listed: Listed, text: string): EditStep => ({ type: 'slot/set', ...at(listed), value: { type: 'text', text } })
const at = ({ place }: Listed): Pick<SlotPlace, 'section' | 'entry' | 'slot'> => {
  const { section, entry, slot } = place as SlotPlace
  return { section, entry, slot }
}

describe('the whole site', () => {
  test('lists each place once, whatever tab it stands under', () => {
    const keys = all(start).map(({ key }) => key)
    expect(keys.length).toBeGreaterThan(180)
    expect(new Set(keys).size).toBe(keys.length)
  })

  test('what stayed the same is the very group of before, so that typing draws one group anew', () => {
    const next = edited(start, set(hero, 'Boats'))
    const [before, after] = [listTab(pack, start, 'site'), listTab(pack, next, 'site')]
    expect(after.filter((group, i) => group !== before[i])).toHaveLength(1)
  })

  test('all of a kind together has every place once too, headings with headings', () => {
    const kinds = groupByKind(listTab(pack, start, 'site'))
    const keys = kinds.flatMap((kind) => kind.listed.map(({ key }) => key))
    expect(keys.toSorted()).toEqual(
      all(start)
        .map(({ key }) => key)
        .toSorted(),
    )
    const headings = kinds.find(({ title }) => title === 'Heading')!
    expect(headings.listed.length).toBeGreaterThan(3)
    expect(headings.listed.every(({ place }) => place.type === 'slot' && place.slot === 'heading')).toBe(true)
    expect(headings.listed[0]!.name).toMatch(/^.+: [A-Z]/)
  })
})

describe('a filter', () => {
  test('shows what it says, and each place is among what it is', () => {
    const filled = edited(start, { type: 'batch', edits: [set(hero, 'Boats'), ...emptyAll([all(start)[3]!])] })
    expect(shown(filled, 'all')).toHaveLength(all(filled).length)
    expect(shown(filled, 'leftovers')).not.toContain(hero.key)
    expect(shown(start, 'leftovers')).toContain(hero.key)
    expect(shown(filled, 'empty')).toEqual([all(start)[3]!.key])
    expect(shown(filled, 'drafts')).toEqual([])
    expect(shown(filled, 'long', '', { isLong: (key) => key === hero.key })).toEqual([hero.key])
    const pictures = shown(filled, 'pictures').map((key) => all(filled).find((one) => one.key === key)!)
    expect(pictures.length).toBeGreaterThan(3)
    expect(pictures.every(({ row, place }) => row?.type === 'image' || place.type === 'brand')).toBe(true)
    expect(shown(filled, 'links').length).toBeGreaterThan(2)
  })

  test('finds words in what a place is called and in what it says, whatever letters they are typed in', () => {
    const filled = edited(start, set(hero, 'Bäckerei am Fluss'))
    expect(shown(filled, 'all', 'backerei FLUSS')).toEqual([hero.key])
    expect(shown(filled, 'all', 'backerei heading')).toEqual([hero.key])
    expect(shown(filled, 'all', 'constructor __proto__')).toEqual([])
  })

  test('shows what is not as it was published: what was written over, and all that stands in what was added', () => {
    const later = edited(start, set(hero, 'Boats'))
    expect(shown(later, 'changed', '', { changed: changedSince(start, later) })).toEqual([hero.key])
    expect([...changedSince(later, later)]).toEqual([])
    expect([...changedSince(later, start)]).toEqual([hero.key])
    const { section, entry } = all(start).find(({ row }) => row?.entry)!.place as SlotPlace
    const added: EditStep = {
      type: 'entry/insert',
      section,
      entry: { list: entry!.list, id: 'added-one' as EntryId },
      rank: 'zz',
      slots: { title: { type: 'text', text: 'Anew' } },
    }
    expect([...changedSince(start, edited(start, added))]).toEqual([`${section} ${entry!.list} :added-one title`])
  })

  test('has a number for every sort', () => {
    for (const show of SHOWS) expect(Array.isArray(shown(start, show))).toBe(true)
  })
})

describe('a fact', () => {
  const places = (document: SiteDocument, fact: 'phone' | 'name' | 'special'): number => placesOfFact(pack, document, fact).places

  test('is said to show where designs show it, where words have it as a chip and where a link leads to it, each once', () => {
    const before = places(start, 'phone')
    expect(before).toBeGreaterThan(1)
    expect(placesOfFact(pack, start, 'phone').everyPage).toBe(true)
    const intro = all(start).find(({ row, place }) => row?.type === 'rich' && !row.entry && place.type === 'slot' && !place.entry)!
    const chip: EditStep = {
      type: 'slot/set',
      ...at(intro),
      value: { type: 'rich', rich: [{ type: 'p', runs: [{ text: 'Call ' }, { fact: 'phone' }, { text: ' or ' }, { fact: 'phone' }] }] },
    } as EditStep
    const spoken = edited(start, chip)
    expect(places(spoken, 'phone') - places(edited(start, { ...chip, value: { type: 'rich', rich: [] } } as EditStep), 'phone')).toBe(2)
    expect(places(start, 'special')).toBe(0)
  })
})

describe('what was done', () => {
  const said = (edit: EditStep): string => Object.values(describeEdit(pack, start, edit)).join(' ')

  test('is told by place and page, and of what is gone by its kind', () => {
    expect(said(set(hero, 'Boats'))).toBe('wrote Heading of hero on Home')
    const item = all(start).find(({ row }) => row?.entry?.number === 2)!
    expect(said(set(item, 'Soles'))).toMatch(/^wrote .+ of entry 2, services on Home$/)
    expect(said({ type: 'fact/set', fact: 'phone', value: 'x' })).toBe('set a fact Telephone')
    expect(said({ type: 'page/set', page: 'about' as PageId, part: 'description', value: 'x' })).toBe('changed a page Description of About')
    expect(said({ type: 'section/remove', section: 'gone' as SectionId })).toBe('removed a section a section that is gone')
    const { section, entry } = item.place as SlotPlace
    expect(said({ type: 'entry/set', section, entry: entry!, part: 'hidden', value: null })).toBe(
      'showed an entry entry 2 of services on Home',
    )
  })

  test('is what was meant, not what goes along with it', () => {
    const { section, entry } = all(start).find(({ row }) => row?.entry?.number === 2)!.place as SlotPlace
    const { deed, where } = describeEdit(pack, start, {
      type: 'batch',
      edits: [
        { type: 'slot/set', section, entry: null, slot: entry!.list, value: { type: 'list', of: 4 } },
        { type: 'entry/remove', section, entry: entry! },
      ],
    })
    expect([deed, where]).toEqual(['removed an entry', 'entry 2 of services on Home, 2 changes in all'])
  })
})

describe('a range', () => {
  const section = listTab(pack, start, 'site').find(({ listed }) => new Set(listed.map(({ row }) => row?.entry?.key)).size > 3)!
  const entries = section.listed.filter(({ row }) => row?.entry && (row.type === 'text' || row.type === 'rich'))

  test('comes out as a table that is poured back in as it was', () => {
    const table = toTable(pack, start, section.listed)
    expect(table.length).toBeGreaterThan(3)
    expect(readPasted(toTsv(table), true)).toEqual(table.map((row) => row.map((cell) => cell.trim())))
    const fields = new Set(entries.map(({ place }) => place.type === 'slot' && place.slot)).size
    expect(table.at(-1)).toHaveLength(fields)
  })

  test('is filled down with the value of its first, and with its words where the places are of two types', () => {
    const edits = fillDown([hero, ...entries], (listed) => wordsListed(pack, start, listed))
    const next = edited(start, { type: 'batch', edits })
    expect(edits).toHaveLength(entries.length)
    for (const { place } of entries)
      expect(place.type === 'slot' && plainWords(findRow(pack, next, place)!.value!)).toBe(wordsListed(pack, start, hero))
    expect(fillDown([], () => '')).toEqual([])
  })

  test('takes cells one by one, past places that take no words, and leaves those of blank cells', () => {
    const places = section.listed.filter(({ row }) => row?.type !== 'list')
    const takers = places.filter(({ row }) => row?.type === 'text' || row?.type === 'rich')
    const poured = pourDown(places, ['one', '', 'three'])!
    const next = edited(start, { type: 'batch', edits: poured.edits })
    const now = takers.slice(0, 3).map(({ place }) => place.type === 'slot' && findRow(pack, next, place)!.value)
    expect(now.map((value) => value && plainWords(value))).toEqual(['one', null, 'three'])
    expect(pourDown(takers.slice(0, 2), ['a', 'b', 'c', '', 'e'])!.left).toBe(2)
    expect(pourDown(places, ['', ''])).toBeNull()
  })

  test('is kept or emptied as one', () => {
    const kept = edited(start, { type: 'batch', edits: settleAll(pack, start, section.listed) })
    const words = section.listed.filter(({ leftover }) => leftover).map(({ key }) => key)
    expect(words.length).toBeGreaterThan(3)
    expect(shown(kept, 'leftovers').filter((key) => words.includes(key))).toEqual([])
    const pages = all(start).filter(({ place }) => place.type === 'page')
    const named = edited(start, { type: 'batch', edits: settleAll(pack, start, pages) })
    expect(all(named).filter(({ place, leftover }) => place.type === 'page' && leftover)).toEqual([])
    const emptied = edited(start, { type: 'batch', edits: emptyAll(entries) })
    expect(shown(emptied, 'empty').toSorted()).toEqual(entries.map(({ key }) => key).toSorted())
  })
})
