import { describe, expect, test } from 'vitest'
import { testPack } from '../../../../tests/pack'
import { random } from '../../../../tests/random'
import { edited, homeSections, setItem, setSlot, setText } from '../../../../tests/site'
import { makeDocument } from '../../fill'
import { getTemplate } from '../../pack'
import {
  applyEdit,
  differences,
  entriesOf,
  findPage,
  findSection,
  homePage,
  mergeEdits,
  pagesOf,
  placeOfEdit,
  rankBetween,
  sectionsOn,
  siteDocumentSchema,
  toEdit,
  type Edit,
  type EditProblem,
  type EditStep,
  type EntryId,
  type Page,
  type PageId,
  type Section,
  type SectionId,
  type SiteDocument,
} from '..'
import * as v from 'valibot'

const fresh = (): SiteDocument => makeDocument(getTemplate(testPack(), 'tallow'), { name: 'Client' }, {})
const section = (id: string): SectionId => id as SectionId
const page = (id: string): PageId => id as PageId
const newPage = (id: string, segment: string, rank = 'b00'): Page => ({
  id: page(id),
  in: { type: 'site' },
  rank,
  origin: null,
  segment,
  listed: 'menu',
  texts: {},
})
const newSection = (id: string, on: string): Section => ({
  id: section(id),
  in: { type: 'page', page: page(on) },
  rank: 'a5',
  kind: 'title',
  design: 'folio',
  tone: 'paper',
  origin: null,
  slots: { heading: { type: 'text', text: 'Brought along' } },
})
const own = { list: 'items', id: 'mine' as EntryId }
const third = { list: 'items', nth: 3 }
const problemOf = (document: SiteDocument, edit: Edit): EditProblem['code'] | 'applied' => {
  const applied = applyEdit(document, edit)
  return applied.ok ? 'applied' : applied.problem.code
}

/** One of each type of edit, on a site on which something was done already. */
const begun = (): SiteDocument =>
  edited(
    fresh(),
    setText('home.hero', 'heading', 'Ours'),
    setItem('home.services', 2, 'title', 'Springs'),
    { type: 'entry/insert', section: section('home.services'), entry: own, rank: 'a1V', slots: { title: { type: 'text', text: 'Added' } } },
    { type: 'entry/remove', section: section('home.services'), entry: third },
    { type: 'page/set', page: page('about'), part: 'name', value: 'Us' },
    { type: 'outfit/set', template: 'gantry', value: { pages: {}, sections: [] } },
  )
const services = section('home.services')
const EVERY_STEP: readonly EditStep[] = [
  setText('home.hero', 'heading', 'New words'),
  setSlot('home.hero', 'heading', null),
  setItem('home.services', 2, 'title', 'Other springs'),
  setItem('home.services', 9, 'title', 'Beyond the template’s'),
  setSlot('home.services', 'title', { type: 'text', text: 'In mine' }, own),
  setSlot('home.services', 'items', { type: 'list', of: 3 }),
  { type: 'fact/set', fact: 'phone', value: '01632 960000' },
  { type: 'fact/set', fact: 'name', value: null },
  { type: 'label/set', label: 'menu', value: { text: 'Karte' } },
  { type: 'brand/set', part: 'colour', value: '#123456' },
  { type: 'dress/set', part: 'scheme', value: 'tallow/verdigris' },
  { type: 'dress/set', part: 'dark', value: 'visitor' },
  { type: 'dress/set', part: 'template', value: 'gantry' },
  { type: 'page/insert', page: newPage('p', 'new') },
  { type: 'page/remove', page: page('about') },
  { type: 'page/remove', page: page('home') },
  { type: 'page/move', page: page('about'), rank: 'Zz' },
  { type: 'page/set', page: page('about'), part: 'description', value: 'Words' },
  { type: 'page/set', page: page('about'), part: 'name', value: null },
  { type: 'page/set', page: page('about'), part: 'segment', value: 'who' },
  { type: 'page/set', page: page('about'), part: 'listed', value: 'nowhere' },
  { type: 'page/set', page: page('about'), part: 'origin', value: null },
  { type: 'section/insert', section: newSection('s', 'about') },
  { type: 'section/remove', section: services },
  { type: 'section/move', section: services, in: { type: 'page', page: page('about') }, rank: 'a0V' },
  { type: 'section/move', section: services, in: { type: 'footer' }, rank: 'a0V' },
  { type: 'section/set', section: services, part: 'design', value: 'ledger' },
  { type: 'section/set', section: services, part: 'tone', value: 'ink' },
  { type: 'section/set', section: services, part: 'origin', value: null },
  { type: 'section/set', section: services, part: 'until', value: '2026-12-06' },
  { type: 'entry/insert', section: services, entry: { list: 'items', id: 'more' as EntryId }, rank: 'a9', slots: {} },
  { type: 'entry/insert', section: services, entry: third, rank: 'a9', slots: { title: { type: 'text', text: 'Back' } } },
  { type: 'entry/remove', section: services, entry: own },
  { type: 'entry/remove', section: services, entry: { list: 'items', nth: 2 } },
  { type: 'entry/move', section: services, entry: own, rank: 'a0V' },
  { type: 'entry/move', section: services, entry: { list: 'items', nth: 1 }, rank: 'a8' },
  { type: 'entry/set', section: services, entry: own, part: 'hidden', value: true },
  { type: 'entry/set', section: services, entry: { list: 'items', nth: 1 }, part: 'hidden', value: true },
  { type: 'outfit/set', template: 'gantry', value: null },
  { type: 'outfit/set', template: 'windrow', value: { dark: true, pages: {}, sections: [] } },
]

