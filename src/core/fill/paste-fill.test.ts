import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'
import { MAX_ENTRIES, MAX_TEXT, plainWords, type EntryId, type EntryRef, type SectionId, type SiteDocument, type SlotPlace } from '../site'
import { planPasteFill, readPasted, sectionRows, type PastedTable, type PasteFill } from '.'

const pack = testPack()
const start = testSite({ name: 'Pour' }).document
let made = 0
const newId = (): EntryId => `new${++made}` as EntryId
const at = (section: string, slot: string, nth: number | null = null): SlotPlace => {
  const entry: EntryRef | null = nth === null ? null : { list: 'items', nth }
  return { type: 'slot', section: section as SectionId, entry, slot }
}
const pour = (place: SlotPlace, table: PastedTable): PasteFill => planPasteFill(pack, start, place, table, newId)!
const after = (of: PasteFill): SiteDocument => edited(start, { type: 'batch', edits: of.edits })
/** What stands in the fields of a list, entry by entry; a place that was left alone is null. */
const entriesOf = (document: SiteDocument, section: string): (string | null)[][] => {
  const rows = sectionRows(pack, document, document.sections[section]!).filter((row) => row.entry)
  const keys = [...new Set(rows.map((row) => row.entry!.key))]
  return keys.map((key) => rows.filter((row) => row.entry!.key === key).map((row) => (row.value ? plainWords(row.value) : null)))
}

describe('what was copied', () => {
  // RFC 4180, 2: fields with breaks or marks stand in quotation marks, which are doubled inside; spreadsheets copy with tabs so.
  test.each([
    [
      'a\tb\nc\td',
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
    ],
    // Of cells a blank row is one; between lines of prose it only parts them.
    ['a\t\tb\r\n\r\nc', [['a', '', 'b'], [''], ['c']]],
    ['a\r\n\r\nc\r\n', [['a'], ['c']]],
    ['"two\nlines"\t"say ""hi"""', [['two\nlines', 'say "hi"']]],
    ['"Well," she said', [['"Well," she said']]],
    ['6" nails\t3', [['6" nails', '3']]],
    ['a "b" c\td', [['a "b" c', 'd']]],
    ['"open\tand on', [['"open', 'and on']]],
    ['"a" b\tc', [['"a" b', 'c']]],
    ['a\r\nb', [['a'], ['b']]],
    [' a \t b ', [['a', 'b']]],
    ['', []],
  ])('%j', (text, table) => {
    expect(readPasted(text)).toEqual(table)
  })
})

