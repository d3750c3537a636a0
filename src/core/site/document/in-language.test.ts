import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { editOf, someEdit } from '../../../../tests/some-edits'
import {
  applyEdit,
  collectionOf,
  differences,
  findSection,
  inLanguage,
  itemsOf,
  mergeEdits,
  pagesOf,
  parsePlaceKey,
  placeKey,
  sayIn,
  toEdit,
  wordsOfEdit,
  type Edit,
  type EntryId,
  type PageId,
  type Place,
  type SectionId,
  type SiteDocument,
} from '..'

const start = testSite({ name: 'Client', tagline: 'Bread, mostly' }).document
const hero = 'home.hero' as SectionId
const done = (document: SiteDocument, edit: Edit): SiteDocument => {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
  return applied.document
}
const heading = (text: string | null, language?: string): Edit => ({
  type: 'slot/set',
  section: hero,
  entry: null,
  slot: 'heading',
  value: text === null ? null : { type: 'text', text },
  ...(language && { language }),
})
const headed = (document: SiteDocument): unknown => findSection(document, hero)?.slots.heading

describe('a place', () => {
  test('says something else in another language, and its own where it says nothing there', () => {
    const own = done(start, heading('Good bread'))
    const both = done(own, heading('Bara da', 'cy'))
    expect(headed(both)).toEqual({ type: 'text', text: 'Good bread', said: { cy: { text: 'Bara da' } } })
    expect(headed(inLanguage(both, 'cy'))).toEqual({ type: 'text', text: 'Bara da' })
    expect(headed(inLanguage(both, 'de'))).toEqual({ type: 'text', text: 'Good bread' })
    // What is written anew in the site's own language is not what another says, and stays there beside it.
    expect(headed(inLanguage(done(both, heading('Better bread')), 'cy'))).toEqual({ type: 'text', text: 'Bara da' })
    expect(headed(done(both, heading(null, 'cy')))).toEqual({ type: 'text', text: 'Good bread' })
    expect(headed(done(both, heading(null)))).toBeUndefined()
  })

  test('emptied and filled again in one gesture says nothing in other languages: the two are not made one', () => {
    const both = done(done(start, heading('Good bread')), heading('Bara da', 'cy'))
    const [first, then] = [heading(null), heading('Better bread')]
    const after = done(done(both, first), then)
    expect(headed(inLanguage(after, 'cy'))).toEqual({ type: 'text', text: 'Better bread' })
    expect(mergeEdits(first, then)).toBeNull()
    // Typing on is one edit, and so is emptying twice.
    expect(mergeEdits(then, heading('Best bread'))).toEqual(heading('Best bread'))
    expect(mergeEdits(first, first)).toEqual(first)
  })

  test('that says nothing in the site’s own language has nothing to say in another, and the words are given back', () => {
    const edit = heading('Bara da', 'cy')
    expect(applyEdit(start, edit)).toEqual({ ok: false, problem: { code: 'ownWordsGone' } })
    expect(wordsOfEdit(edit)).toEqual(['Bara da'])
  })

  test('another picture is described anew; the same one keeps what it is called in each language', () => {
    const picture = (asset: string, alt: string, language?: string): Edit => ({
      type: 'slot/set',
      section: hero,
      entry: null,
      slot: 'picture',
      value: { type: 'image', asset, alt },
      ...(language && { language }),
    })
    const both = done(done(start, picture('tallow/a.jpg', 'A loaf')), picture('tallow/a.jpg', 'Torth', 'cy'))
    const alt = (document: SiteDocument): unknown => findSection(inLanguage(document, 'cy'), hero)?.slots.picture
    expect(alt(done(both, picture('tallow/a.jpg', 'One loaf')))).toMatchObject({ alt: 'Torth' })
    expect(alt(done(both, picture('tallow/b.jpg', 'An oven')))).toMatchObject({ alt: 'An oven' })
  })

  test('what is done to a site as it is read in a language is said there alone; what is no words, for all', () => {
    const link = (label: string, url: string): Edit => ({
      type: 'slot/set',
      section: hero,
      entry: null,
      slot: 'action',
      value: { type: 'link', label, to: { type: 'url', url } },
    })
    const own = done(start, link('Order', 'https://a.example/'))
    const both = done(own, sayIn(own, link('Archebu', 'https://b.example/'), 'cy'))
    expect(findSection(both, hero)?.slots.action).toEqual({
      type: 'link',
      label: 'Order',
      to: { type: 'url', url: 'https://b.example/' },
      said: { cy: { label: 'Archebu' } },
    })
    const fact = sayIn(own, { type: 'fact/set', fact: 'tagline', value: 'Bara, gan mwyaf' }, 'cy')
    expect(inLanguage(done(own, fact), 'cy').facts.tagline).toEqual({ value: 'Bara, gan mwyaf' })
    expect(done(own, fact).facts.tagline).toMatchObject({ value: 'Bread, mostly' })
    expect(sayIn(own, heading('x'), start.language)).toEqual(heading('x'))
  })

  test('a record that says the same in both languages is the very one, so that what is kept of it holds', () => {
    const both = done(done(start, heading('Good bread')), heading('Bara da', 'cy'))
    const read = inLanguage(both, 'cy')
    expect(read.pages).toBe(both.pages)
    for (const [id, section] of Object.entries(both.sections)) if (id !== hero) expect(findSection(read, id)).toBe(section)
    expect(inLanguage(both, 'cy').sections).toBe(read.sections)
  })
})

