import fc from 'fast-check'
import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setSlot, setText } from '../../../tests/site'
import { afterSome, someEdit } from '../../../tests/some-edits'
import { parsePlaceKey, placeKey, type SiteDocument } from '../site'
import { CHECK_NAMES, countSnags, openIn, snagsOf } from '.'

const { pack, document: start } = testSite({ name: 'Hollin & Rowe' })
const counts = (document: SiteDocument): Readonly<Record<string, number>> =>
  Object.fromEntries(CHECK_NAMES.map((check) => [check, countSnags(check, pack, document)]))

test('what is counted is what is listed, each place once, whatever is done', () => {
  let looked = 0
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 4, maxLength: 20 }), (edits) => {
      const document = afterSome(start, edits)
      for (const check of CHECK_NAMES) {
        const snags = snagsOf(check, pack, document)
        expect(snags.length, check).toBe(countSnags(check, pack, document))
        if (check === 'near') continue
        const keys = snags.map(({ place }) => placeKey(place))
        expect(new Set(keys).size, check).toBe(keys.length)
        for (const { place } of snags) expect(parsePlaceKey(placeKey(place))).toEqual(place)
        looked += keys.length
      }
    }),
    { numRuns: 40, seed: 8 },
  )
  expect(looked).toBeGreaterThan(1000)
})

test('a place that is filled leaves the list of its check, and comes into that of another where it is open otherwise', () => {
  const before = counts(start)
  expect(before).toMatchObject({ factMissing: 5, brandMissing: 2, draft: 0, near: 0 })
  const filled = edited(start, setText('home.hero', 'heading', 'Ring us'))
  expect(counts(filled)).toEqual({ ...before, leftover: before.leftover! - 1 })
  const drafted = edited(start, setSlot('home.hero', 'heading', { type: 'text', text: 'Ring us', draft: true }))
  expect(counts(drafted)).toEqual({ ...before, leftover: before.leftover! - 1, draft: 1 })
  expect(snagsOf('draft', pack, drafted)).toMatchObject([{ check: 'draft', place: { slot: 'heading' }, words: 'Ring us' }])
  const dummy = edited(start, setText('home.hero', 'heading', 'Lorem ipsum dolor sit'))
  expect(snagsOf('near', pack, dummy)).toMatchObject([{ check: 'near', place: { slot: 'heading' } }])
})

test('a stage says what is open in it, and nothing where nothing is', () => {
  expect(openIn('Brief', pack, start)).toEqual([{ check: 'factMissing', count: 5, counted: 'not set' }])
  expect(openIn('Content', pack, start).map(({ check }) => check)).toEqual(['leftover'])
  const branded = edited(
    start,
    { type: 'brand/set', part: 'colour', value: '#7a3b2e' },
    { type: 'brand/set', part: 'logo', value: 'logo-1' },
  )
  expect(openIn('Brand', pack, branded)).toEqual([])
})
