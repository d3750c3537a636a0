import * as v from 'valibot'
import { describe, expect, test } from 'vitest'
import { makeDocument } from '../../fill'
import { getTemplate } from '../../pack'
import { testPack } from '../../../../tests/pack'
import { edited } from '../../../../tests/site'
import {
  allSections,
  entryRefSchema,
  homePage,
  labelNameSchema,
  looksByName,
  looksOf,
  MAX_ENTRIES,
  nameSchema,
  naturalRank,
  pageOfSection,
  pagesOf,
  placeKey,
  rankSchema,
  ranks,
  reachOf,
  samePlace,
  sectionsIn,
  sectionsOn,
  siteDocumentSchema,
  type EntryId,
  type PageId,
  type Place,
  type Section,
  type SectionId,
  type SiteDocument,
} from '..'
import { segmentSchema } from './page'
import { slotNameSchema } from './cell'
import { kindSchema } from './section'

const start = makeDocument(getTemplate(testPack(), 'tallow'), { name: 'Client' }, {})
const takes = (schema: v.GenericSchema, value: unknown): boolean => v.safeParse(schema, value).success

describe('what names may be', () => {
  test.each([
    [
      'an id',
      nameSchema,
      ['a', 'Z9', 'home.hero_1-b', `a${'x'.repeat(63)}`],
      ['', '-a', '.a', 'a b', ' a', 'a\n', 'a/b', `a${'x'.repeat(64)}`],
    ],
    ['a label', labelNameSchema, ['a', 'menu-2', `a${'x'.repeat(59)}`], ['', 'A', '2a', ' a', 'a ', 'a_b', `a${'x'.repeat(60)}`]],
    ['a slot', slotNameSchema, ['heading', 'a-1'], ['', '1a', 'Heading', ' a', 'a ', `a${'x'.repeat(40)}`]],
    ['a part of an address', segmentSchema, ['', 'a', 'a-b-2', '24'], ['-a', 'a-', 'a--b', 'A', 'a b', '/a', 'a/', 'é', 'x'.repeat(81)]],
    ['a rank', rankSchema, ['a0', 'a0V', 'Zz'], ['', 'a', '0', 'a0 ', 'a0é', 'a00', `a0${'V'.repeat(199)}`]],
    ['a kind', kindSchema, ['hero', 'before-after'], ['', 'nothing', 'constructor', 1, null]],
  ])('%s', (_, schema, good, bad) => {
    for (const value of good) expect(takes(schema, value), String(value)).toBe(true)
    for (const value of bad) expect(takes(schema, value), String(value)).toBe(false)
  })

  // BCP 47 (RFC 5646): a language of two or three letters, then subtags; the parts that a site needs.
  test('a language', () => {
    const of = (language: string): boolean => takes(siteDocumentSchema, { ...start, language })
    for (const good of ['en', 'fil', 'en-GB', 'zh-Hant-TW', 'de-CH-1996']) expect(of(good), good).toBe(true)
    for (const bad of ['', 'e', 'engl', 'EN', 'en-', 'en_GB', 'en-G', ' en', 'en ', 'en-GB-']) expect(of(bad), bad).toBe(false)
  })

  test('an entry is named by its number or by its id, and by nothing else', () => {
    expect(takes(entryRefSchema, { list: 'items', nth: 1 })).toBe(true)
    expect(takes(entryRefSchema, { list: 'items', nth: MAX_ENTRIES })).toBe(true)
    expect(takes(entryRefSchema, { list: 'items', id: 'made' })).toBe(true)
    for (const bad of [{}, { list: 'items' }, { nth: 1 }, { id: 'made' }, { list: 'items', nth: 0 }, { list: 'items', nth: 1.5 }])
      expect(takes(entryRefSchema, bad), JSON.stringify(bad)).toBe(false)
    expect(takes(entryRefSchema, { list: 'items', nth: MAX_ENTRIES + 1 })).toBe(false)
    expect(takes(entryRefSchema, { list: 'items', nth: 1, id: 'made' })).toBe(false)
  })
})

test('the template’s entries stand in the order of their numbers, and one beyond them stands last', () => {
  const natural = Array.from({ length: MAX_ENTRIES }, (_, i) => naturalRank(i + 1))
  expect(natural).toEqual(ranks(MAX_ENTRIES))
  expect(naturalRank(MAX_ENTRIES + 1)).toBe(natural.at(-1))
})

