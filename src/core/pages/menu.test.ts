import { expect, test } from 'vitest'
import { flatMenu, menuOf, pagePath, pathAt, relativePath, rootOf, type MenuEntry } from '.'
import { fillPage, type FilledNode, type Site } from '../fill'
import { pageData, renderBody } from '../render'
import { applyEdit, findPage, toEdit, type EditStep, type PageId, type PageIn, type Signpost } from '../site'
import { testSite } from '../../../tests/pack'

const under = (page: string): PageIn => ({ type: 'page', page: page as PageId })
const start = testSite({ name: 'Client' })

function withSteps(site: Site, ...steps: readonly EditStep[]): Site {
  const applied = applyEdit(site.document, toEdit(steps))
  if (!applied.ok) throw new Error(applied.problem.code)
  return { ...site, document: applied.document }
}

const sign: Signpost = {
  id: 'shop',
  in: under('about'),
  rank: 'a2',
  listed: 'menu',
  label: { text: 'Shop & post' },
  to: { type: 'url', url: 'https://shop.example/' },
}
const nested = withSteps(
  start,
  { type: 'page/move', page: 'services' as PageId, in: under('about'), rank: 'a1' },
  { type: 'page/move', page: 'contact' as PageId, in: under('services'), rank: 'a1' },
  { type: 'page/set', page: 'services' as PageId, part: 'label', value: 'What it costs' },
  { type: 'signpost/set', signpost: 'shop', value: sign },
)
const named = (entries: readonly MenuEntry[]): unknown[] =>
  entries.map((e) => [e.type === 'page' ? e.page.id : e.signpost.id, ...(e.under.length > 0 ? [named(e.under)] : [])])

test('a menu is the tree of what it lists, with its other entries among the pages by rank', () => {
  expect(named(menuOf(nested.document, 'menu'))).toContainEqual(['about', [['services', [['contact']]], ['shop']]])
})

test('what stands under a page that the menu does not list goes up to its place; what is hidden is in no menu', () => {
  const unlisted = withSteps(nested, { type: 'page/set', page: 'about' as PageId, part: 'listed', value: 'nowhere' })
  const top = named(menuOf(unlisted.document, 'menu'))
  expect(top).toContainEqual(['services', [['contact']]])
  expect(top).toContainEqual(['shop'])
  const hidden = withSteps(nested, { type: 'page/set', page: 'about' as PageId, part: 'hidden', value: true })
  const left = flatMenu(menuOf(hidden.document, 'menu')).map((e) => (e.type === 'page' ? e.page.id : e.signpost.id))
  expect(left.filter((id) => ['about', 'services', 'contact', 'shop'].includes(id))).toEqual([])
})

test('the page in hand is marked, and so is what it stands under; the label is the menu’s, the way there runs through every level', () => {
  const visit = findPage(nested.document, 'contact')!
  expect(pagePath(nested.document, visit)).toBe('/about/services/contact/')
  const html = renderBody({ ...nested, mode: 'release' }, visit)
  expect(html).toContain('<a href="../../../about/" aria-current="true"')
  expect(html).toContain('<a href="../../../about/services/" aria-current="true">What it costs</a>')
  expect(html).toContain('<a href="../../../about/services/contact/" aria-current="page"')
  expect(html).toContain('<a href="https://shop.example/">Shop &amp; post</a>')
  expect(html).toContain('<button class="menu-more" type="button" popovertarget="under-about" aria-label="About: Pages">')
  expect(html.match(/popovertarget="under-/g)).toHaveLength(1)
  // Search engines are told the same way (schema.org/BreadcrumbList).
  const { breadcrumb } = pageData(nested, visit, 'https://client.example') as { breadcrumb: { itemListElement: { item: string }[] } }
  expect(breadcrumb.itemListElement.map((step) => step.item.replace('https://client.example', ''))).toEqual([
    '/',
    '/about/',
    '/about/services/',
    '/about/services/contact/',
  ])
})

test('ways between pages of any depth join as the URL standard joins them (WHATWG URL, URL parser with a base)', () => {
  const { document } = nested
  for (const from of ['home', 'about', 'services', 'contact']) {
    for (const to of ['home', 'about', 'services', 'contact']) {
      const [a, b] = [findPage(document, from)!, findPage(document, to)!]
      const base = `https://site.example/folder${pagePath(document, a)}`
      expect(new URL(relativePath(document, a, b), base).pathname).toBe(`/folder${pagePath(document, b)}`)
    }
  }
})

test('from the page for wrong addresses ways are said whole, from the folder of its host that the site stands in', () => {
  const { document } = nested
  const contact = findPage(document, 'contact')!
  expect(relativePath(document, null, contact)).toBe(pagePath(document, contact))
  expect(relativePath(document, null, contact, rootOf('https://site.example/folder'))).toBe(`/folder${pagePath(document, contact)}`)
  const wrong = renderBody({ ...nested, mode: 'release', root: '/folder/' }, null)
  const ways = [...wrong.matchAll(/(?:href|src)="(\/[^"]*)"/g)].map(([, way = '']) => way)
  expect(ways.length).toBeGreaterThan(3)
  expect(ways.filter((way) => !way.startsWith('/folder/'))).toEqual([])
})

test('an address is one of the site where it stands under its origin', () => {
  const within = (url: string): string | null => pathAt('https://site.example/shop', url)
  expect([within('https://site.example/shop'), within('https://site.example/shop/about/?a#b')]).toEqual(['/', '/about/'])
  expect([within('https://site.example/shopping/'), within('https://site.example/'), within('https://other.example/shop/')]).toEqual([
    null,
    null,
    null,
  ])
  expect(pathAt('https://site.example', 'https://site.example/about/')).toBe('/about/')
})

test('a section that links lead to has its name on the page, and a link to it from elsewhere names the page too', () => {
  const first = Object.values(nested.document.sections).find((s) => s.in.type === 'page' && s.in.page === ('about' as PageId))!
  const site = withSteps(
    nested,
    { type: 'section/set', section: first.id, part: 'anchor', value: 'story' },
    { type: 'signpost/set', signpost: 'shop', value: { ...sign, to: { type: 'section', section: first.id } } },
  )
  const about = findPage(site.document, 'about')!
  expect(renderBody({ ...site, mode: 'release' }, about)).toMatch(/<section class="[^"]*" id="story"/)
  expect(renderBody({ ...site, mode: 'release' }, about)).toContain('<a href="#story">Shop &amp; post</a>')
  expect(renderBody({ ...site, mode: 'release' }, findPage(site.document, 'contact'))).toContain('<a href="../../../about/#story">')
})

test('a hidden section is on no page, and on a sheet a seam that says so', () => {
  const first = Object.values(start.document.sections).find((s) => s.in.type === 'page' && s.in.page === ('about' as PageId))!
  const site = withSteps(start, { type: 'section/set', section: first.id, part: 'hidden', value: true })
  const about = findPage(site.document, 'about')
  const drawn = fillPage(site, about).main.find((s) => s.id === first.id)
  expect(drawn?.gap?.type).toBe('hidden')
  expect(renderBody({ ...site, mode: 'sheet' }, about)).toContain('hidden, not published')
  const kept: readonly FilledNode[] = fillPage({ ...site, mode: 'release' }, about).main.flatMap((s) => s.root ?? [])
  expect(kept).toHaveLength(fillPage(start, about).main.length - 1)
})
