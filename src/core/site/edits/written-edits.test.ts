import * as v from 'valibot'
import { describe, expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { edited, setItem, setSlot, setText } from '../../../../tests/site'
import {
  applyEdit,
  editSchema,
  findSection,
  homePage,
  MAX_ENTRIES,
  mergeEdits,
  placeOfEdit,
  toEdit,
  type Edit,
  type EditProblem,
  type EditStep,
  type EntryId,
  type PageId,
  type Place,
  type SectionId,
  type SiteDocument,
} from '..'
import { MAX_PAGES } from './page-insert'
import { MAX_SECTIONS } from './section-insert'

const start = testSite({ name: 'Client' }).document
const hero = 'home.hero' as SectionId
const list = 'home.services' as SectionId
const about = 'about' as PageId
const made = { list: 'items', id: 'made' as EntryId }
const second = { list: 'items', nth: 2 }
const page = { ...homePage(start), id: 'new' as PageId, rank: 'b00', segment: 'new' }
const section = { ...findSection(start, 'about.quote')!, id: 'new' as SectionId, rank: 'b00' }

type Written = { readonly edit: EditStep; readonly place: Place | null; readonly writes: string | null }
const slot = (of: SectionId, name: string, entry: typeof second | null = null): Place => ({ type: 'slot', section: of, entry, slot: name })
/** One of every type, with the place that a screen goes to, and what it writes: a name for each cell, none where it adds or takes out. */
const EVERY: readonly Written[] = [
  { edit: setText(hero, 'heading', 'x'), place: slot(hero, 'heading'), writes: 'heading' },
  { edit: setText(hero, 'caption', 'x'), place: slot(hero, 'caption'), writes: 'caption' },
  { edit: setItem(list, 2, 'title', 'x'), place: slot(list, 'title', second), writes: 'second title' },
  { edit: { type: 'fact/set', fact: 'phone', value: '1' }, place: { type: 'fact', fact: 'phone' }, writes: 'phone' },
  { edit: { type: 'fact/set', fact: 'email', value: null }, place: { type: 'fact', fact: 'email' }, writes: 'email' },
  { edit: { type: 'label/set', label: 'menu', value: { text: 'x' } } as EditStep, place: { type: 'label', label: 'menu' }, writes: 'menu' },
  { edit: { type: 'label/set', label: 'close', value: null } as EditStep, place: { type: 'label', label: 'close' }, writes: 'close' },
  { edit: { type: 'as-is/set', words: 'dummy: lorem ipsum', value: true }, place: null, writes: 'as it is' },
  { edit: { type: 'brand/set', part: 'colour', value: '#123456' }, place: { type: 'brand', part: 'colour' }, writes: 'colour' },
  { edit: { type: 'brand/set', part: 'second', value: null }, place: { type: 'brand', part: 'second' }, writes: 'second' },
  { edit: { type: 'dress/set', part: 'template', value: 'gantry' }, place: null, writes: 'template' },
  { edit: { type: 'dress/set', part: 'dark', value: true }, place: null, writes: 'dark' },
  { edit: { type: 'page/insert', page }, place: null, writes: null },
  { edit: { type: 'page/remove', page: about }, place: null, writes: null },
  { edit: { type: 'page/move', page: about, rank: 'b00' }, place: null, writes: 'place of about' },
  { edit: { type: 'page/set', page: about, part: 'name', value: 'x' }, place: { type: 'page', page: about, part: 'name' }, writes: 'name' },
  {
    edit: { type: 'page/set', page: about, part: 'title', value: null },
    place: { type: 'page', page: about, part: 'title' },
    writes: 'title',
  },
  {
    edit: { type: 'page/set', page: about, part: 'segment', value: 'x' },
    place: { type: 'page', page: about, part: 'address' },
    writes: 'segment',
  },
  {
    edit: { type: 'page/set', page: about, part: 'addressed', value: true },
    place: { type: 'page', page: about, part: 'address' },
    writes: 'addressed',
  },
  { edit: { type: 'page/set', page: about, part: 'listed', value: 'foot' }, place: null, writes: 'listed' },
  { edit: { type: 'page/set', page: about, part: 'origin', value: null }, place: null, writes: 'origin' },
  { edit: { type: 'section/insert', section }, place: null, writes: null },
  { edit: { type: 'section/remove', section: hero }, place: null, writes: null },
  { edit: { type: 'section/move', section: hero, in: { type: 'page', page: about }, rank: 'b00' }, place: null, writes: 'place of hero' },
  { edit: { type: 'section/set', section: hero, part: 'design', value: 'line' }, place: null, writes: 'design' },
  { edit: { type: 'section/set', section: hero, part: 'tone', value: 'ink' }, place: null, writes: 'tone' },
  { edit: { type: 'section/set', section: hero, part: 'origin', value: null }, place: null, writes: 'origin of hero' },
  { edit: { type: 'section/set', section: hero, part: 'until', value: '2026-12-06' }, place: null, writes: 'last day of hero' },
  { edit: { type: 'entry/insert', section: list, entry: made, rank: 'b00', slots: {} }, place: null, writes: null },
  { edit: { type: 'entry/remove', section: list, entry: second }, place: null, writes: null },
  { edit: { type: 'entry/move', section: list, entry: second, rank: 'b00' }, place: null, writes: 'place of second' },
  {
    edit: { type: 'entry/set', section: list, entry: second, part: 'hidden', value: true },
    place: null,
    writes: 'hidden second',
  },
  { edit: { type: 'outfit/set', template: 'gantry', value: null }, place: null, writes: 'gantry' },
  { edit: { type: 'outfit/set', template: 'windrow', value: null }, place: null, writes: 'windrow' },
]
const takes = (edit: unknown): boolean => v.safeParse(editSchema, edit).success

describe('an edit of every type', () => {
  test.each(EVERY)('is taken as it is, and with nothing more or less: $edit.type $edit.part', ({ edit }) => {
    expect(takes(edit)).toBe(true)
    expect(takes({ ...edit, more: 1 })).toBe(false)
    for (const key of Object.keys(edit)) {
      const { [key]: _, ...less } = edit as unknown as Record<string, unknown>
      expect(takes(less), `without ${key}`).toBe(false)
      const wrong = { ...edit, [key]: 7 } as unknown as Edit
      // Which values a part of the brand takes is that part's own to say.
      if (edit.type === 'brand/set' && key === 'value') expect(applyEdit(start, wrong)).toMatchObject({ problem: { code: 'valueWrong' } })
      else expect(takes(wrong), `${key} a number`).toBe(false)
    }
    if ('part' in edit) expect(takes({ ...edit, part: 'nothing-of-the-kind' })).toBe(false)
  })

  test('a batch takes steps, and no batch', () => {
    expect(takes({ type: 'batch', edits: EVERY.map(({ edit }) => edit) })).toBe(true)
    expect(takes({ type: 'batch', edits: [] })).toBe(true)
    expect(takes({ type: 'batch' })).toBe(false)
    expect(takes({ type: 'batch', edits: [{ type: 'batch', edits: [] }] })).toBe(false)
    expect(takes({ type: 'batch', edits: [{ type: 'nothing' }] })).toBe(false)
    expect(takes({ type: 'arrange', edits: [] })).toBe(false)
  })

  test('names the place that it sets', () => {
    for (const { edit, place } of EVERY) expect(placeOfEdit(edit)).toEqual(place)
  })

  test('one alone is itself, several are a batch', () => {
    const [one, two] = EVERY.map(({ edit }) => edit) as [EditStep, EditStep]
    expect(toEdit([one])).toBe(one)
    expect(toEdit([one, two])).toEqual({ type: 'batch', edits: [one, two] })
    expect(toEdit([])).toEqual({ type: 'batch', edits: [] })
  })

  test('of two in one gesture the later stands for both where they write one cell, and nowhere else', () => {
    for (const first of EVERY)
      for (const then of EVERY) {
        const isSame = first.writes !== null && first === then
        expect(mergeEdits(first.edit, then.edit), `${JSON.stringify(first.edit)} ${JSON.stringify(then.edit)}`).toEqual(
          isSame ? then.edit : null,
        )
      }
    const batch: Edit = { type: 'batch', edits: [] }
    expect(mergeEdits(batch, batch)).toBeNull()
    expect(mergeEdits(EVERY[0]!.edit, batch)).toBeNull()
    expect(mergeEdits(batch, EVERY[0]!.edit)).toBeNull()
  })
})

describe('what an edit cannot do is said', () => {
  const many = (count: number): SiteDocument => {
    const pages = Object.fromEntries(
      Array.from({ length: count }, (_, i) => [`p${i}`, { ...page, id: `p${i}` as PageId, segment: `p${i}` }]),
    )
    return { ...start, pages }
  }
  const sections = (count: number): SiteDocument => ({
    ...start,
    sections: Object.fromEntries(Array.from({ length: count }, (_, i) => [`s${i}`, { ...section, id: `s${i}` as SectionId }])),
  })
  const gone = 'gone' as SectionId
  const cases: readonly (readonly [string, SiteDocument, Edit, EditProblem])[] = [
    [
      'no such section',
      start,
      { type: 'entry/insert', section: gone, entry: made, rank: 'a0', slots: {} },
      { code: 'sectionGone', section: gone },
    ],
    [
      'no such section to move in',
      start,
      { type: 'entry/move', section: gone, entry: second, rank: 'a0' },
      { code: 'sectionGone', section: gone },
    ],
    ['no such section to take from', start, { type: 'entry/remove', section: gone, entry: second }, { code: 'sectionGone', section: gone }],
    [
      'no such list',
      start,
      { type: 'entry/insert', section: hero, entry: made, rank: 'a0', slots: {} },
      { code: 'slotUnknown', slot: 'hero/items' },
    ],
    [
      'a slot that is no list',
      start,
      { type: 'entry/insert', section: hero, entry: { list: 'heading', nth: 1 }, rank: 'a0', slots: {} },
      { code: 'slotUnknown', slot: 'hero/heading' },
    ],
    [
      'an entry of other slots',
      start,
      { type: 'entry/insert', section: list, entry: made, rank: 'a0', slots: { picture: { type: 'text', text: 'x' } } },
      { code: 'valueWrong', place: 'services/items' },
    ],
    ['a slot of no such name', start, setText(hero, 'nothing', 'x'), { code: 'slotUnknown', slot: 'hero/nothing' }],
    ['an entry’s slot of no such name', start, setItem(list, 1, 'nothing', 'x'), { code: 'slotUnknown', slot: 'services/items/nothing' }],
    [
      'a section of other slots',
      start,
      { type: 'section/insert', section: { ...section, slots: { heading: { type: 'text', text: 'x' } } } },
      { code: 'valueWrong', place: 'quote' },
    ],
    ['a page too many', many(MAX_PAGES), { type: 'page/insert', page }, { code: 'tooMany', of: 'pages' }],
    ['a section too many', sections(MAX_SECTIONS), { type: 'section/insert', section }, { code: 'tooMany', of: 'sections' }],
    [
      'a section on a page that is gone',
      start,
      { type: 'section/insert', section: { ...section, in: { type: 'page', page: 'gone' as PageId } } },
      { code: 'pageGone', page: 'gone' },
    ],
  ]
  test.each(cases)('%s', (_, document, edit, problem) => {
    expect(applyEdit(document, edit)).toEqual({ ok: false, problem })
  })

  test('one less than too many fits', () => {
    expect(applyEdit(many(MAX_PAGES - 1), { type: 'page/insert', page }).ok).toBe(true)
    expect(applyEdit(sections(MAX_SECTIONS - 1), { type: 'section/insert', section }).ok).toBe(true)
    const header = { ...section, kind: 'header', design: 'ledger-head', in: { type: 'header' } } as typeof section
    expect(applyEdit(start, { type: 'section/insert', section: header }).ok).toBe(true)
  })

  test('a list holds as many entries as fit, those taken out and those of other lists not counted', () => {
    const full = edited(start, setSlot(list, 'items', { type: 'list', of: MAX_ENTRIES - 1 }))
    const insert = (id: string): Edit => ({
      type: 'entry/insert',
      section: list,
      entry: { list: 'items', id: id as EntryId },
      rank: 'b00',
      slots: {},
    })
    const added = Array.from({ length: MAX_ENTRIES }, (_, i) => insert(`e${i}`))
    const most = edited(start, ...added)
    expect(applyEdit(most, insert('more'))).toEqual({ ok: false, problem: { code: 'tooMany', of: 'entries' } })
    const less = edited(most, { type: 'entry/remove', section: list, entry: { list: 'items', id: 'e0' as EntryId } })
    expect(applyEdit(less, insert('more')).ok).toBe(true)
    expect(applyEdit(full, insert('more')).ok).toBe(true)
    const other = 'contact.contact' as SectionId
    expect(applyEdit(most, { type: 'entry/insert', section: other, entry: made, rank: 'b00', slots: {} }).ok).toBe(true)
  })

  test('an entry of another section is not moved or taken out under this one’s name', () => {
    const document = edited(start, { type: 'entry/insert', section: list, entry: made, rank: 'b00', slots: {} })
    const other = 'contact.contact' as SectionId
    for (const edit of [
      { type: 'entry/move', section: other, entry: made, rank: 'a0' },
      { type: 'entry/remove', section: other, entry: made },
    ] as const)
      expect(applyEdit(document, edit)).toMatchObject({ ok: false, problem: { code: 'entryGone' } })
  })
})

test('an entry that comes back has what it had and what it is given, and goes again to just what it was', () => {
  const title = { type: 'text', text: 'Before' } as const
  const before = edited(start, setSlot(list, 'title', title, second), { type: 'entry/remove', section: list, entry: second })
  const insert: Edit = { type: 'entry/insert', section: list, entry: second, rank: 'b00', slots: { note: { type: 'text', text: 'Given' } } }
  const applied = applyEdit(before, insert)
  if (!applied.ok) throw new Error(applied.problem.code)
  const key = `${list} items 2`
  expect(applied.document.entries[key]).toEqual({
    id: key,
    in: { section: list, list: 'items' },
    nth: 2,
    rank: 'b00',
    slots: { title, note: { type: 'text', text: 'Given' } },
  })
  expect(edited(applied.document, applied.inverse)).toEqual(before)
  const same: Edit = { ...insert, rank: before.entries[key]!.rank, slots: {} }
  const back = applyEdit(before, same)
  expect(back.ok && back.inverse).toEqual({ type: 'entry/remove', section: list, entry: second })
})

test('undoing what was set gives back what was there, whatever it was', () => {
  const set = edited(
    start,
    { type: 'brand/set', part: 'colour', value: '#111111' },
    { type: 'label/set', label: 'menu', value: { text: 'First' } } as Edit,
    { type: 'fact/set', fact: 'phone', value: '1' },
  )
  for (const edit of [
    { type: 'brand/set', part: 'colour', value: '#222222' },
    { type: 'label/set', label: 'menu', value: { text: 'Then' } },
    { type: 'fact/set', fact: 'phone', value: null },
  ] as Edit[]) {
    const applied = applyEdit(set, edit)
    expect(applied.ok && edited(applied.document, applied.inverse)).toEqual(set)
  }
})
