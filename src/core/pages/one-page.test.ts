import { expect, test } from 'vitest'
import { pagePath, redirectsOf, redirectTarget } from '.'
import { countLeftovers } from '../fill'
import { renderSitemap } from '../release'
import { designCss, renderBody, renderPage, type ReleaseFiles } from '../render'
import { applyEdit, homePage, pagesApart, pagesOf, sectionsOn, shownPages, type Page, type PageId, type SiteDocument } from '../site'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const many = site.document
const FILES: ReleaseFiles = {
  origin: 'https://client.example',
  stylesheet: 's.css',
  preloads: [],
  icons: { svg: 'a.svg', ico: 'a.ico', touch: 'a.png', manifest: 'a.webmanifest' },
}
const one = edited(many, { type: 'plan/set', part: 'onePage', value: true })
const page = (document: SiteDocument, id: string): Page => pagesOf(document).find((p) => p.id === (id as PageId))!
const bodyOf = (document: SiteDocument): string => renderBody({ ...site, document }, homePage(document))
const idsIn = (html: string): string[] => [...html.matchAll(/ id="([^"]+)"/g)].map((m) => m[1]!)

test('what the menu lists becomes one page, in order, with everything in it; and back again nothing is lost', () => {
  const body = bodyOf(one)
  const listed = pagesOf(many).filter((p) => p.listed === 'menu')
  const sections = listed.flatMap((p) => sectionsOn(many, p.id))
  const roots = [...body.matchAll(/<section class="([\w-]+) tone-/g)].map((m) => m[1])
  expect(roots).toEqual(sections.map((s) => `${s.kind}-${s.design}`))
  expect(body.match(/<h1[ >]/g)).toHaveLength(1)
  // The headings of the others look as their designs have them.
  expect(designCss({ ...site, document: one })).toContain('.title-folio :is(h1, h2) {')
  expect(designCss(site)).not.toContain(':is(h1')
  const applied = applyEdit(many, { type: 'plan/set', part: 'onePage', value: true })
  const back = applied.ok ? edited(applied.document, applied.inverse) : null
  expect(back).toEqual(many)
  expect(edited(one, { type: 'plan/set', part: 'onePage', value: null })).toEqual(many)
})

test('the menu is one of places: each entry leads to a spot that is on the page, once, and none leaves it', () => {
  const body = bodyOf(one)
  const ids = idsIn(body)
  expect(new Set(ids).size).toBe(ids.length)
  const menu = /<nav[^>]*class="menu"[\s\S]*?<\/nav>/.exec(body)![0]
  const hrefs = [...menu.matchAll(/href="([^"]+)"/g)].map((m) => m[1]!)
  expect(hrefs.length).toBeGreaterThan(3)
  for (const href of hrefs.filter((h) => h !== './')) expect(ids).toContain(href.slice(1))
  // From a page that stays apart, the same entries lead home first.
  const terms = renderBody({ ...site, document: one }, page(one, 'legal'))
  expect(terms).toContain('href="../#about"')
  expect(terms).not.toContain('href="#about"')
})

test('a spot’s name is never that of another: a section’s own goes before, and what is taken gets another', () => {
  const [first] = sectionsOn(one, 'about' as PageId)
  const own = edited(one, { type: 'section/set', section: first!.id, part: 'anchor', value: 'who' })
  expect(pagePath(own, page(own, 'about'))).toBe('/#who')
  const [hero] = sectionsOn(one, homePage(one).id)
  const taken = edited(one, { type: 'section/set', section: hero!.id, part: 'anchor', value: 'about' })
  expect(pagePath(taken, page(taken, 'about'))).toBe('/#about-page')
  const ids = idsIn(bodyOf(taken))
  expect(new Set(ids).size).toBe(ids.length)
})

test('parts have no file, no place on the map and no description to give; visitors of their old addresses are led to the spot', () => {
  expect(pagesApart(one).map((p) => p.id)).toEqual(shownPages(many).flatMap((p, i) => (i === 0 || p.listed !== 'menu' ? [p.id] : [])))
  expect(renderSitemap(one, 'https://client.example', () => '2026-11-27').match(/<loc>/g)).toHaveLength(pagesApart(one).length)
  const published = shownPages(many).map((p) => ({ path: pagePath(many, p), page: p.id }))
  const led = Object.fromEntries(redirectsOf(one, published, 'https://client.example').map((r) => [r.from, redirectTarget(one, r)]))
  expect(led['/about/']).toBe('/#about')
  expect(Object.keys(led)).toHaveLength(shownPages(many).length - pagesApart(one).length)
  const parts = shownPages(many).length - pagesApart(one).length
  expect(countLeftovers(testPack(), one).total).toBe(countLeftovers(testPack(), many).total - parts)
  expect(renderPage({ ...site, document: one }, homePage(one), FILES).html).toContain(
    '<link rel="canonical" href="https://client.example/">',
  )
})
