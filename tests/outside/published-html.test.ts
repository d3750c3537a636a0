import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import * as fontkit from 'fontkit'
import { beforeAll, describe, expect, test } from 'vitest'
import { renderCareSheet } from '../../src/core/handover'
import type { Manifest } from '../../src/core/release'
import { renderPage } from '../../src/core/render'
import { homePage } from '../../src/core/site'
import { testSite } from '../pack'
import { edited, setText } from '../site'
import { htmlErrors } from './html-checker'

const require = createRequire(import.meta.url)
const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-site-'))
const at = (file: string): string => path.join(folder, file)
let manifest: Manifest = {}

const HOURS = { mon: [], tue: [{ opens: '09:00', closes: '17:00' }], wed: [], thu: [], fri: [], sat: [], sun: [] }
const ORIGIN = 'http://client.localhost:4380'
const FACTS = {
  name: 'Béla & “Sons”',
  trade: 'Clock and watch repair',
  phone: '+44 1632 960417',
  email: 'a@b.example',
  address: { street: '1 Lane', locality: 'Town', postcode: 'T1', country: 'GB' },
  hours: HOURS,
}

const server = () =>
  Promise.all([
    import('../../src/server/releases/build-release'),
    import('../../src/server/files/blobs'),
    import('../../src/server/packs/packs'),
    import('../../src/server/releases/site-map'),
  ])

beforeAll(async () => {
  process.env.INSTANT_FIT_DATA ??= mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  const [{ buildRelease }, { readBlob }, { packAssets }, { withSiteMap }] = await server()
  const site = { ...testSite(FACTS, { colour: '#8a5a12' }), assets: packAssets() }
  const files = await buildRelease(site, ORIGIN, () => undefined)
  manifest = withSiteMap(files, site.document, ORIGIN, '2026-11-27', null)
  for (const [file, { hash }] of Object.entries(manifest)) {
    mkdirSync(path.dirname(at(file)), { recursive: true })
    writeFileSync(at(file), readBlob(hash)!)
  }
})

/** The sheet that a handover brings, in a language that runs either way. */
function careSheet(language: string): string {
  const site = testSite(FACTS)
  const records = [{ role: 'leads', name: 'client.example', type: 'A', values: ['192.0.2.1'], why: '', instead: null }] as const
  const place = { name: 'Server', connection: 'tolliver@files.example:22 www', url: 'https://old.example' }
  return renderCareSheet(
    { ...site, document: edited(site.document, { type: 'fact/set', fact: 'language', value: language }) },
    {
      madeAt: '2026-11-28T09:00:00Z',
      live: { url: ORIGIN, since: '2026-03-02T10:00:00Z' },
      places: [place],
      domain: { shown: 'client.example', certificateUntil: '2027-01-05T00:00:00Z', records },
      by: { name: 'Mara Quill', email: 'mara@quill.example' },
      fonts: ['Vollkorn'],
      licences: 'site/fonts/licences.txt',
    },
  )
}

/** The same site on one page. */
function onePage(): string {
  const site = testSite(FACTS, { colour: '#8a5a12' })
  const document = edited(site.document, { type: 'plan/set', part: 'onePage', value: true })
  const icons = { svg: 'favicon.svg', ico: 'favicon.ico', touch: 'apple-touch-icon.png', manifest: 'site.webmanifest' }
  const files = { origin: ORIGIN, stylesheet: 'style.css', preloads: [], icons }
  return renderPage({ ...site, document }, homePage(document), files).html
}

const pages = (): string[] => Object.keys(manifest).filter((f) => f.endsWith('.html'))
const rulesIn = (html: string): string => /<style>([^]*?)<\/style>/.exec(html)?.[1] ?? ''