test('whatever is done in whatever language is undone by its inverse, and the steps between two documents lead to the other', () => {
  let tried = 0
  let said = 0
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 5, maxLength: 30 }), (edits) => {
      let document = start
      let count = 0
      for (const some of edits) {
        const edit = editOf(document, some, () => `n${count++}`)
        const applied = edit && applyEdit(document, edit)
        if (!applied?.ok) continue
        tried++
        if (edit && 'language' in edit) said++
        expect(done(applied.document, applied.inverse)).toEqual(document)
        expect(done(document, toEdit(differences(document, applied.document)))).toEqual(applied.document)
        document = applied.document
      }
      expect(done(document, toEdit(differences(document, start)))).toEqual(start)
    }),
    { numRuns: 60, seed: 11 },
  )
  expect(tried).toBeGreaterThan(500)
  expect(said).toBeGreaterThan(10)
})

test('a place is read back from its key, and a key that names none is none', () => {
  const places: readonly Place[] = [
    { type: 'slot', section: hero, entry: null, slot: 'heading' },
    { type: 'slot', section: 'fact' as SectionId, entry: null, slot: 'phone' },
    { type: 'slot', section: hero, entry: { list: 'items', nth: 3 }, slot: 'title' },
    { type: 'slot', section: hero, entry: { list: 'items', id: '3' as EntryId }, slot: 'title' },
    { type: 'fact', fact: 'phone' },
    { type: 'label', label: 'menu' },
    { type: 'page', page: 'about' as PageId, part: 'address' },
    { type: 'brand', part: 'colour' },
  ]
  for (const place of places) expect(parsePlaceKey(placeKey(place))).toEqual(place)
  expect(new Set(places.map(placeKey)).size).toBe(places.length)
  for (const key of ['', 'home.hero', ':fact nothing', ':page about', 'a b c', 'a b 0 c', 'a b c d', ':brand', 'a b 1 c d', ':slot a b'])
    expect(parsePlaceKey(key), key).toBeNull()
})

describe('a block', () => {
  const mixed = { ...findSection(start, hero)!, id: 'mixed' as SectionId, kind: 'mixed' as const, rank: 'b00', slots: {} }
  const there = done(start, { type: 'section/insert', section: mixed })
  const block = (id: string, what: object): Edit =>
    ({ type: 'entry/insert', section: 'mixed', entry: { list: 'blocks', id }, rank: 'a1', slots: {}, ...what }) as Edit

  test('says its own type, and takes what that takes', () => {
    const two = done(done(there, block('one', { block: 'quote' })), block('two', { block: 'picture' }))
    const set = (id: string, slot: string, value: object): Edit =>
      ({ type: 'slot/set', section: 'mixed', entry: { list: 'blocks', id }, slot, value }) as Edit
    const words = { type: 'text', text: 'Once more' }
    expect(done(two, set('one', 'quote', words)).entries.one?.slots.quote).toEqual(words)
    expect(applyEdit(two, set('two', 'quote', words))).toMatchObject({ problem: { code: 'slotUnknown' } })
    expect(applyEdit(two, set('one', 'quote', { type: 'image', asset: 'a', alt: '' }))).toMatchObject({ problem: { code: 'valueWrong' } })
    const away = applyEdit(two, { type: 'entry/remove', section: mixed.id, entry: { list: 'blocks', id: 'one' as EntryId } })
    expect(away.ok && done(away.document, away.inverse)).toEqual(two)
    expect(done(there, toEdit(differences(there, two)))).toEqual(two)
  })

  test('stands only in a list of blocks, where everything is one', () => {
    expect(applyEdit(there, block('one', {}))).toMatchObject({ problem: { code: 'valueWrong' } })
    const inServices = { ...block('one', { block: 'quote' }), section: 'home.services', entry: { list: 'items', id: 'one' } } as Edit
    expect(applyEdit(there, inServices)).toMatchObject({ problem: { code: 'valueWrong' } })
  })
})

test('a collection’s items stand by day, by name or by hand; of one that is gone they are pages as before', () => {
  const [, ...pages] = pagesOf(start)
  const set = (page: PageId, part: string, value: unknown): Edit => ({ type: 'page/set', page, part, value }) as Edit
  const named = pages
    .slice(0, 3)
    .flatMap(({ id }, i) => [
      set(id, 'role', 'item'),
      set(id, 'collection', 'journal'),
      set(id, 'date', ['2026-03-01', '2026-05-01', '2026-01-31'][i]),
      set(id, 'name', ['Ä 10', 'Ä 9', 'b'][i]),
    ])
  const journal = (order: string): Edit =>
    ({ type: 'collection/set', collection: 'journal', value: { id: 'journal', name: { text: 'Journal' }, order } }) as Edit
  const items = (order: string): readonly string[] => {
    const document = [...named, journal(order)].reduce(done, start)
    return itemsOf(
      document,
      collectionOf(
        document,
        pagesOf(document).find(({ role }) => role === 'item')!,
      )!,
    ).map(({ id }) => id)
  }
  const [first, second, third] = pages.map(({ id }) => id)
  expect(items('hand')).toEqual([first, second, third])
  expect(items('day')).toEqual([second, first, third])
  expect(items('name')).toEqual([second, first, third])
  const gone = named.reduce(done, start)
  expect(collectionOf(gone, pagesOf(gone)[1]!)).toBeNull()
})
