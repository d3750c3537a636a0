import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import { liveState } from '../plan'
import { findPage, pagesOf, type PageId, type SectionId } from '../site'
import { compareSites, pagesDiffering } from '.'

const site = testSite({ name: 'Compared' })
const was = site.document
const about = findPage(was, 'about' as PageId)!
const heading = setText('about.title', 'heading', 'We mend what others throw away')
const with_ = (...edits: Parameters<typeof edited>[1][]): typeof site => ({ ...site, document: edited(was, ...edits) })

test('two states that are the same have nothing to tell', () => {
  const { pages, shared, isDressedAnew } = compareSites(site, site)
  expect(pages.length).toBe(pagesOf(was).length)
  expect(pages.every(({ state, boxed }) => state === 'same' && boxed.size === 0)).toBe(true)
  expect([shared, isDressedAnew]).toEqual([[], false])
  expect(pagesDiffering(was, was).size).toBe(0)
})

test('what one place says is told word by word, on its page alone, with its section in a box', () => {
  const first = with_(heading)
  const then = { ...site, document: edited(first.document, setText('about.title', 'heading', 'We mend what others keep')) }
  const { pages } = compareSites(first, then)
  const changed = pages.filter(({ state }) => state !== 'same')
  expect(changed.map(({ page }) => page)).toEqual([about.id])
  expect(changed[0]!.boxed).toEqual(new Set(['about.title']))
  expect(changed[0]!.places).toHaveLength(1)
  expect(changed[0]!.places[0]!.words).toEqual([
    { type: 'same', words: 'We mend what others ' },
    { type: 'gone', words: 'throw away' },
    { type: 'new', words: 'keep' },
  ])
  expect(pagesDiffering(first.document, then.document)).toEqual(new Set([about.id]))
})

test('a page that came and one that went are told as such, whichever way they are compared', () => {
  const without = with_({ type: 'page/remove', page: about.id })
  const state = (a: typeof site, b: typeof site): string | undefined =>
    compareSites(a, b).pages.find(({ page }) => page === about.id)?.state
  expect(state(site, without)).toBe('gone')
  expect(state(without, site)).toBe('new')
  expect(pagesDiffering(was, without.document)).toContain(about.id)
})

test('a fact is on every page; colours dress them all anew', () => {
  const phone = with_({ type: 'fact/set', fact: 'phone', value: '01632 960777' })
  const { shared, pages } = compareSites(site, phone)
  expect(shared.map(({ name, group }) => [group, name])).toEqual([['Client facts', 'Telephone']])
  expect(pages.filter(({ boxed }) => boxed.size > 0).length).toBeGreaterThan(0)
  expect(pagesDiffering(was, phone.document).size).toBe(pagesOf(was).length)
  expect(compareSites(site, with_({ type: 'brand/set', part: 'colour', value: '#204060' })).isDressedAnew).toBe(true)
})

test('another picture is told as one, and a section that is gone stands in a box on its page', () => {
  const gone = with_({ type: 'section/remove', section: 'about.title' as SectionId })
  const page = compareSites(site, gone).pages.find((one) => one.page === about.id)!
  expect(page.boxed).toContain('about.title')
  expect(page.places.every(({ words }) => words?.every(({ type }) => type === 'gone') ?? true)).toBe(true)
})

test('what a page says in its head alone differs too: that it is not to be found, and on the home page what verifies the site', () => {
  const then = with_(
    { type: 'page/set', page: about.id, part: 'unfound', value: true },
    { type: 'verification/set', name: 'a-site-check', value: 'abc' },
  )
  const changed = compareSites(site, then).pages.filter(({ state }) => state === 'changed')
  expect(changed.map(({ page, places }) => [page, places.map(({ name }) => name)])).toEqual([
    ['home', ['Verification']],
    [about.id, ['Those who search']],
  ])
  expect(pagesDiffering(was, then.document)).toEqual(new Set(['home', about.id]))
  expect(liveState(site, then, findPage(then.document, about.id)!, true)).toBe('changed')
})