describe('a published site', () => {
  test('has pages with their rules in them, icons, a map and rules for robots', () => {
    expect(pages().sort()).toEqual([
      '404.html',
      'about/index.html',
      'contact/index.html',
      'gallery/index.html',
      'index.html',
      'prices/index.html',
      'services/index.html',
      'six-for-five/index.html',
      'small-print/index.html',
    ])
    for (const file of ['sitemap.xml', 'robots.txt', 'favicon.svg', 'favicon.ico', 'apple-touch-icon.png'])
      expect(manifest).toHaveProperty([file])
    expect(Object.keys(manifest).filter((f) => f.endsWith('.css'))).toEqual([])
    for (const page of pages()) {
      const html = readFileSync(at(page), 'utf8')
      const sum = createHash('sha256').update(rulesIn(html)).digest('base64')
      // CSP 3, 6.7.3.3: a style is let in by the hash of what is between its tags.
      expect(html, page).toContain(`style-src 'sha256-${sum}';`)
      expect(html).not.toContain('rel="stylesheet"')
    }
    const rulesOf = (page: string): string => rulesIn(readFileSync(at(page), 'utf8'))
    expect([rulesOf('gallery/index.html'), rulesOf('contact/index.html')].map((css) => css.includes('.gallery-'))).toEqual([true, false])
  })

  test('rules that are too long to stand in a page are a file that it links to', async () => {
    const [{ buildRelease }, { hashOf, readBlob }, { packAssets }] = await server()
    const site = { ...testSite(FACTS), assets: packAssets() }
    const css = Array.from({ length: 4000 }, (_, i) => `.hero-bench .r${hashOf(String(i)).slice(0, 12)}{margin:${i}px}`).join('')
    const templates = { ...site.pack.templates, tallow: { ...site.pack.templates.tallow!, css } }
    const { manifest: long } = await buildRelease({ ...site, pack: { ...site.pack, templates } }, ORIGIN, () => undefined)
    const sheets = Object.keys(long).filter((f) => f.endsWith('.css'))
    expect(sheets).toHaveLength(1)
    const html = String(readBlob(long['about/index.html']!.hash))
    expect(html).toContain(`<link rel="stylesheet" href="../${sheets[0]}">`)
    expect(html).toContain("style-src 'self';")
  })

  test('has no error that the Nu HTML checker finds, in HTML, CSS or SVG', () => {
    writeFileSync(at('one-page.html'), onePage())
    const sheets = ['en', 'de', 'ar'].map((language) => at(`care-sheet-${language}.html`))
    sheets.forEach((file, i) => writeFileSync(file, careSheet(['en', 'de', 'ar'][i] ?? '')))
    expect(htmlErrors(...pages().map(at), at('one-page.html'), ...sheets, at('favicon.svg'))).toEqual([])
  })

  test('has a sitemap that is valid after the schema of sitemaps.org, with the day each page changed', async () => {
    // The package “sitemap” ships sitemaps.org's sitemap.xsd; libxml2 checks against it. What stands there of pictures is in another
    // namespace, whose schema it has not: that is taken out for it, and looked at below.
    const listed = readFileSync(at('sitemap.xml'), 'utf8')
    writeFileSync(at('plain-sitemap.xml'), listed.replace(/<image:image>.*?<\/image:image>/g, ''))
    const xsd = path.join(path.dirname(require.resolve('sitemap/package.json')), 'schema', 'sitemap.xsd')
    expect(() => execFileSync('xmllint', ['--noout', '--nonet', '--schema', xsd, at('plain-sitemap.xml')], { stdio: 'pipe' })).not.toThrow()
    expect(listed.match(/<loc>/g)).toHaveLength(8)
    const pictures = [...listed.matchAll(/<image:loc>([^<]+)</g)].map(([, url = '']) => url)
    expect(pictures.length).toBeGreaterThan(8)
    for (const url of pictures) expect(manifest, url).toHaveProperty([url.slice(ORIGIN.length + 1)])
    expect(execFileSync('xmllint', ['--noout', '--nonet', at('sitemap.xml')], { stdio: 'pipe' }).length).toBe(0)
    // With the day of each page's last change: a page that is as it was keeps the day that the map of what is live says of it.
    const [{ buildRelease }, { readBlob }, { packAssets }, { withSiteMap }] = await server()
    const site = { ...testSite(FACTS), assets: packAssets() }
    const build = async (today: string, heading: string, live: Manifest | null): Promise<Manifest> => {
      const document = edited(site.document, setText('home.hero', 'heading', heading))
      const built = await buildRelease({ ...site, document, today }, ORIGIN, () => undefined)
      return withSiteMap(built, document, ORIGIN, today, live && { manifest: live, origin: ORIGIN })
    }
    const first = await build('2026-11-20', 'One', null)
    const second = await build('2026-11-27', 'Two', first)
    const map = String(readBlob(second['sitemap.xml']!.hash)).replace(/<image:image>.*?<\/image:image>/g, '')
    expect(map).toContain('<loc>http://client.localhost:4380/</loc><lastmod>2026-11-27</lastmod>')
    expect(map).toContain('<loc>http://client.localhost:4380/about/</loc><lastmod>2026-11-20</lastmod>')
    writeFileSync(at('dated.xml'), map)
    expect(() => execFileSync('xmllint', ['--noout', '--nonet', '--schema', xsd, at('dated.xml')], { stdio: 'pipe' })).not.toThrow()
    writeFileSync(at('bad.xml'), readFileSync(at('sitemap.xml'), 'utf8').replace('<loc>', '<location>').replace('</loc>', '</location>'))
    expect(() => execFileSync('xmllint', ['--noout', '--nonet', '--schema', xsd, at('bad.xml')], { stdio: 'pipe' })).toThrow()
  })

  test('describes the business, and every page, by types and properties that schema.org has', () => {
    // The package “schema-dts” holds schema.org's own vocabulary as types.
    const vocabulary = readFileSync(path.join(path.dirname(require.resolve('schema-dts/package.json')), 'dist', 'schema.d.ts'), 'utf8')
    const isType = (name: string): boolean => vocabulary.includes(`"@type": "${name}"`)
    const dataOf = (page: string): Record<string, unknown>[] =>
      [...readFileSync(at(page), 'utf8').matchAll(/<script type="application\/ld\+json">(.*?)<\/script>/gs)].map((m) => JSON.parse(m[1]!))
    const [data, home] = dataOf('index.html')
    expect(home).toMatchObject({ '@type': 'WebPage', inLanguage: 'en-GB' })
    expect(data).toMatchObject({ '@context': 'https://schema.org', '@type': 'LocalBusiness', name: FACTS.name, telephone: FACTS.phone })
    const check = (value: unknown): void => {
      if (typeof value !== 'object' || value === null) return
      if (Array.isArray(value)) return value.forEach(check)
      for (const [key, inner] of Object.entries(value)) {
        if (key === '@type') expect(isType(String(inner)), String(inner)).toBe(true)
        else if (!key.startsWith('@')) expect(vocabulary, key).toContain(`"${key}"?:`)
        check(inner)
      }
    }
    const told = pages()
      .filter((page) => page !== '404.html')
      .map((page) => [page, dataOf(page)] as const)
    for (const [page, all] of told) {
      expect(all, page).toHaveLength(page === 'index.html' ? 2 : 1)
      all.forEach(check)
    }
    const [contact] = dataOf('contact/index.html')
    expect(contact).toMatchObject({ '@type': 'ContactPage', breadcrumb: { '@type': 'BreadcrumbList', itemListElement: [{}, {}] } })
    expect(isType('WatchMender')).toBe(false)
  })

  test('ships fonts that hold every letter its pages show', () => {
    const text = pages()
      .map((f) =>
        readFileSync(at(f), 'utf8')
          .replace(/<(script|style).*?<\/\1>/gs, '')
          .replace(/<[^>]+>/g, ''),
      )
      .join('')
      .replace(/&amp;/g, '&')
    const letters = [...new Set(text)].filter((l) => !/\s/.test(l))
    const fonts = Object.keys(manifest).filter((f) => f.endsWith('.woff2'))
    expect(fonts.length).toBeGreaterThan(3)
    for (const file of fonts) {
      const font = fontkit.openSync(at(file))
      expect(
        letters.filter((l) => font.layout(l).glyphs[0]?.id === 0),
        file,
      ).toEqual([])
    }
  })

  test('sends a page’s HTML and CSS within the first ten TCP segments (RFC 6928: 14,600 bytes)', () => {
    for (const page of pages()) {
      expect(rulesIn(readFileSync(at(page), 'utf8')).length).toBeGreaterThan(1000)
      expect(gzipSync(readFileSync(at(page))).length, page).toBeLessThan(14_600)
    }
  })

  test('names no file that is not in it', () => {
    for (const page of pages()) {
      const html = readFileSync(at(page), 'utf8')
      const named = [...html.matchAll(/(?:href|src)="([^":#]+)"|([^\s",]+) \d+w/g)].map((m) => m[1] ?? m[2] ?? '')
      expect(named.length).toBeGreaterThan(8)
      for (const address of named) {
        const target = address.startsWith('/') ? address.slice(1) : path.posix.join(path.posix.dirname(page), address)
        const file =
          target === '.' || target === './' || target === '' ? 'index.html' : target.endsWith('/') ? `${target}index.html` : target
        expect(manifest, `${page} names ${address}`).toHaveProperty([file])
      }
    }
    for (const page of pages())
      for (const [, url = ''] of rulesIn(readFileSync(at(page), 'utf8')).matchAll(/url\(["']?([^"')]+)/g))
        expect(manifest).toHaveProperty([url.startsWith('/') ? url.slice(1) : path.posix.join(path.posix.dirname(page), url)])
  })
})
