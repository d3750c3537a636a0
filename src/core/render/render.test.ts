import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { parse } from 'parse5'
import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { RELEASE_FILES as FILES } from '../../../tests/release-files'
import { edited, setSlot } from '../../../tests/site'
import { editOf, someEdit } from '../../../tests/some-edits'
import {
  textStylesOf,
  asDesigned,
  businessCard,
  businessData,
  designCss,
  makeSheetPainter,
  renderBody,
  renderSheetPage,
  renderPage,
  tokenCss,
} from '.'
import { PAGE_SCRIPTS } from './page-scripts'
import { countLeftovers, typingIn, type Site, type Typing } from '../fill'
import { templateSections } from '../pack'
import {
  applyEdit,
  findPage,
  homePage,
  looksOf,
  pagesOf,
  sectionsIn,
  type Edit,
  type Page,
  type PageId,
  type SectionId,
  type SiteDocument,
  type SlotValue,
} from '../site'

const HOSTILE = '"><script>alert(1)</script><img src=x onerror=alert(2)>'

const change = (site: Site, ...edits: Edit[]): Site => ({ ...site, document: edited(site.document, ...edits) })
const slot = (name: string, value: SlotValue | null): Edit => setSlot('home.hero', name, value)
const footerOf = ({ document }: Site): SectionId => sectionsIn(document, { type: 'footer' })[0]!.id
const home = (site: Site): string => renderPage(site, homePage(site.document), FILES).html