describe('an edit', () => {
  test.each(EVERY_STEP.map((step) => [step.type, step] as const))('%s is taken back by its inverse, exactly: %j', (_, step) => {
    const before = begun()
    const applied = applyEdit(before, step)
    if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
    expect(applied.document).not.toEqual(before)
    expect(edited(applied.document, applied.inverse)).toEqual(before)
    expect(v.is(siteDocumentSchema, applied.document)).toBe(true)
  })

  test('of every type there is one among those tried', () => {
    expect(new Set(EVERY_STEP.map((s) => s.type)).size).toBe(18)
  })

  test('never changes the document it was given', () => {
    const before = begun()
    const copy = structuredClone(before)
    for (const step of EVERY_STEP) applyEdit(before, step)
    expect(before).toEqual(copy)
  })

  test.each<readonly [string, Edit, EditProblem['code']]>([
    ['a slot of a section that is gone', setText('nowhere', 'heading', 'x'), 'sectionGone'],
    ['a slot that the kind has not', setText('home.hero', 'subtitle', 'x'), 'slotUnknown'],
    ['a slot named like what every object has', setText('home.hero', 'constructor', 'x'), 'slotUnknown'],
    ['words where a picture goes', setText('home.hero', 'picture', 'x'), 'valueWrong'],
    [
      'a slot of an added entry that is gone',
      setSlot('home.services', 'title', null, { list: 'items', id: 'gone' as EntryId }),
      'entryGone',
    ],
    ['an entry under another section', setSlot('home.steps', 'title', null, own), 'entryGone'],
    ['a list that the kind has not', setSlot('home.hero', 'title', null, third), 'slotUnknown'],
    ['a name of 500 letters', { type: 'fact/set', fact: 'name', value: 'n'.repeat(500) }, 'valueWrong'],
    ['hours that are words', { type: 'fact/set', fact: 'hours', value: 'always' }, 'valueWrong'],
    ['a colour that is none', { type: 'brand/set', part: 'colour', value: 'banana' }, 'valueWrong'],
    ['no template at all', { type: 'dress/set', part: 'template', value: null }, 'valueWrong'],
    ['a dark form that is none', { type: 'dress/set', part: 'dark', value: 'sometimes' }, 'valueWrong'],
    ['a page that is there', { type: 'page/insert', page: newPage('about', 'x') }, 'idTaken'],
    ['a page that is gone', { type: 'page/set', page: page('gone'), part: 'title', value: 'x' }, 'pageGone'],
    ['to move a page that is gone', { type: 'page/move', page: page('gone'), rank: 'a5' }, 'pageGone'],
    ['to take out a page that is gone', { type: 'page/remove', page: page('gone') }, 'pageGone'],
    ['an address that another page has', { type: 'page/set', page: page('about'), part: 'segment', value: 'services' }, 'addressTaken'],
    ['a section that is there', { type: 'section/insert', section: newSection('home.hero', 'home') }, 'idTaken'],
    ['a section on a page that is gone', { type: 'section/insert', section: newSection('s', 'gone') }, 'pageGone'],
    [
      'to move a section to a page that is gone',
      { type: 'section/move', section: services, in: { type: 'page', page: page('gone') }, rank: 'a5' },
      'pageGone',
    ],
    [
      'to move a section that is gone',
      { type: 'section/move', section: section('gone'), in: { type: 'footer' }, rank: 'a5' },
      'sectionGone',
    ],
    ['to take out a section that is gone', { type: 'section/remove', section: section('gone') }, 'sectionGone'],
    ['to dress a section that is gone', { type: 'section/set', section: section('gone'), part: 'tone', value: 'ink' }, 'sectionGone'],
    ['an entry that is there', { type: 'entry/insert', section: services, entry: own, rank: 'a5', slots: {} }, 'idTaken'],
    [
      'an entry of another kind’s',
      {
        type: 'entry/insert',
        section: services,
        entry: { list: 'items', id: 'e' as EntryId },
        rank: 'a5',
        slots: { quote: { type: 'text', text: 'x' } },
      },
      'valueWrong',
    ],
    ['to take out an entry twice', { type: 'entry/remove', section: services, entry: third }, 'entryGone'],
    [
      'to hide an entry that was taken out',
      { type: 'entry/set', section: services, entry: third, part: 'hidden', value: true },
      'entryGone',
    ],
    ['to move an entry that was taken out', { type: 'entry/move', section: services, entry: third, rank: 'a5' }, 'entryGone'],
    [
      'a batch of which one step fails',
      { type: 'batch', edits: [setText('home.hero', 'heading', 'fine'), setText('gone', 'heading', 'x')] },
      'sectionGone',
    ],
  ])('%s is refused', (_, edit, code) => {
    expect(problemOf(begun(), edit)).toBe(code)
  })

  test('that would leave no page is refused, whichever step does it', () => {
    const document = fresh()
    const all = pagesOf(document).map((p): EditStep => ({ type: 'page/remove', page: p.id }))
    expect(problemOf(document, toEdit(all))).toBe('lastPage')
    expect(problemOf(document, toEdit([...all, { type: 'page/insert', page: newPage('p', 'p') }]))).toBe('applied')
  })
})

