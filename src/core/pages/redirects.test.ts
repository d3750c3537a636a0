import fc from 'fast-check'
import { expect, test } from 'vitest'
import { findPageByPath, pagePath, redirectFile, redirectsOf, redirectTarget, type PublishedPath } from '.'
import { renderRedirect } from '../render'
import { applyEdit, pagesOf, redirectPathSchema, shownPages, toEdit, type EditStep, type PageId, type SiteDocument } from '../site'
import * as v from 'valibot'
import { editOf, someEdit } from '../../../tests/some-edits'
import { testSite } from '../../../tests/pack'

const site = testSite({ name: 'Client' })
const start = site.document
const ORIGIN = 'https://client.example'

function after(document: SiteDocument, ...steps: readonly EditStep[]): SiteDocument {
  const applied = applyEdit(document, toEdit(steps))
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}
const published = (document: SiteDocument): PublishedPath[] =>
  shownPages(document).map((page) => ({ path: pagePath(document, page), page: page.id }))
const leads = (document: SiteDocument, was: readonly PublishedPath[]): Record<string, string | null> =>
  Object.fromEntries(redirectsOf(document, was, ORIGIN).map((r) => [r.from, redirectTarget(document, r)]))

test('a page that moved leads on from where visitors found it, one that is gone to the nearest page above it', () => {
  const was = published(start)
  expect(leads(start, was)).toEqual({})
  const moved = after(start, { type: 'page/move', page: 'services' as PageId, in: { type: 'page', page: 'about' as PageId }, rank: 'a1' })
  expect(leads(moved, was)).toEqual({ '/services/': '/about/services/' })
  const gone = after(moved, { type: 'page/remove', page: 'services' as PageId })
  expect(leads(gone, [...was, ...published(moved)])).toEqual({ '/services/': '/', '/about/services/': '/about/' })
  const hidden = after(start, { type: 'page/set', page: 'gallery' as PageId, part: 'hidden', value: true })
  expect(leads(hidden, was)).toEqual({ '/gallery/': '/' })
})

test('what is said by hand goes before what is reckoned; a page that stands goes before both', () => {
  const said = after(
    start,
    { type: 'redirect/set', path: '/old.html', value: { type: 'page', page: 'about' as PageId } },
    { type: 'redirect/set', path: '/shop/', value: { type: 'url', url: 'https://shop.example/' } },
    { type: 'redirect/set', path: '/gallery/', value: { type: 'url', url: 'https://shop.example/' } },
    { type: 'redirect/set', path: '/never', value: { type: 'gone' } },
    { type: 'redirect/set', path: '/back/', value: { type: 'url', url: `${ORIGIN}/back/` } },
    { type: 'redirect/set', path: '/forth', value: { type: 'url', url: `${ORIGIN}/contact` } },
  )
  expect(leads(said, [])).toEqual({
    '/old.html': '/about/',
    '/shop/': 'https://shop.example/',
    '/never': null,
    '/back/': '/',
    '/forth': '/contact/',
  })
  const without = after(said, { type: 'page/remove', page: 'about' as PageId })
  expect(leads(without, [])['/old.html']).toBe('/')
})

test('whatever is done with the pages, nothing leads in a circle or to what leads on itself, and all that visitors had is answered', () => {
  let led = 0
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 8, maxLength: 40 }), (some) => {
      let document = start
      let was: PublishedPath[] = []
      let n = 0
      some.forEach((one, i) => {
        const edit = editOf(document, { ...one, what: [11, 12, 12, 13, 15][one.what % 5]! }, () => `n${n++}`)
        const applied = edit && applyEdit(document, edit)
        if (applied?.ok) ({ document } = applied)
        if (i % 4 === 0) was = [...was, ...published(document)]
        if (one.what === 3)
          document = after(document, {
            type: 'redirect/set',
            path: pagePath(document, pagesOf(document).at(-1)!).replace(/^\/$/, '/x/'),
            value: { type: 'page', page: pagesOf(document)[0]!.id },
          })
      })
      const all = redirectsOf(document, was, ORIGIN)
      const from = new Set(all.map((r) => r.from))
      for (const redirect of all) {
        const to = redirectTarget(document, redirect)!
        expect(from.has(to)).toBe(false)
        expect(findPageByPath(document, to)).not.toBeNull()
      }
      for (const { path } of was) expect(from.has(path) || findPageByPath(document, path) !== null).toBe(true)
      led += all.length
    }),
    { numRuns: 60, seed: 11 },
  )
  expect(led).toBeGreaterThan(100)
})

test('the page that leads on finds its target from any depth, as the URL standard joins them, and tells search engines', () => {
  for (const from of ['/old/', '/old', '/a/b/c/', '/a/b.html']) {
    const html = renderRedirect(site, { from, to: { page: pagesOf(start)[1]! }, why: 'set' }, ORIGIN)!
    const href = /url=([^"]+)"/.exec(html)![1]!
    const served = `/folder/${redirectFile(from)!}`.replace(/index\.html$/, '')
    expect(new URL(href, `https://x.example${served}`).pathname).toBe('/folder/about/')
    expect(html).toContain(`<link rel="canonical" href="${ORIGIN}/about/">`)
    expect(html).toContain('<meta name="robots" content="noindex">')
  }
  const out = renderRedirect(site, { from: '/x/', to: { url: 'https://a.example/?a=1&b="2' }, why: 'set' }, ORIGIN)!
  expect(out).toContain('content="0; url=https://a.example/?a=1&amp;b=&quot;2"')
  expect(renderRedirect(site, { from: '/x/', to: null, why: 'set' }, ORIGIN)).toBeNull()
  expect(redirectFile('/shop.php')).toBeNull()
})

test('an address to lead on from is a path as RFC 3986 writes it, and nothing that leaves the site', () => {
  const takes = (path: string): boolean => v.is(redirectPathSchema, path)
  expect(['/a', '/a/', '/a/b.html', '/%C3%BC/', '/a:b@c/', '/~x/(y)'].map(takes)).toEqual([true, true, true, true, true, true])
  expect(['', '/', 'a', '//a', '/../a', '/a/..', '/a/./b', '/a b', '/a?b', '/a#b', '/%zz', '/ü', '/a//b'].filter(takes)).toEqual([])
})