describe('a release', () => {
  test('carries no mark of the editor', () => {
    expect(home(testSite())).not.toMatch(/data-|contenteditable/)
    expect(renderSheetPage(testSite({}, {}, 'sheet'), homePage(testSite().document))).toContain('data-basted')
  })

  test('escapes words in every place they can stand', () => {
    const html = home(
      change(
        testSite({ name: HOSTILE, phone: HOSTILE, email: `a${HOSTILE}@b.example`, tagline: HOSTILE }),
        slot('heading', { type: 'text', text: HOSTILE }),
        slot('lead', { type: 'rich', rich: [{ type: 'p', runs: [{ text: HOSTILE, to: { type: 'url', url: 'javascript:alert(3)' } }] }] }),
        slot('action', { type: 'link', label: HOSTILE, to: { type: 'url', url: 'javascript:alert(4)' } }),
        slot('picture', { type: 'image', asset: 'tallow/hand-tools.jpg', alt: HOSTILE }),
      ),
    )
    expect(html).not.toContain('<script>alert')
    expect(html).not.toContain('<img src=x')
    expect(html).not.toContain('javascript:')
    expect(html).toContain('&lt;script&gt;alert(1)')
  })

  test('words that lead to one place are one link, however they are set', () => {
    const to = { type: 'url', url: 'https://a.example/' } as const
    const runs = [{ text: 'see ', to }, { text: 'this', strong: true as const, to }, { text: ' now' }]
    const html = home(change(testSite(), slot('lead', { type: 'rich', rich: [{ type: 'p', runs }] })))
    expect(html).toContain('<a href="https://a.example/">see <strong>this</strong></a> now')
  })

  test('leaves out the element of a slot that was emptied', () => {
    expect(home(testSite())).toContain('<figcaption')
    const html = home(change(testSite(), slot('heading', { type: 'text', text: '' }), slot('caption', { type: 'text', text: '' })))
    expect(html).not.toMatch(/<h1[^>]*><\/h1>/)
    expect(html.match(/<figcaption/g)).toHaveLength(2)
  })

  test('leaves out a section with nothing in it, which a sheet shows as a seam', () => {
    const empty = (slot: string): Edit => setSlot('about.quote', slot, { type: 'text', text: '' })
    const about = (site: Site): Page => findPage(site.document, 'about')!
    const part = change(testSite(), empty('quote'), empty('name'))
    expect(renderPage(part, about(part), FILES).html).toContain('quote-flyleaf')
    const none = change(part, empty('detail'))
    expect(renderPage(none, about(none), FILES).html).not.toContain('quote-flyleaf')
    const drawn = (typing: Typing | null): string =>
      makeSheetPainter()({ ...none, mode: 'sheet' }, about(none), typing).main.find(({ id }) => id === 'about.quote')!.html
    expect(drawn(null)).toBe('<section class="seam" data-section="about.quote"><p>quote: nothing in it, not published</p></section>')
    const place = { type: 'slot', section: 'about.quote' as SectionId, entry: null, slot: 'name' } as const
    expect(drawn(typingIn(place))).toMatch(/data-place="[^"]*name"/)
    expect(drawn(typingIn(place))).not.toContain('about.quote quote')
  })

  test('links from page to page so that it works in any folder, and from the page for wrong addresses absolutely', () => {
    const site = testSite()
    expect(home(site)).toContain('href="./about/"')
    expect(renderPage(site, pagesOf(site.document)[1]!, FILES).html).toContain('href="../services/"')
    expect(renderPage(site, null, FILES).html).toContain('href="/about/"')
    expect(renderPage(site, null, FILES).html).toContain('noindex')
  })

  test('asks for each picture at several widths, the first at once and the others when near', () => {
    const { html, pictures } = renderPage(testSite(), homePage(testSite().document), FILES)
    expect(html.match(/fetchpriority="high"/g)).toHaveLength(1)
    expect(html.match(/loading="lazy"/g)!.length).toBeGreaterThan(1)
    expect([...pictures.keys()].filter((p) => p.endsWith('.webp')).length).toBeGreaterThan(6)
    for (const path of html.matchAll(/pictures\/[^ ",]+/g)) expect(pictures.has(path[0])).toBe(true)
  })

  test('is the same, byte for byte, each time it is made', () => {
    expect(home(testSite({ name: 'Same' }))).toBe(home(testSite({ name: 'Same' })))
  })
})

test('structured data tells only what the client has told', () => {
  expect(businessData(testSite({ name: 'Bare' }), 'https://a.example', null)).toEqual({
    '@context': 'https://schema.org',
    '@type': 'LocalBusiness',
    name: 'Bare',
    url: 'https://a.example/',
  })
  const data = businessData(
    testSite({
      name: 'Full',
      trade: 'dentist',
      hours: {
        mon: [{ opens: '09:00', closes: '17:00' }],
        tue: [{ opens: '09:00', closes: '17:00' }],
        wed: [],
        thu: [],
        fri: [],
        sat: [],
        sun: [],
      },
    }),
    'https://a.example',
    null,
  )
  expect(data['@type']).toBe('Dentist')
  expect(data.openingHoursSpecification).toEqual([
    { '@type': 'OpeningHoursSpecification', dayOfWeek: ['Monday', 'Tuesday'], opens: '09:00', closes: '17:00' },
  ])
})

test('each page’s canonical address is its own', () => {
  const site = testSite()
  const canonical = (page: Page): string => /rel="canonical" href="([^"]*)"/.exec(renderPage(site, page, FILES).html)![1]!
  const pages = pagesOf(site.document)
  expect(canonical(pages[0]!)).toBe('https://client.example/')
  expect(pages.slice(1).map(canonical)).toEqual(pages.slice(1).map((page) => `https://client.example/${page.segment}/`))
})

test('a template’s own link finds the page made from the page it names, whatever that page is called by now', () => {
  const before = testSite()
  const links = (site: Site): number => home(site).split('href="./once-more/"').length - 1
  const services = findPage(before.document, 'services')!
  const after = change(
    before,
    { type: 'page/remove', page: services.id },
    { type: 'page/insert', page: { ...services, id: 'anew' as PageId, segment: 'once-more', listed: 'nowhere' } },
  )
  expect(home(before)).toContain('href="./services/"')
  expect(links(after)).toBeGreaterThan(0)
  expect(links(change(after, { type: 'page/set', page: 'anew' as PageId, part: 'origin', value: null }))).toBe(0)
})

test('the veil of a picture asks no more than the part of it that the words can stand on', () => {
  const dark = '000000'
  const light = 'ffffff'
  const map = Array.from({ length: 48 }, (_, cell) => (cell % 8 < 5 ? dark : light)).join('')
  const veils = (lightMap: string): number[] => {
    const site = change(testSite(), {
      type: 'batch',
      edits: [
        { type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'canopy' },
        { type: 'section/set', section: 'home.hero' as SectionId, part: 'tone', value: 'picture' },
      ],
    })
    const assets = Object.fromEntries(Object.entries(site.assets).map(([id, asset]) => [id, { ...asset, light: lightMap }]))
    const written = [...home({ ...site, assets }).matchAll(/--veil-\d:#\w{6}(\w\w)/g)].map(([, alpha]) => Number.parseInt(alpha!, 16))
    expect(written).toHaveLength(3)
    return written
  }
  // The design's own areas: the whole width on the phone, less than half of it on desktop.
  const [phone, , desktop] = veils(map)
  expect(desktop).toBeLessThan(phone!)
  expect(new Set(veils(light.repeat(48))).size).toBe(1)
})

test('only the tones and designs in use are in the style sheet', () => {
  const site = testSite()
  expect(tokenCss(site)).toContain('.tone-tint{')
  expect(tokenCss(site)).not.toContain('.tone-picture{')
  const gone = pagesOf(site.document).slice(1)
  const few = change(site, { type: 'batch', edits: gone.map((p) => ({ type: 'page/remove', page: p.id })) })
  expect(designCss(site)).toContain('.gallery-plates')
  expect(designCss(few)).not.toContain('.gallery-plates')
})

test('a changed word draws its own section again and no other; colours alone change the small style sheet', () => {
  const paint = makeSheetPainter()
  const before = testSite({ name: 'Paint' }, {}, 'sheet')
  const first = paint(before, homePage(before.document))
  const after = change(before, slot('heading', { type: 'text', text: 'New' }))
  const second = paint(after, homePage(after.document))
  expect(second.main.filter((s, i) => s.html !== first.main[i]!.html).map((s) => s.id)).toEqual(['home.hero'])
  expect(second.styles).toBe(first.styles)
  const recoloured = change(after, { type: 'brand/set', part: 'colour', value: '#336699' })
  const third = paint(recoloured, homePage(recoloured.document))
  expect(third.styles.designs).toBe(first.styles.designs)
  expect(third.styles.tokens).not.toBe(first.styles.tokens)
})

test('the page as designed has no word of the client’s', () => {
  const site = change(testSite({ name: 'Client Name' }, {}, 'sheet'), slot('heading', { type: 'text', text: 'Client words' }))
  const plain = asDesigned(site)
  const html = renderSheetPage(plain, homePage(plain.document))
  expect(html).not.toMatch(/Client Name|Client words/)
  expect(html).toContain('Orrin &amp; Daughter')
  // It is only measured, so none of its pictures is fetched; those of a sheet that is looked at are.
  expect(html).toMatch(/<img/)
  expect(html).not.toMatch(/<img(?![^>]* loading="lazy")/)
  expect(renderSheetPage(site, homePage(site.document))).not.toContain('loading="lazy"')
})

test('what is kept of a drawing, of the looks of a site and of its counts is what is made anew, whatever is done', () => {
  const colours = ['#336699', '#d2b400', '#0a0a0a']
  const tally = { drawn: 0, pages: 0 }
  fc.assert(
    fc.property(fc.array(fc.tuple(someEdit, fc.nat(9)), { minLength: 3, maxLength: 12 }), (chosen) => {
      const paint = makeSheetPainter()
      let site = testSite({ name: 'Client' }, {}, 'sheet')
      let made = 0
      for (const [some, n] of chosen) {
        const brand: Edit = { type: 'brand/set', part: 'colour', value: colours[n % colours.length]! }
        const edit = n > 8 ? brand : editOf(site.document, some, () => `made-${++made}`)
        const applied = edit && applyEdit(site.document, edit)
        if (!applied?.ok) continue
        site = { ...site, document: applied.document }
        const page = pagesOf(site.document)[some.b % 3] ?? homePage(site.document)
        const anew = { ...site, document: structuredClone(site.document) }
        expect(paint(site, page)).toEqual(makeSheetPainter()(anew, findPage(anew.document, page.id)!))
        expect(looksOf(site.document)).toEqual(looksOf(anew.document))
        expect(countLeftovers(site.pack, site.document)).toEqual(countLeftovers(site.pack, anew.document))
        tally.drawn++
        tally.pages += page === homePage(site.document) ? 0 : 1
      }
    }),
    { seed: 12, numRuns: Math.min(25, Number(process.env.PROPERTY_RUNS ?? 25)) },
  )
  expect(Math.min(tally.drawn, tally.pages)).toBeGreaterThan(40)
})

test('a template’s ruled margin is drawn by the designs that stand on it, and by no other’s', () => {
  const ruled = Object.values(testPack().designs).filter(({ css }) => css.includes('--ruling'))
  const homes = new Map(
    Object.values(testPack().templates).map((t) => [
      t.id,
      new Set([...templateSections(t), t.notFound].map((s) => `${s.kind}/${s.design}`)),
    ]),
  )
  expect(ruled.length).toBeGreaterThan(10)
  for (const { kind, name } of ruled) expect(homes.get('tallow')!.has(`${kind}/${name}`), `${kind}/${name}`).toBe(true)
  const own = templateSections(testPack().templates.tallow!).filter((s) => !['accent', 'picture'].includes(s.tone) && s.kind !== 'header')
  for (const { kind, design } of own)
    expect(
      ruled.some((d) => d.kind === kind && d.name === design),
      `${kind}/${design}`,
    ).toBe(true)
})

test('a sheet takes the styles of another language at once: letters that join are set without spacing', () => {
  const site = testSite({ name: 'Spoken' })
  const [page, paint] = [homePage(site.document), makeSheetPainter()]
  expect(paint(site, page).styles.tokens).not.toContain('letter-spacing:0!important')
  const document = edited(site.document, { type: 'fact/set', fact: 'language', value: 'ar' })
  const drawn = paint({ ...site, document }, page)
  expect(drawn).toMatchObject({ language: 'ar', direction: 'rtl' })
  expect(drawn.styles.tokens).toContain('letter-spacing:0!important')
  expect(drawn.styles.tokens).toBe(tokenCss({ ...site, document }))
})

test('a section’s last day changes none of the elements of a page: designs tell by their neighbours how they stand', () => {
  const site = testSite({ name: 'Until' })
  const dated = edited(site.document, { type: 'section/set', section: 'home.services' as SectionId, part: 'until', value: '2026-12-06' })
  const page = homePage(site.document)
  const elements = (document: SiteDocument): string => {
    const html = renderBody({ ...site, document, today: '2026-12-01' }, page)
    return html.slice(0, html.indexOf('</footer>'))
  }
  expect(elements(dated).replaceAll(/ data-(until|days)="[^"]*"/g, '')).toBe(elements(site.document))
  const whole = renderBody({ ...site, document: dated, today: '2026-12-01' }, page)
  expect(whole).toMatch(/<\/footer>(\s*<script>[^<]*<\/script>)+$/s)
  expect(renderBody(site, page)).not.toContain('<script')
})

test('whatever was pasted, a page holds no character that HTML cannot (as parse5 reads it), and loses no other', () => {
  const odd = 'a\u0000b\u0007c\ud800d\udc00e\ufdd0f\u{1fffe}g\u0085h\uffffi'
  const site = testSite({ name: `Wren ${odd}`, tagline: odd, email: 'a@b.example', socials: [] })
  const shown = change(site, slot('heading', { type: 'text', text: `${odd} 👩🏽‍🔧 é\u200d` }), {
    type: 'page/set',
    page: 'home' as PageId,
    part: 'description',
    value: odd,
  })
  const faults: string[] = []
  parse(home(shown), { onParseError: ({ code }) => faults.push(code), sourceCodeLocationInfo: true })
  expect(faults).toEqual([])
  expect(home(shown)).toContain('abcdefghi 👩🏽‍🔧 é\u200d')
  const card = businessCard(site, 'https://client.example')
  // oxlint-disable-next-line no-control-regex
  expect(card).not.toMatch(/[\u0000-\u0009\u000b\u000c\u000e-\u001f\u007f]/)
  const broken = businessCard(testSite({ name: 'A\rEND:VCARD\u2028EMAIL:x@evil.example' }), 'https://client.example') ?? ''
  expect(broken.split(/[\r\n\u2028]+/).filter((line) => /^(END|EMAIL)/.test(line))).toEqual(['END:VCARD'])
})

test('a page’s policy names the one script that it can have by its own sum, and allows none on a page without', () => {
  const site = testSite({ name: 'Until' })
  const dated = edited(site.document, { type: 'section/set', section: 'home.services' as SectionId, part: 'until', value: '2026-12-06' })
  const html = home({ ...site, document: dated, today: '2026-12-01' })
  const [, script = ''] = /<script>([^<]*)<\/script>/.exec(html) ?? []
  const sum = createHash('sha256').update(script).digest('base64')
  expect(script).toContain('data-until')
  expect(html).toContain(`script-src 'sha256-${sum}'`)
  expect(home(site)).not.toContain('script-src')
  // It stands before everything that it is about (CSP 3, 3.3: what comes before the element is not under it).
  expect(home(site).indexOf('Content-Security-Policy')).toBeLessThan(home(site).indexOf('<link'))
})

test('a year in words is kept current by the one script that says so, which goes no further back than the page', () => {
  const site = testSite({ name: 'Years' })
  const year = { type: 'rich', rich: [{ type: 'p', runs: [{ text: '© ' }, { fact: 'year' }, { text: ' Wren' }] }] } as const
  const shown = change(site, { type: 'slot/set', section: footerOf(site), entry: null, slot: 'legal', value: year })
  const html = home({ ...shown, today: '2026-12-01' })
  expect(html).toContain('© <time data-year="">2026</time> Wren')
  const scripts = [...html.matchAll(/<script>([^<]*)<\/script>/g)].map(([, code = '']) => code)
  // Its opening hours say which are today's, now that it has one.
  expect(html).toContain('data-days="1"')
  expect(scripts).toHaveLength(2)
  expect(scripts.join()).toContain('data-year')
  for (const code of scripts) expect(html).toContain(`'sha256-${createHash('sha256').update(code).digest('base64')}'`)
  // Opening hours ask for no script of their own.
  expect(home(site)).not.toContain('<script>')
})

test('every script of a page has the sum that its policy names', () => {
  expect(PAGE_SCRIPTS.length).toBeGreaterThan(0)
  for (const { code, sum } of PAGE_SCRIPTS) expect(createHash('sha256').update(code).digest('base64')).toBe(sum)
})

test('letters that join stand in lines with room for their marks, drawn as the style says, and a height set by hand wins', () => {
  const arabic = testSite({ name: 'ورشة', language: 'ar' })
  const tight = textStylesOf(testSite({ name: 'Workshop' })).h1.line
  expect(tight).toBeLessThan(1.2)
  expect(textStylesOf(arabic).h1.line).toBe(1.35)
  expect(textStylesOf(arabic).body).toEqual(textStylesOf(testSite({ name: 'Workshop' })).body)
  expect(tokenCss(arabic)).toContain('h1{line-height:1.35}')
  expect(tokenCss(testSite({ name: 'Workshop' }))).not.toContain('line-height')
  const byHand = testSite({ name: 'ورشة', language: 'ar' }, { styles: { h1: { line: 1.1 } } })
  expect(textStylesOf(byHand).h1.line).toBe(1.1)
  expect(tokenCss(byHand)).not.toContain('h1{line-height:1.35}')
})