describe('pages', () => {
  test('two that come with one address both stay, the second at the next free one', () => {
    const both = edited(
      fresh(),
      { type: 'page/insert', page: newPage('a1', 'season') },
      { type: 'page/insert', page: newPage('a2', 'season', 'b01') },
    )
    expect([findPage(both, 'a1')!.segment, findPage(both, 'a2')!.segment]).toEqual(['season', 'season-2'])
  })

  test('the first one is the home page, and the one before it gets an address', () => {
    const moved = edited(fresh(), { type: 'page/move', page: page('about'), rank: 'Zz' })
    expect(homePage(moved).id).toBe('about')
    expect(findPage(moved, 'home')!.segment).toBe('page')
  })

  test('two can change addresses with each other in one edit', () => {
    const swapped = edited(fresh(), {
      type: 'batch',
      edits: [
        { type: 'page/set', page: page('about'), part: 'segment', value: 'services' },
        { type: 'page/set', page: page('services'), part: 'segment', value: 'about' },
      ],
    })
    expect([findPage(swapped, 'about')!.segment, findPage(swapped, 'services')!.segment]).toEqual(['services', 'about'])
  })

  test('that is taken out takes its sections and entries along, and its inverse brings all of them back', () => {
    const before = begun()
    const gone = applyEdit(before, { type: 'page/remove', page: page('home') })
    if (!gone.ok) throw new Error('refused')
    expect(findSection(gone.document, 'home.services')).toBeNull()
    expect(entriesOf(gone.document, services)).toEqual([])
    expect(edited(gone.document, gone.inverse)).toEqual(before)
  })
})

