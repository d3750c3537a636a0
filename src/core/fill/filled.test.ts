import * as v from 'valibot'
import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import type { AssetInfo } from '../image'
import { findTemplate, getDesign, getTemplate } from '../pack'
import {
  dayOf,
  daySchema,
  findPage,
  findSection,
  homePage,
  type Brand,
  type Facts,
  type PageId,
  type SectionId,
  type SiteDocument,
} from '../site'
import { editTo, wear } from '../wear'
import { fillPage, fillSection, logoOn, makeDocument, sectionRows, siteScheme, typingIn, withNotFound, wordsOf, type Site } from '.'
import type { FilledElement, FilledNode } from './tree/tree'

const pack = testPack()
const id = (section: string): SectionId => section as SectionId
const of = (site: Site, document: SiteDocument): Site => ({ ...site, document })

/** Every filled element below a node, itself too. */
function all(node: FilledNode | null): FilledElement[] {
  if (node === null || typeof node === 'string' || node.type !== 'element') return []
  return [node, ...node.children.flatMap(all)]
}
const header = (site: Site, page = homePage(site.document)): FilledElement[] => fillPage(site, page).header.flatMap((s) => all(s.root))
const words = (element: FilledElement | undefined): string =>
  (element?.children ?? []).map((child) => (typeof child === 'string' ? child : wordsOf(child as never))).join('')

describe('a logo', () => {
  const asset = (name: string): AssetInfo => ({ ...testSite().assets['tallow/front-door.jpg']!, id: name, name })
  const assets = { ...testSite().assets, light: asset('light'), dark: asset('dark') }
  const siteOf = (brand: Brand, facts: Facts = { name: 'Ota & Sons' }): Site => ({ ...testSite(facts, brand), assets })
  const both: Brand = { logo: 'light', 'logo-on-dark': 'dark' }

  test('is the version for dark surfaces where the surface is dark, and the only one where there is one', () => {
    expect([logoOn(siteOf(both), 'paper', false)?.id, logoOn(siteOf(both), 'ink', false)?.id]).toEqual(['light', 'dark'])
    // A dark site’s paper is dark too.
    expect(logoOn(siteOf(both), 'paper', true)?.id).toBe('dark')
    expect(logoOn(siteOf({ logo: 'light' }), 'ink', false)?.id).toBe('light')
    expect(logoOn(siteOf({ 'logo-on-dark': 'dark' }), 'paper', false)).toBeUndefined()
    expect(logoOn(siteOf({ logo: 'gone' }), 'paper', false)).toBeUndefined()
  })

  test('stands in a link that leads home, says the name to who cannot see it, and is the name’s place', () => {
    const site = siteOf(both)
    const about = findPage(site.document, 'about' as PageId)!
    const link = header(site, about).find((e) => e.base.class?.includes('has-logo'))!
    expect([link.tag, link.extra?.href]).toEqual(['a', '../'])
    expect(link.base.class).toBe('has-logo')
    expect(link.mark).toMatchObject({ place: { type: 'fact', fact: 'name' }, state: 'own' })
    const picture = link.children[0] as FilledElement
    expect(picture).toMatchObject({ tag: 'img', extra: { alt: 'Ota & Sons' }, logo: { asset: { id: 'light' }, onDark: null } })
  })

  test('brings both versions where visitors choose light or dark, and one where both would be the same', () => {
    const visitor = (brand: Brand): FilledElement['logo'] => {
      const site = siteOf(brand)
      const chosen = of(site, { ...site.document, dress: { ...site.document.dress, dark: 'visitor' } })
      return header(chosen).find((e) => e.logo)?.logo
    }
    expect(visitor(both)).toMatchObject({ asset: { id: 'light' }, onDark: { id: 'dark' } })
    expect(visitor({ logo: 'light' })).toMatchObject({ asset: { id: 'light' }, onDark: null })
    const site = siteOf(both)
    const night = of(site, { ...site.document, dress: { ...site.document.dress, dark: true } })
    expect(header(night).find((e) => e.logo)?.logo).toMatchObject({ asset: { id: 'dark' }, onDark: null })
  })

  test('that is not there is the name, as it is or as it was set in type; other words than the name are nobody’s place', () => {
    const nameIn = (brand: Brand): FilledElement =>
      header(siteOf(brand)).find((e) => e.mark?.place.type === 'fact' && e.mark.place.fact === 'name')!
    expect(nameIn({}).children).toEqual(['Ota & Sons'])
    expect(nameIn({ logo: 'gone' }).children).toEqual(['Ota & Sons'])
    const style = { family: 'vollkorn', weight: 700, spacing: 0, case: 'none' } as const
    expect(nameIn({ wordmark: style }).children).toEqual([
      { type: 'element', tag: 'span', base: {}, extra: { class: 'wordmark' }, children: ['Ota & Sons'], mark: null },
    ])
    const other = header(siteOf({ wordmark: { ...style, text: 'OTA' } }))
    const mark = other.find((e) => e.extra?.class === 'wordmark')!
    expect(mark.children).toEqual(['OTA'])
    expect(other.find((e) => e.children.includes(mark))?.mark).toBeNull()
  })

  test('a name is printed with the marks of its language, and as it is written while somebody types it', () => {
    const site = siteOf({}, { name: "Ota's" })
    const named = (typing: boolean): readonly FilledNode[] =>
      all(
        fillSection(
          { site, page: homePage(site.document), typing: typing ? typingIn({ type: 'fact', fact: 'name' }) : null },
          findSection(site.document, id('header'))!,
        ).root,
      ).find((e) => e.mark?.place.type === 'fact' && e.mark.place.fact === 'name')!.children
    expect([named(false), named(true)]).toEqual([['Ota’s'], ["Ota's"]])
  })
})

