import fc from 'fast-check'
import { expect, test } from 'vitest'
import { editOf, someEdit } from '../../../tests/some-edits'
import { testSite } from '../../../tests/pack'
import { edited, setItem, setText } from '../../../tests/site'
import { applyEdit, findPage, pagesOf, placeKey, sectionsOfPage, type PageId, type SiteDocument } from '../site'
import { restorePage, restoreSite, restorablePlaces } from '.'

const past = testSite({ name: 'Then' }).document
const about = 'about' as PageId
const now = edited(
  past,
  setText('home.hero', 'heading', 'Now'),
  setItem('home.services', 2, 'title', 'Other'),
  setText('about.title', 'heading', 'We, now'),
  { type: 'fact/set', fact: 'phone', value: '01632 960001' },
)

test('what says something else now is every place that does, and nothing more', () => {
  expect(
    restorablePlaces(now, past)
      .map(({ place }) => placeKey(place))
      .toSorted(),
  ).toEqual(['about.title heading', ':fact phone', 'home.hero heading', 'home.services items 2 title'].toSorted())
  expect(restorablePlaces(past, past)).toEqual([])
})

test('one place comes back alone, one page with all that stands on it, and the site whole', () => {
  const [first] = restorablePlaces(now, past)
  const one = edited(now, first!.step)
  expect(restorablePlaces(one, past)).toHaveLength(3)
  const page = edited(now, restorePage(now, past, about)!)
  expect(sectionsOfPage(page, about)).toEqual(sectionsOfPage(past, about))
  expect(restorablePlaces(page, past).map(({ place }) => placeKey(place))).not.toContain('about.title heading')
  expect(restorablePlaces(page, past)).toHaveLength(3)
  expect(edited(now, restoreSite(now, past)!)).toEqual(past)
  expect(restoreSite(past, past)).toBeNull()
  expect(restorePage(now, past, 'no-such' as PageId)).toBeNull()
})

test('a page that is gone comes back with its sections; under the top where what it stood under is gone', () => {
  const gone = edited(now, { type: 'page/remove', page: about })
  expect(findPage(gone, about)).toBeNull()
  const back = edited(gone, restorePage(gone, past, about)!)
  expect(sectionsOfPage(back, about)).toEqual(sectionsOfPage(past, about))
  expect(pagesOf(back).map(({ id }) => id)).toContain(about)
})

test('whatever was done since, the site comes back as it was, and each page that still can', () => {
  const tally = { whole: 0, pages: 0 }
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 4, maxLength: 16 }), (some) => {
      let document: SiteDocument = past
      let made = 0
      for (const one of some) {
        const edit = editOf(document, one, () => `made-${++made}`)
        const applied = edit && applyEdit(document, edit)
        if (applied?.ok) document = applied.document
      }
      const whole = restoreSite(document, past)
      if (whole) {
        expect(edited(document, whole)).toEqual(past)
        tally.whole++
      }
      for (const page of pagesOf(past)) {
        const edit = restorePage(document, past, page.id)
        const applied = edit && applyEdit(document, edit)
        if (!applied?.ok) continue
        const bare = (of: SiteDocument): unknown => sectionsOfPage(of, page.id).map((section) => ({ ...section, same: undefined }))
        expect(bare(applied.document)).toEqual(bare(past))
        tally.pages++
      }
    }),
    { seed: 13, numRuns: 60 },
  )
  expect(tally.whole).toBeGreaterThan(30)
  expect(tally.pages).toBeGreaterThan(100)
})