describe('two hands at once', () => {
  test('may each add an entry, move a section and fill a place, in either order: both are there', () => {
    const one: Edit[] = [
      { type: 'entry/insert', section: services, entry: { list: 'items', id: 'one' as EntryId }, rank: 'a9', slots: {} },
      { type: 'section/move', section: section('home.steps'), in: { type: 'page', page: page('about') }, rank: 'a1' },
      setText('home.hero', 'heading', 'One'),
    ]
    const other: Edit[] = [
      { type: 'entry/insert', section: services, entry: { list: 'items', id: 'two' as EntryId }, rank: 'a9', slots: {} },
      { type: 'section/move', section: services, in: { type: 'page', page: page('about') }, rank: 'a1' },
      setText('home.hero', 'caption', 'Two'),
    ]
    const documents = [edited(fresh(), ...one, ...other), edited(fresh(), ...other, ...one)]
    for (const document of documents) {
      expect(
        entriesOf(document, services)
          .map((e) => e.id)
          .sort(),
      ).toEqual(['one', 'two'])
      // Ties of rank go by id, so all see the same order.
      expect(
        sectionsOn(document, page('about'))
          .slice(0, 4)
          .map((s) => s.id),
      ).toEqual(
        sectionsOn(documents[0]!, page('about'))
          .slice(0, 4)
          .map((s) => s.id),
      )
      expect(findSection(document, 'home.hero')!.slots).toMatchObject({ heading: { text: 'One' }, caption: { text: 'Two' } })
    }
  })

  test('a moved section is a row of under a kilobyte, however large the site', () => {
    const move: Edit = {
      type: 'section/move',
      section: services,
      in: { type: 'page', page: page('home') },
      rank: rankBetween(null, homeSections(fresh())[0]!.rank),
    }
    const applied = applyEdit(fresh(), move)
    expect(JSON.stringify([move, applied.ok && applied.inverse]).length).toBeLessThan(1000)
  })
})

test('of two edits of one place in one gesture the later stands for both; others stay two', () => {
  const [a, b] = [setText('home.hero', 'heading', 'W'), setText('home.hero', 'heading', 'Wo')]
  expect(mergeEdits(a, b)).toBe(b)
  expect(mergeEdits(a, setText('home.hero', 'caption', 'x'))).toBeNull()
  expect(mergeEdits(a, { type: 'batch', edits: [b] })).toBeNull()
  expect(mergeEdits({ type: 'section/remove', section: services }, { type: 'section/remove', section: services })).toBeNull()
})

test('an edit’s place is where its content goes; of a batch the first that has one', () => {
  expect(placeOfEdit(setItem('home.services', 2, 'title', 'x'))).toEqual({
    type: 'slot',
    section: 'home.services',
    entry: { list: 'items', nth: 2 },
    slot: 'title',
  })
  expect(
    placeOfEdit({
      type: 'batch',
      edits: [
        { type: 'page/remove', page: page('about') },
        { type: 'fact/set', fact: 'name', value: 'x' },
      ],
    }),
  ).toEqual({ type: 'fact', fact: 'name' })
  expect(placeOfEdit({ type: 'batch', edits: [] })).toBeNull()
})

test('the differences of two documents lead from one to the other, and are few where little differs', () => {
  const next = random(71)
  let changes = 0
  for (let run = 0; run < 40; run++) {
    const before = begun()
    const steps = Array.from({ length: 1 + Math.floor(next() * 6) }, () => EVERY_STEP[Math.floor(next() * EVERY_STEP.length)]!)
    const after = steps.reduce((at, step) => {
      const applied = applyEdit(at, step)
      changes += applied.ok ? 1 : 0
      return applied.ok ? applied.document : at
    }, before)
    expect(edited(before, toEdit(differences(before, after)))).toEqual(after)
    expect(edited(after, toEdit(differences(after, before)))).toEqual(before)
  }
  expect(changes).toBeGreaterThan(80)
  const once = edited(begun(), setText('home.hero', 'heading', 'Other'))
  expect(differences(begun(), once)).toEqual([setText('home.hero', 'heading', 'Other')])
  expect(differences(once, once)).toEqual([])
})
