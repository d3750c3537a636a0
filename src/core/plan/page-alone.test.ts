import fc from 'fast-check'
import { expect, test } from 'vitest'
import { editOf, someEdit } from '../../../tests/some-edits'
import { testSite } from '../../../tests/pack'
import { edited, setSlot, setText } from '../../../tests/site'
import { pagesWithOwnDifferences } from '../compare'
import {
  applyEdit,
  differences,
  findPage,
  findSection,
  pagesOf,
  sectionsOfPage,
  sectionsOn,
  shownSection,
  valuesShown,
  type PageId,
  type SectionId,
  type SiteDocument,
} from '../site'
import { withPageAlone } from '.'

const site = testSite({ name: 'Alone' })
const live = site.document
const about = 'about' as PageId
const alone = (was: SiteDocument, now: SiteDocument, page: PageId = about): SiteDocument => {
  const made = withPageAlone(was, now, page)
  if (!made.ok) throw new Error(made.why)
  return made.document
}
/** What each section of a page shows of the client's. */
const shownOn = (document: SiteDocument, page: PageId): unknown =>
  sectionsOfPage(document, page).map((section) => [section.kind, valuesShown(document, section)])

test('one page is as it is by now; other pages, and what every page shows, stay as visitors have them', () => {
  const now = edited(
    live,
    setText('about.title', 'heading', 'We, now'),
    setText('home.hero', 'heading', 'Home, now'),
    { type: 'fact/set', fact: 'phone', value: '01632 960001' },
    { type: 'brand/set', part: 'colour', value: '#204060' },
  )
  const made = alone(live, now)
  expect(made).toEqual(edited(live, setText('about.title', 'heading', 'We, now')))
  expect(pagesWithOwnDifferences(live, now)).toEqual(new Set(['home', about]))
  expect(pagesWithOwnDifferences(made, now)).toEqual(new Set(['home']))
  // One after the other, what is left is what every page shows.
  const both = alone(made, now, 'home' as PageId)
  expect(
    differences(both, now)
      .map(({ type }) => type)
      .toSorted(),
  ).toEqual(['brand/set', 'fact/set'])
})

test('a new page comes and one that is gone goes; one under a page that visitors do not have says so', () => {
  const gone = edited(live, { type: 'page/remove', page: about })
  expect(alone(live, gone)).toEqual(gone)
  expect(alone(gone, live)).toEqual(live)
  const page = findPage(live, about)!
  const under = edited(gone, {
    type: 'page/insert',
    page: { ...page, id: 'above' as PageId, segment: 'above' },
    sections: [],
    entries: [],
  } as never)
  const deep = edited(under, {
    type: 'page/insert',
    page: { ...page, in: { type: 'page', page: 'above' as PageId } },
    sections: [],
    entries: [],
  } as never)
  expect(withPageAlone(gone, deep, about)).toEqual({ ok: false, why: 'it stands under a page that visitors do not have yet' })
})

test('an address that another page still has is told, and nothing is made', () => {
  const home = findPage(live, 'home')!
  const contact = pagesOf(live).find(({ id, in: at }) => id !== about && id !== home.id && at.type === 'site')!
  const segment = contact.segment!
  const now = edited(
    live,
    { type: 'page/set', page: contact.id, part: 'segment', value: 'elsewhere' },
    { type: 'page/set', page: about, part: 'segment', value: segment },
  )
  expect(withPageAlone(live, now, about)).toEqual({ ok: false, why: `there is a page at “/${segment}/” already` })
})

test('what a page shows of sections that visitors do not have, it says of its own', () => {
  const first = findSection(live, 'about.title' as SectionId)!
  const made = { ...first, id: 'made' as SectionId, in: { type: 'page', page: 'home' as PageId } as typeof first.in, rank: 'z1' }
  const shared = { ...made, id: 'sharer' as SectionId, in: first.in, same: made.id }
  const now = edited(
    live,
    { type: 'section/insert', section: made },
    setText('made', 'heading', 'Said once'),
    { type: 'section/insert', section: shared },
    setSlot('about.title', 'heading', { type: 'same', as: { section: made.id, entry: null, slot: 'heading' }, own: null } as never),
  )
  const page = alone(live, now)
  expect(findSection(page, made.id)).toBeNull()
  const sharer = findSection(page, shared.id)!
  expect(sharer.same).toBeUndefined()
  expect(shownSection(page, sharer).slots.heading).toEqual({ type: 'text', text: 'Said once' })
  expect(findSection(page, first.id)!.slots.heading).toEqual({ type: 'text', text: 'Said once' })
})

test('what a page shows of its own sections goes on following them, new as they are', () => {
  const first = findSection(live, 'about.title' as SectionId)!
  const made = { ...first, id: 'made' as SectionId, rank: 'z1' }
  const now = edited(
    live,
    { type: 'section/insert', section: made },
    setText('made', 'heading', 'Said once'),
    setSlot('about.title', 'heading', { type: 'same', as: { section: made.id, entry: null, slot: 'heading' }, own: null } as never),
  )
  const page = alone(live, now)
  expect(findSection(page, first.id)!.slots.heading).toMatchObject({ type: 'same', as: { section: made.id } })
  expect(findSection(page, made.id)!.slots.heading).toEqual({ type: 'text', text: 'Said once' })
  // So does what follows a place that visitors have.
  const known = edited(
    live,
    setSlot('about.title', 'heading', {
      type: 'same',
      as: { section: 'home.hero' as SectionId, entry: null, slot: 'heading' },
      own: null,
    } as never),
  )
  expect(findSection(alone(live, known), first.id)!.slots.heading).toMatchObject({ type: 'same', as: { section: 'home.hero' } })
})

test('what others share of a section that leaves the page stays theirs', () => {
  const first = findSection(live, 'about.title' as SectionId)!
  const was = edited(live, setText('about.title', 'heading', 'Shared'), {
    type: 'section/insert',
    section: {
      ...first,
      id: 'other' as SectionId,
      in: { type: 'page', page: 'home' as PageId } as typeof first.in,
      rank: 'z1',
      same: first.id,
    },
  })
  const now = edited(live, { type: 'section/remove', section: first.id })
  const made = alone(was, now)
  expect(sectionsOfPage(made, about).map(({ id }) => id)).not.toContain(first.id)
  const last = sectionsOn(made, 'home' as PageId).at(-1)!
  expect(shownSection(made, last).slots.heading).toEqual({ type: 'text', text: 'Shared' })
})

test('whatever was done since, a page that goes out alone shows what it does by now, and the others what they did', () => {
  let made = 0
  let others = 0
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 4, maxLength: 16 }), (some) => {
      let now = live
      for (const one of some) {
        const edit = editOf(now, one, () => `made-${++made}`)
        const applied = edit && applyEdit(now, edit)
        if (applied?.ok) now = applied.document
      }
      for (const { id } of pagesOf(now)) {
        const one = withPageAlone(live, now, id)
        if (!one.ok) continue
        for (const other of pagesOf(live)) {
          if (other.id === id || !findPage(one.document, other.id)) continue
          others++
          expect(shownOn(one.document, other.id)).toEqual(shownOn(live, other.id))
        }
        expect(shownOn(one.document, id)).toEqual(shownOn(now, id))
      }
    }),
    { numRuns: 150 },
  )
  expect(others).toBeGreaterThan(1000)
})