describe('the veil over a picture', () => {
  // Left half black, right half white, in a grid of eight by six cells.
  const light = Array.from({ length: 48 }, (_, cell) => (cell % 8 < 4 ? '000000' : 'ffffff')).join('')
  const site = testSite({ name: 'Veil' })
  const veiledIn = (language: string, change: (document: SiteDocument) => SiteDocument = (d) => d): FilledElement | undefined => {
    const hero = findSection(site.document, id('home.hero'))!
    const document = change({
      ...site.document,
      facts: { ...site.document.facts, language: { value: language } },
      sections: { ...site.document.sections, [hero.id]: { ...hero, design: 'canopy', tone: 'picture' } },
    } as SiteDocument)
    const assets = Object.fromEntries(Object.entries(site.assets).map(([key, asset]) => [key, { ...asset, light }]))
    const worn = { ...site, assets, document }
    return all(fillSection({ site: worn, page: homePage(document) }, findSection(document, hero.id)!).root).find((e) => e.base.style)
  }

  test('is given for each width where the design’s words lie over the picture, and is on the other side where words run so', () => {
    const style = veiledIn('en-GB')?.base.style
    expect(style).toMatch(/^--veil-1:#[0-9a-f]{8};--veil-2:#[0-9a-f]{8};--veil-3:#[0-9a-f]{8}$/)
    expect(veiledIn('en-GB')?.base.class?.split(' ')).toContain('veiled')
    const mirrored = veiledIn('ar')?.base.style
    expect(mirrored).toMatch(/^--veil-1/)
    expect(mirrored).not.toBe(style)
  })

  test('is the one that suits any picture where there is no tone of a picture, no picture, or two forms set apart by hand', () => {
    const hero = (document: SiteDocument, part: object): SiteDocument => ({
      ...document,
      sections: { ...document.sections, [id('home.hero')]: { ...findSection(document, id('home.hero'))!, ...part } },
    })
    expect(veiledIn('en-GB', (d) => hero(d, { tone: 'paper' }))).toBeUndefined()
    const gone = { type: 'image', asset: 'gone', alt: '', focus: null } as const
    expect(veiledIn('en-GB', (d) => hero(d, { slots: { picture: gone } }))).toBeUndefined()
    const visitor = (d: SiteDocument): SiteDocument => ({ ...d, dress: { ...d.dress, dark: 'visitor' } })
    expect(veiledIn('en-GB', visitor)).toBeDefined()
    const apart = (d: SiteDocument): SiteDocument => ({
      ...visitor(d),
      brand: { roles: { 'dark/picture/surface': '#204060' } } as Brand,
    })
    expect(siteScheme(of(site, apart(site.document)), true).picture).not.toEqual(siteScheme(of(site, apart(site.document)), false).picture)
    expect(veiledIn('en-GB', apart)).toBeUndefined()
  })
})

describe('which way words run', () => {
  const heading = (language: string, text: string): FilledElement => {
    const site = testSite({ name: 'Ways', language })
    const document = edited(site.document, setText('home.hero', 'heading', text))
    return all(fillSection({ site: of(site, document), page: homePage(document) }, findSection(document, id('home.hero'))!).root).find(
      (e) => e.tag === 'h1',
    )!
  }
  test('numbers, addresses and foreign names keep their order on a page from right to left; its own words stand as they are', () => {
    for (const foreign of ['Ota & Sons', '01632 960111', '24/7'])
      expect(heading('ar', foreign).children).toMatchObject([{ tag: 'bdi', extra: { dir: 'ltr' } }])
    expect(heading('ar', 'ورشة Ota').children).toEqual(['ورشة Ota'])
    // Marks alone have no order to keep.
    expect(heading('ar', '— · —').children).toEqual(['— · —'])
    expect(heading('en-GB', 'Ota & Sons').children).toEqual(['Ota & Sons'])
  })
  test('words from right to left on a page that runs the other way stand on the right', () => {
    expect(heading('en-GB', 'ורדים')).toMatchObject({ children: ['ורדים'], extra: { dir: 'auto' } })
    expect(heading('he', 'ורדים').extra).toBeNull()
    expect(heading('en-GB', 'Roses').extra).toBeNull()
  })
})

describe('a section with nothing in it', () => {
  const site = testSite({ name: 'Empty' })
  const emptied = (section: string): SiteDocument => {
    const rows = sectionRows(pack, site.document, findSection(site.document, id(section))!)
    const nothing = { text: { type: 'text', text: '' }, rich: { type: 'rich', rich: [] } } as const
    return rows.reduce(
      (document, { place, type }) =>
        type === 'text' || type === 'rich' ? edited(document, { ...place, type: 'slot/set', value: nothing[type] }) : document,
      site.document,
    )
  }
  test('is a gap that says so; while somebody types in it, it stands', () => {
    const document = emptied('about.title')
    const section = findSection(document, id('about.title'))!
    const page = findPage(document, 'about' as PageId)
    expect(fillSection({ site: of(site, document), page }, section).gap).toEqual({ type: 'empty', name: 'title' })
    const place = { type: 'slot', section: section.id, entry: null, slot: 'heading' } as const
    expect(fillSection({ site: of(site, document), page, typing: typingIn(place) }, section).gap).toBeNull()
  })
  test('that says facts is none while there is one of them', () => {
    const footer = findSection(site.document, id('footer'))!
    expect(getDesign(pack, footer.kind, footer.design).tree).toBeDefined()
    expect(fillSection({ site, page: homePage(site.document) }, footer).gap).toBeNull()
  })
})

test('an email address is printed as it is, an address of the post as words are', () => {
  const site = testSite({ name: 'Raw', email: "o'neill@example.test", phone: '01632 960111' })
  const marked = Object.values(site.document.sections).flatMap((section) =>
    all(fillSection({ site, page: homePage(site.document) }, section).root),
  )
  const said = (fact: string): string[] =>
    marked.filter((e) => e.mark?.place.type === 'fact' && e.mark.place.fact === fact && e.children.length > 0).map(words)
  expect(new Set(said('email'))).toEqual(new Set(["o'neill@example.test"]))
  expect(said('phone').every((text) => text.replaceAll('\u00a0', ' ') === '01632 960111')).toBe(true)
})

test('a site from before the page for wrong addresses gets its section, and one that has it gets nothing', () => {
  const template = getTemplate(pack, 'tallow')
  const made = makeDocument(template, { name: 'Old' }, {})
  expect(withNotFound(template, made)).toBeNull()
  const { 'not-found': _, ...sections } = made.sections as Record<string, unknown>
  const old = { ...made, sections } as SiteDocument
  const edit = withNotFound(template, old)!
  expect(edit).toMatchObject({ type: 'section/insert', section: { id: 'not-found', in: { type: 'notFound' }, kind: 'title' } })
  expect(edited(old, edit).sections['not-found']).toEqual(made.sections['not-found'])
  expect(findTemplate(pack, 'tallow')).toBe(template)
})

describe('a section that is not for good', () => {
  const site = testSite({ name: 'Until' })
  const hero = id('home.hero')
  const shown = (until: string | null, today?: string, typing = false): string | null => {
    const document = edited(site.document, { type: 'section/set', section: hero, part: 'until', value: until })
    const place = { type: 'slot', section: hero, entry: null, slot: 'heading' } as const
    const scope = {
      site: { ...site, document, ...(today ? { today } : {}) },
      page: homePage(document),
      typing: typing ? typingIn(place) : null,
    }
    return fillSection(scope, findSection(document, hero)!).gap?.type ?? null
  }
  test('is shown on its last day and not on the next; where nothing is known of the day, or while somebody types in it, it stands', () => {
    expect([shown('2026-12-06', '2026-12-05'), shown('2026-12-06', '2026-12-06'), shown('2026-12-06', '2026-12-07')]).toEqual([
      null,
      null,
      'past',
    ])
    expect([shown('2026-12-31', '2027-01-01'), shown(null, '2027-01-01'), shown('2026-12-06')]).toEqual(['past', null, null])
    expect(shown('2026-12-06', '2026-12-07', true)).toBeNull()
  })
  test('keeps its day on another template and when its design changes, and loses it by going back', () => {
    const dated = edited(site.document, { type: 'section/set', section: hero, part: 'until', value: '2026-12-06' })
    const worn = edited(dated, editTo(dated, wear(pack, dated, 'gantry')))
    expect(findSection(edited(worn, editTo(worn, wear(pack, worn, 'tallow'))), hero)?.until).toBe('2026-12-06')
    expect(edited(dated, { type: 'section/set', section: hero, part: 'until', value: null })).toEqual(site.document)
  })
  test('a day that the calendar does not have is none', () => {
    for (const [day, is] of [
      ['2028-02-29', true],
      ['2026-02-29', false],
      ['2026-13-01', false],
      ['6.12.2026', false],
    ] as const)
      expect(v.is(daySchema, day), day).toBe(is)
    expect(dayOf(new Date(2026, 0, 5, 23, 59))).toBe('2026-01-05')
  })
})

test('an address has the comma of its own letters, and keeps its order on a page that runs the other way', () => {
  const linesOf = (street: string, locality: string): FilledElement['children'] => {
    const site = testSite({ name: 'Comma', language: 'ar', address: { street, locality, postcode: '', country: '' } })
    const footer = fillSection({ site, page: homePage(site.document) }, findSection(site.document, id('footer'))!)
    return all(footer.root).find((e) => e.mark?.place.type === 'fact' && e.mark.place.fact === 'address')!.children
  }
  expect(linesOf('شارع الزيتون 4', 'عمّان')).toMatchObject(['شارع الزيتون 4،', { tag: 'br' }, 'عمّان'])
  expect(linesOf('4 Ropewalk Yard', 'Aldermere')).toMatchObject([
    { tag: 'bdi', extra: { dir: 'ltr' }, children: ['4 Ropewalk Yard,'] },
    { tag: 'br' },
    { tag: 'bdi', extra: { dir: 'ltr' }, children: ['Aldermere'] },
  ])
})