test('each place has one name of its own', () => {
  const section = 's' as SectionId
  const places: Place[] = [
    { type: 'slot', section, entry: null, slot: 'heading' },
    { type: 'slot', section: 't' as SectionId, entry: null, slot: 'heading' },
    { type: 'slot', section, entry: null, slot: 'lead' },
    { type: 'slot', section, entry: { list: 'items', nth: 1 }, slot: 'heading' },
    { type: 'slot', section, entry: { list: 'items', nth: 2 }, slot: 'heading' },
    { type: 'slot', section, entry: { list: 'others', nth: 1 }, slot: 'heading' },
    { type: 'slot', section, entry: { list: 'items', id: 'a' as EntryId }, slot: 'heading' },
    { type: 'slot', section, entry: { list: 'items', id: 'b' as EntryId }, slot: 'heading' },
    { type: 'fact', fact: 'name' },
    { type: 'fact', fact: 'phone' },
    { type: 'label', label: 'name' },
    { type: 'label', label: 'menu' },
    { type: 'page', page: 'p' as PageId, part: 'name' },
    { type: 'page', page: 'q' as PageId, part: 'name' },
    { type: 'page', page: 'p' as PageId, part: 'title' },
    { type: 'brand', part: 'colour' },
    { type: 'brand', part: 'logo' },
  ]
  expect(new Set(places.map(placeKey)).size).toBe(places.length)
  for (const [i, a] of places.entries()) for (const [j, b] of places.entries()) expect(samePlace(a, structuredClone(b))).toBe(i === j)
})

describe('reading a document', () => {
  test('every section: those at head and foot of every page first, each page’s in order, that of wrong addresses last', () => {
    const all = allSections(start)
    expect(all).toHaveLength(Object.keys(start.sections).length)
    expect(all[0]).toMatchObject({ kind: 'header', in: { type: 'header' } })
    expect(all[1]).toMatchObject({ kind: 'footer', in: { type: 'footer' } })
    expect(all.at(-1)).toMatchObject({ kind: 'title', in: { type: 'notFound' } })
    expect(all.slice(2, -1)).toEqual(pagesOf(start).flatMap((page) => sectionsOn(start, page.id)))
  })

  test('a page called header has sections of its own', () => {
    const page = { ...homePage(start), id: 'header' as PageId, rank: 'b00', segment: 'header' }
    const document = edited(start, { type: 'page/insert', page })
    expect(sectionsOn(document, page.id)).toEqual([])
    expect(sectionsIn(document, { type: 'header' })).toHaveLength(1)
  })

  test('which page a section stands on, and how far a change of it reaches', () => {
    expect(pageOfSection(start, 'about.story')?.id).toBe('about')
    expect(reachOf(start, 'about.story' as SectionId)).toBe('this page')
    expect(reachOf(start, 'not-found' as SectionId)).toBe('this page')
    for (const everywhere of ['header', 'footer', 'gone']) {
      expect(pageOfSection(start, everywhere)).toBeNull()
      expect(reachOf(start, everywhere as SectionId)).toBe('every page')
    }
  })

  test('a document without a page is not one', () => {
    expect(() => homePage({ ...start, pages: {} })).toThrow('A site document has at least one page')
  })

  test('by their names, the looks are the very same when a section only moves', () => {
    const [first, second] = sectionsOn(start, 'about' as PageId)
    const moved = edited(start, { type: 'section/move', section: first!.id, in: first!.in, rank: `${second!.rank}V` })
    expect(sectionsOn(moved, 'about' as PageId)[1]).toMatchObject({ id: first!.id })
    expect(looksOf(moved)).not.toEqual(looksOf(start))
    expect(looksByName(moved)).toBe(looksByName(start))
    expect(new Set(looksByName(start))).toEqual(new Set(looksOf(start)))
  })

  test('the looks of a site: each once, in order, and the very same while nothing is dressed anew', () => {
    const looks = (document: SiteDocument): string[] => looksOf(document).map((l) => `${l.kind}/${l.design}/${l.tone}`)
    const name = ({ kind, design, tone }: Section): string => `${kind}/${design}/${tone}`
    expect(looks(start)).toEqual([...new Set(allSections(start).map(name))])
    expect(looksOf(start)[0]).toEqual({ kind: 'header', design: 'ledger-head', tone: 'paper' })
    const typed = edited(start, {
      type: 'slot/set',
      section: 'home.hero' as SectionId,
      entry: null,
      slot: 'heading',
      value: { type: 'text', text: 'x' },
    })
    expect(looksOf(typed)).toBe(looksOf(start))
    const toned = edited(start, { type: 'section/set', section: 'about.figures' as SectionId, part: 'tone', value: 'accent' })
    expect(looks(toned)).toContain('figures/ruled/accent')
    expect(looks(toned)).not.toContain('figures/ruled/tint')
    const gone = edited(start, { type: 'page/remove', page: 'about' as PageId })
    expect(looks(gone)).not.toContain('figures/ruled/tint')
    expect(looks(start)).toContain('figures/ruled/tint')
    // However many sites have been looked at since, the answer stays right.
    for (let i = 0; i < 60; i++) {
      const hero = { ...start.sections['home.hero']!, design: `design-${i}` }
      expect(looks({ ...start, sections: { ...start.sections, 'home.hero': hero } })).toContain(`hero/design-${i}/paper`)
    }
    expect(looks(start)).toEqual([...new Set(allSections(start).map(name))])
  })
})
