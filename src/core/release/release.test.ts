import { expect, test } from 'vitest'
import * as v from 'valibot'
import { testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'
import type { PageId } from '../site'
import {
  manifestSchema,
  parseSiteName,
  planPublish,
  renderRobots,
  readSitemapDays,
  renderSitemap,
  renderWebManifest,
  suggestSiteNames,
  type Manifest,
} from '.'

const file = (letter: string, bytes = 10): Manifest[string] => ({ hash: letter.repeat(64), bytes })

test('a plan names what is new, changed and removed, and counts what travels', () => {
  const plan = planPublish(
    { 'index.html': file('a'), 'old.css': file('b'), 'kept.jpg': file('c', 500) },
    { 'index.html': file('d', 20), 'new.css': file('e', 30), 'kept.jpg': file('c', 500) },
  )
  expect(plan).toEqual({
    added: [{ path: 'new.css', bytes: 30 }],
    changed: [{ path: 'index.html', bytes: 20 }],
    removed: [{ path: 'old.css', bytes: 10 }],
    unchanged: 1,
    bytesToSend: 50,
    bytesTotal: 550,
  })
})

test('publishing the same again changes nothing; the first time everything is new', () => {
  const site = { 'index.html': file('a'), 'style.css': file('b') }
  expect(planPublish(site, site)).toMatchObject({ added: [], changed: [], removed: [], unchanged: 2, bytesToSend: 0 })
  expect(planPublish({}, site).added).toHaveLength(2)
})

test('where contents are kept by their hash each travels once, and none that is there at another address', () => {
  const site = { 'index.html': file('a'), 'again.html': file('a'), 'photo.webp': file('b', 500) }
  expect(planPublish({}, site, {})).toMatchObject({ bytesToSend: 510, bytesTotal: 520 })
  const moved = planPublish({}, { ...site, 'new.css': file('c', 30) }, site)
  expect(moved).toMatchObject({ bytesToSend: 30, unchanged: 0 })
  expect(moved.added).toHaveLength(4)
})

test('files are listed by their paths, whatever order they came in', () => {
  const site = { b: file('a'), c: file('b'), a: file('c'), 'a/x': file('d') }
  expect(planPublish({}, site).added.map((f) => f.path)).toEqual(['a', 'a/x', 'b', 'c'])
  expect(planPublish(site, {}).removed.map((f) => f.path)).toEqual(['a', 'a/x', 'b', 'c'])
  expect(planPublish({}, JSON.parse('{"constructor": {"hash": "", "bytes": 1}}') as Manifest).added).toHaveLength(1)
})

test('a manifest holds whole hashes, sizes of no less than nothing, and paths that stay inside the site', () => {
  const takes = (path: string, entry: unknown): boolean => v.safeParse(manifestSchema, { [path]: entry }).success
  const whole = file('a')
  for (const path of ['a', 'index.html', 'a/b/c.jpg', 'ab/cd', 'a.b/c d', 'é', 'x'.repeat(300)]) expect(takes(path, whole), path).toBe(true)
  for (const path of ['a/.b', 'a/./b', '\0', 'a/\0', 'x'.repeat(301)]) expect(takes(path, whole), path).toBe(false)
  for (const hash of ['a'.repeat(63), 'a'.repeat(65), ` ${'a'.repeat(64)}`, `${'a'.repeat(64)}\n`, 'g'.repeat(64), 'A'.repeat(64), 'a', ''])
    expect(takes('a', { hash, bytes: 1 }), hash).toBe(false)
  for (const bytes of [-1, 0.5, '1', null]) expect(takes('a', { ...whole, bytes })).toBe(false)
  expect(takes('a', { ...whole, bytes: 0 })).toBe(true)
  expect(takes('a', { ...whole, more: 1 })).toBe(false)
})

test.each(['../up', '/root', 'a//b', 'a/../b', '.hidden', 'a\\b', 'a/', ''])('the path “%s” is no path of a site', (path) => {
  expect(v.safeParse(manifestSchema, { [path]: file('a') }).success).toBe(false)
})

test('names offered are like the one wanted, fit, come once, and read well', () => {
  expect(suggestSiteNames('wren', { name: 'tolliver-wren', locality: 'eastmere', trade: '' }).slice(0, 5)).toEqual([
    'tolliver-wren',
    'wren-eastmere',
    'tolliver-wren-eastmere',
    'tolliver-eastmere',
    'tolliver-wren-2',
  ])
  // No word comes twice.
  const saltmarsh = { name: 'saltmarsh-physiotherapy', locality: 'saltmarsh', trade: 'physiotherapy' }
  expect(suggestSiteNames('saltmarsh-physiotherapy', saltmarsh)).toEqual([2, 3, 4, 5].map((n) => `saltmarsh-physiotherapy-${n}`))
  expect(suggestSiteNames('', { name: '', locality: '', trade: '' }).every((n) => /^[a-z0-9-]+$/.test(n))).toBe(true)
})

test('names offered end at letters, are cut to 63, and are never the one that was wanted', () => {
  const slugs = { name: 'wren', locality: 'eastmere', trade: 'tailor' }
  expect(suggestSiteNames('shop', slugs).slice(0, 4)).toEqual(['wren', 'shop-eastmere', 'wren-eastmere', 'shop-tailor'])
  expect(suggestSiteNames('wren', slugs).slice(0, 4)).toEqual(['wren-eastmere', 'wren-tailor', 'wren-2', 'wren-3'])
  expect(suggestSiteNames('', { ...slugs, locality: '' }).slice(0, 3)).toEqual(['wren', 'wren-tailor', 'wren-2'])
  expect(suggestSiteNames('', { name: '', locality: '', trade: '' })).toEqual(['site', 'site-2', 'site-3', 'site-4', 'site-5'])
  expect(suggestSiteNames('--a--', { name: '--b--', locality: '-', trade: '' })[0]).toBe('b')
  const long = suggestSiteNames('', { name: `${'x'.repeat(62)}-y`, locality: 'z', trade: '' })
  expect(long[0]).toBe('x'.repeat(62))
  expect(suggestSiteNames('shop', { ...slugs, name: 'www' })).not.toContain('www')
})

test('what is wrong with a name is said, each in its own words', () => {
  const problem = (text: string): string | null => {
    const name = parseSiteName(text)
    return name.ok ? null : `${name.problem}: ${name.sentence}`
  }
  expect(problem('')).toBe('empty: Choose a name for the address, such as the client’s name in one word.')
  expect(problem('   ')).toBe(problem(''))
  for (const bad of ['a b', 'a.b', 'a@b', 'a:b', 'a/b', 'a\\b', 'a_b', 'a。b', 'a!', 'é̸\u200b!'])
    expect(problem(bad), bad).toBe('letters: A name takes letters, digits and hyphens only. Leave out spaces, dots and other signs.')
  for (const bad of ['-a', 'a-', 'ab--cd'])
    expect(problem(bad), bad).toBe('hyphens: A name neither begins nor ends with a hyphen, and has no two in its third and fourth place.')
  expect(problem('abc--d')).toBeNull()
  expect(problem('axn--b')).toBeNull()
  for (const bad of ['x'.repeat(64), 'ü'.repeat(60)])
    expect(problem(bad), bad).toBe('tooLong: That name is too long: one part of a host name holds 63 characters at most.')
  for (const kept of ['www', 'mail', 'root', 'api', 'localhost', 'proof', 'WWW'])
    expect(problem(kept), kept).toBe('reserved: That name is kept by the web host for itself. Choose another.')
  // UTS 39, 5.2, “Highly Restrictive”: one script, or Latin with those of Japanese, Chinese or Korean; the first s here is Cyrillic.
  for (const mixed of ['ѕaltmarsh', 'раypal', 'αbc'])
    expect(problem(mixed), mixed).toBe(
      'mixed: That name has letters of several scripts, some of which look like others. Write it in the letters of one.',
    )
  for (const one of ['солёный', 'ταβέρνα', 'ラーメンbar', 'אבג', 'bücher-2']) expect(problem(one), one).toBeNull()
  expect(parseSiteName(' Wren ')).toEqual({ ok: true, label: 'wren', shown: 'wren' })
  expect(parseSiteName('bücher')).toEqual({ ok: true, label: 'xn--bcher-kva', shown: 'bücher' })
})

// sitemaps.org/protocol.html (namespace, urlset, loc, entities escaped) and RFC 9309 (robots.txt); from memory.
test('the site map has every page once, by its whole address; robots are shown it', () => {
  const { document } = testSite({ name: 'Client' })
  const one = edited(
    document,
    ...Object.keys(document.pages)
      .slice(2)
      .map((page) => ({ type: 'page/remove' as const, page: page as PageId })),
  )
  const day = (page: { readonly id: string }): string => (page.id === 'home' ? '2026-11-27' : '2026-11-20')
  const map = renderSitemap(one, 'https://a.example', day)
  expect(map).toBe(
    `<?xml version="1.0" encoding="UTF-8"?>
<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="http://www.google.com/schemas/sitemap-image/1.1">
  <url><loc>https://a.example/</loc><lastmod>2026-11-27</lastmod></url>
  <url><loc>https://a.example/about/</loc><lastmod>2026-11-20</lastmod></url>
</urlset>
`,
  )
  const pictures = (page: { readonly id: string }): string[] => (page.id === 'home' ? ['pictures/a&b.jpg'] : [])
  const unfound = edited(one, { type: 'page/set', page: 'about' as PageId, part: 'unfound', value: true })
  expect(renderSitemap(unfound, 'https://a.example', day, pictures).match(/<url>.*/g)).toEqual([
    '<url><loc>https://a.example/</loc><lastmod>2026-11-27</lastmod>' +
      '<image:image><image:loc>https://a.example/pictures/a&amp;b.jpg</image:loc></image:image></url>',
  ])
  expect(renderSitemap(one, 'https://a.example/?a&b', day)).toContain('?a&amp;b/about/')
  expect(Object.fromEntries(readSitemapDays(map, 'https://a.example'))).toEqual({ '/': '2026-11-27', '/about/': '2026-11-20' })
  // In a folder of its host a path is one of the site, and what stands beside it is none.
  const inFolder = renderSitemap(one, 'https://a.example/shop', day)
  expect(inFolder).toContain('<loc>https://a.example/shop/about/</loc>')
  expect([...readSitemapDays(inFolder, 'https://a.example/shop').keys()]).toEqual(['/', '/about/'])
  expect(readSitemapDays(map, 'https://a.example/shop').size).toBe(0)
  expect(renderRobots('https://a.example')).toBe('User-agent: *\nAllow: /\n\nSitemap: https://a.example/sitemap.xml\n')
})

// W3C Web Application Manifest: members and values; short_name is for where there is little room, 12 letters by common practice.
test('the manifest of a site says its name, its short name, its colours and its icons', () => {
  const icons = { small: 's.png', large: 'l.png', maskable: 'm.png' }
  const read = (name: string) => JSON.parse(renderWebManifest({ name, ground: '#123456', icons })) as Record<string, unknown>
  expect(read('Orrin & Sons of Aldermere')).toEqual({
    name: 'Orrin & Sons of Aldermere',
    short_name: 'Orrin',
    start_url: './',
    display: 'browser',
    background_color: '#123456',
    theme_color: '#123456',
    icons: [
      { src: 's.png', sizes: '192x192', type: 'image/png' },
      { src: 'l.png', sizes: '512x512', type: 'image/png' },
      { src: 'm.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  })
  expect(read('Twelve lett.').short_name).toBe('Twelve lett.')
  expect(read('Incomprehensibly long').short_name).toBe('Incomprehens')
  expect(read('Some  name of many words').short_name).toBe('Some')
  expect(renderWebManifest({ name: 'A', ground: '#123456', icons }).endsWith('}\n')).toBe(true)
})