describe('pouring', () => {
  test('a table keeps its columns, leaves gaps alone and makes the entries that it has rows for', () => {
    const plan = pour(at('home.services', 'title', 2), [
      ['A', 'a', '1'],
      ['B', '', '2'],
      ['C', 'c', '3'],
      ['D', 'd', '4'],
    ])
    expect(plan).toMatchObject({ newEntries: 1, left: 0 })
    expect(plan.placed).toHaveLength(11)
    const rows = entriesOf(after(plan), 'home.services').map((fields) => fields.slice(0, 3))
    expect(rows).toEqual([
      [null, null, null],
      ['A', 'a', '1'],
      ['B', null, '2'],
      ['C', 'c', '3'],
      ['D', 'd', '4'],
    ])
  })

  test('from a later field on, columns begin there; what is beyond the last one is said to have no place', () => {
    const plan = pour(at('home.services', 'price', 1), [['£1', 'note', 'more', 'and more'], ['£2']])
    expect(plan.placed.map((p) => p.label)).toEqual(expect.arrayContaining(['1 price', '2 price']))
    expect(plan.left).toBeGreaterThan(0)
  })

  test('a column that fits into one entry fills it; a longer one goes down the list', () => {
    const one = after(pour(at('home.services', 'title', 1), [['A'], ['a'], ['1']]))
    expect(entriesOf(one, 'home.services')[0]!.slice(0, 3)).toEqual(['A', 'a', '1'])
    const names = ['A', 'B', 'C', 'D', 'E', 'F']
    const plan = pour(
      at('home.services', 'title', 1),
      names.map((name) => [name]),
    )
    expect(plan.newEntries).toBe(2)
    expect(entriesOf(after(plan), 'home.services').map(([title]) => title)).toEqual(names)
  })

  test('outside a list each cell is a place, and what is left goes into the section’s list', () => {
    const plan = pour(at('home.services', 'heading'), [['Heading'], ['Intro'], ['A', 'a'], ['B', 'b']])
    const document = after(plan)
    expect(document.sections['home.services']!.slots.heading).toEqual({ type: 'text', text: 'Heading' })
    expect(
      entriesOf(document, 'home.services')
        .slice(0, 2)
        .map((fields) => fields.slice(0, 2)),
    ).toEqual([
      ['A', 'a'],
      ['B', 'b'],
    ])
    expect(plan.left).toBe(0)
  })

  test('outside a list, columns go on from one place to the next, gaps stay as they are, and what finds no place is counted', () => {
    const rows = sectionRows(pack, start, start.sections['home.hero']!).filter((row) => row.type === 'text' || row.type === 'rich')
    const [heading, ...others] = rows.map((row) => row.place.slot)
    expect(heading).toBe('heading')
    const plan = pour(at('home.hero', 'heading'), [['Heading', '', 'Third'], ['a', 'b', 'c', 'd', 'e', 'f'], ['beyond']])
    expect(plan.edits[0]).toMatchObject({ type: 'slot/set', slot: 'heading', value: { type: 'text', text: 'Heading' } })
    expect(plan.placed.map(({ words }) => words)).toEqual(
      ['Heading', 'Third', 'a', 'b', 'c', 'd', 'e', 'f', 'beyond'].slice(0, rows.length - 1),
    )
    expect(plan.placed[0]!.label).toBe(rows[0]!.label)
    expect(plan.newEntries).toBe(0)
    expect(plan.left).toBe(9 - (rows.length - 1))
    expect(plan.edits.some((edit) => edit.type === 'slot/set' && edit.slot === others[0])).toBe(false)
    // From a later place on, what stands before it is left alone.
    const later = pour(at('home.hero', others.at(-1)!), [['Last'], ['too many']])
    expect(later).toMatchObject({ left: 1, newEntries: 0, placed: [{ words: 'Last' }] })
  })

  test('pictures and links take no words, and a place beyond the list is not filled from before it', () => {
    const plan = pour(at('home.services', 'heading'), [['Heading']])
    expect(plan).toMatchObject({ placed: [{ words: 'Heading' }], newEntries: 0, left: 0 })
    expect(plan.edits).toHaveLength(1)
  })

  test('of a table without words nothing is placed, and a list takes no more entries than there may be', () => {
    expect(planPasteFill(pack, start, at('home.services', 'title', 1), [['', '']], newId)).toBeNull()
    const many = Array.from({ length: MAX_ENTRIES + 5 }, (_, i) => [`Entry ${i}`, 'text'])
    const plan = pour(at('home.services', 'title', 1), many)
    const before = entriesOf(start, 'home.services').length
    expect(plan).toMatchObject({ newEntries: MAX_ENTRIES - before, left: 10 })
    expect(entriesOf(after(plan), 'home.services')).toHaveLength(MAX_ENTRIES)
    // From the second entry on there is room for one fewer.
    expect(pour(at('home.services', 'title', 2), many).left).toBe(12)
  })

  test('words that are too long for a line are cut where they must be', () => {
    const [edit] = pour(at('home.services', 'heading'), [['x'.repeat(MAX_TEXT + 9)]]).edits
    expect(edit).toMatchObject({ value: { text: 'x'.repeat(MAX_TEXT) } })
  })

  test('a place that is gone takes nothing', () => {
    expect(planPasteFill(pack, start, at('gone', 'heading'), [['A']], newId)).toBeNull()
  })
})
