import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setItem, setSlot } from '../../../tests/site'
import { getTemplate } from '../pack'
import {
  allSections,
  findPage,
  findSection,
  homePage,
  MAX_ENTRIES,
  pagesOf,
  ranks,
  sectionsOn,
  type EntryId,
  type Facts,
  type Page,
  type PageId,
  type Section,
  type SectionId,
  type SiteDocument,
  type SlotValue,
} from '../site'
import {
  countLeftovers,
  findTemplatePage,
  findTemplateSection,
  fillPage,
  fillSection,
  findPicture,
  makeDocument,
  NOT_FOUND,
  notFoundPage,
  pageTexts,
  phoneCountry,
  placeholdersOf,
  profileName,
  readElements,
  sectionRows,
  shownFact,
  shownFacts,
  siteLabels,
  siteScheme,
  usualText,
  wordsOf,
  type LedgerRow,
  type Site,
} from '.'
import { isStill } from './tree/still'

const pack = testPack()
const tallow = getTemplate(pack, 'tallow')
const start = testSite({ name: 'Client' }).document
const siteWith = (facts: Facts): Site => testSite(facts)
const id = (section: string): SectionId => section as SectionId
const words = (text: string): SlotValue => ({ type: 'text', text })

describe('a new site', () => {
  test('is the template’s pages and sections, each with where it came from, and nothing of the client’s but what is given', () => {
    const made = makeDocument(tallow, { name: 'Client' }, { colour: '#123456' })
    expect(made).toMatchObject({
      format: 3,
      language: tallow.language,
      dress: { template: 'tallow' },
      facts: { name: { value: 'Client' } },
    })
    expect(made.brand).toEqual({ colour: '#123456' })
    expect([made.entries, made.labels, made.outfits]).toEqual([{}, {}, {}])
    expect(pagesOf(made).map((p) => p.id)).toEqual(tallow.pages.map((p) => p.key))
    for (const page of tallow.pages) {
      expect(findPage(made, page.key)).toEqual({
        id: page.key,
        in: { type: 'site' },
        rank: ranks(tallow.pages.length)[tallow.pages.indexOf(page)],
        origin: { template: 'tallow', page: page.key },
        segment: page.segment,
        listed: { undefined: 'menu', foot: 'foot', none: 'nowhere' }[String(page.menu)],
        texts: {},
      })
      const places = ranks(page.sections.length)
      expect(sectionsOn(made, page.key as PageId)).toEqual(
        page.sections.map(({ key, kind, design, tone }, i) => ({
          id: `${page.key}.${key}`,
          in: { type: 'page', page: page.key },
          rank: places[i],
          kind,
          design,
          tone,
          origin: { template: 'tallow', page: page.key, section: key },
          slots: {},
        })),
      )
    }
    for (const type of ['header', 'footer'] as const) {
      const { key, kind, design, tone } = tallow[type]
      const origin = { template: 'tallow', page: null, section: key }
      expect(findSection(made, type)).toEqual({ id: type, in: { type }, rank: 'a0', kind, design, tone, origin, slots: {} })
    }
  })

  test('lists a page in the menu, at the foot or nowhere, as its template says', () => {
    const page = { ...tallow.pages[0]!, menu: 'none' as const }
    expect(pagesOf(makeDocument({ ...tallow, pages: [page] }, {}, {}))[0]).toMatchObject({ listed: 'nowhere' })
  })
})

describe('facts', () => {
  const own: Facts = {
    name: 'Client',
    phone: '01632 960111',
    address: { street: '1 Lane', locality: 'Elsewhere', postcode: 'E1', country: 'IE' } as never,
    socials: ['https://a.example/x', 'https://b.example/y'],
  }
  test('are the client’s, else the template’s as leftovers', () => {
    const [bare, site] = [siteWith({}), siteWith(own)]
    const { facts } = tallow
    expect(shownFact(bare, 'name')).toEqual({ text: facts.name, leftover: true })
    expect(shownFact(site, 'name')).toEqual({ text: 'Client', leftover: false })
    expect(shownFact(bare, 'locality')).toEqual({ text: facts.address.locality, leftover: true })
    expect(shownFact(site, 'locality')).toEqual({ text: 'Elsewhere', leftover: false })
    expect(shownFact(bare, 'address').leftover).toBe(true)
    expect(shownFact(bare, 'address').text).toContain(facts.address.locality)
    expect(shownFact(site, 'address')).toEqual({ text: '1 Lane, Elsewhere E1', leftover: false })
    expect(shownFact(bare, 'socials')).toEqual({ text: '', leftover: false })
    expect(shownFact(site, 'socials')).toEqual({ text: 'https://a.example/x https://b.example/y', leftover: false })
    expect(shownFact(bare, 'hours')).toEqual({ text: '', leftover: true })
    expect(shownFact(siteWith({ hours: facts.hours }), 'hours')).toEqual({ text: '', leftover: false })
    expect(shownFact(siteWith({ phone: '' }), 'phone')).toEqual({ text: '', leftover: false })
  })

  test('a number is dialled in the country of the address that is shown with it', () => {
    expect(phoneCountry(siteWith({}))).toBe(tallow.facts.address.country)
    expect(phoneCountry(siteWith(own))).toBe('IE')
    expect(phoneCountry(siteWith({ address: own.address! }))).toBe(tallow.facts.address.country)
    expect(phoneCountry(siteWith({ phone: '1' }))).toBe('')
  })

  test('a profile is named by its host and the name on it', () => {
    expect(profileName('https://www.social.example/client/')).toBe('social.example/client')
    expect(profileName('HTTP://social.example/a/b?#')).toBe('social.example/a/b')
    expect(profileName('social.example/to?u=https://x.example')).toBe('social.example/to?u=https://x.example')
    expect(profileName('https://social.example/a//')).toBe('social.example/a')
  })

  test('those that designs in use show are asked for, in their order; the town is the address', () => {
    const on = (kind: Section['kind'], design: string): SiteDocument => {
      const one = { ...findSection(start, 'home.hero')!, kind, design }
      return { ...start, sections: { 'home.hero': one } }
    }
    expect(shownFacts(pack, start)).toEqual(['name', 'tagline', 'phone', 'email', 'address', 'hours'])
    expect(shownFacts(pack, on('hero', 'bench'))).toEqual([])
    expect(shownFacts(pack, on('hero', 'unheard-of'))).toEqual([])
    const town = { tag: 'p', attrs: {}, children: [], binding: { type: 'fact', fact: 'locality' } } as const
    const design = { ...pack.designs['hero/bench']!, name: 'town', tree: { ...pack.designs['hero/bench']!.tree, children: [town] } }
    expect(shownFacts({ ...pack, designs: { 'hero/town': design } }, on('hero', 'town'))).toEqual(['address'])
  })
})

describe('the texts of a page', () => {
  test('are its own, else the template’s, else made of what is known', () => {
    const home = homePage(start)
    const texts = (document: SiteDocument, page: string) => pageTexts(pack, document, findPage(document, page)!)
    expect(texts(start, 'home')).toEqual({ name: 'Home', label: 'Home', title: 'Client', description: tallow.pages[0]!.description })
    const told = testSite({ name: 'Client', tagline: 'Mended' }).document
    expect(texts(told, 'home').title).toBe('Client – Mended')
    expect(texts(told, 'about').title).toBe('About – Client')
    expect(texts(testSite().document, 'about').title).toBe(`About – ${tallow.facts.name}`)
    const bare = { ...home, origin: null, rank: 'b00', id: 'bare' as PageId, segment: 'bare' }
    const more = edited(start, { type: 'page/insert', page: bare })
    expect(texts(more, 'bare')).toEqual({ name: 'Page', label: 'Page', title: 'Page – Client', description: '' })
    const own = edited(
      more,
      { type: 'page/set', page: bare.id, part: 'title', value: 'Own title' },
      { type: 'page/set', page: bare.id, part: 'description', value: 'Own words' },
      { type: 'page/set', page: bare.id, part: 'name', value: 'Own' },
    )
    expect(texts(own, 'bare')).toEqual({ name: 'Own', label: 'Own', title: 'Own title', description: 'Own words' })
    expect(usualText(pack, own, findPage(own, 'bare')!, 'name')).toBe('Page')
    expect(usualText(pack, own, findPage(own, 'bare')!, 'title')).toBe('Own – Client')
  })
})

describe('placeholders', () => {
  const hero = findSection(start, 'home.hero')!
  test('are the design’s own under those of the template’s section that it was made from', () => {
    const title = findSection(start, 'about.title')!
    const native = pack.designs['title/folio']!.placeholders
    expect(placeholdersOf(pack, { ...title, origin: null })).toEqual(native)
    expect(placeholdersOf(pack, title).slots.heading).toEqual(words('A stove, a cutting table and good north light'))
    expect(placeholdersOf(pack, title).slots.heading).not.toEqual(native.slots.heading)
    const other = { ...title, design: Object.values(pack.designs).find((d) => d.kind === 'title' && d.name !== 'folio')!.name }
    expect(placeholdersOf(pack, other).slots.heading).toEqual(placeholdersOf(pack, title).slots.heading)
    expect(placeholdersOf(pack, { ...title, design: 'unheard-of', origin: null })).toEqual({ slots: {}, lists: {} })
    const shared = findSection(start, 'footer')!
    expect(placeholdersOf(pack, shared).slots).toEqual({
      ...pack.designs['footer/colophon']!.placeholders.slots,
      ...tallow.footer.placeholders.slots,
    })
    expect(placeholdersOf(pack, title)).toBe(placeholdersOf(pack, title))
    expect(placeholdersOf({ ...pack, designs: {} }, { ...title, origin: null })).toEqual({ slots: {}, lists: {} })
  })

  test('are those of the section by its key, else of the page’s first of that kind, and never of another kind', () => {
    const from = (template: string, page: string | null, section: string, kind: Section['kind']) =>
      findTemplateSection(pack, { template, page, section }, kind)?.key ?? null
    expect(from('tallow', 'home', 'story', 'story')).toBe('story')
    expect(from('tallow', 'home', 'gone', 'story')).toBe('story')
    expect(from('tallow', 'home', 'story', 'quote')).toBeNull()
    expect(from('tallow', 'gone', 'story', 'story')).toBeNull()
    expect(from('gone', 'home', 'story', 'story')).toBeNull()
    expect(from('tallow', null, 'not-found', 'title')).toBe('not-found')
    expect(from('tallow', null, 'header', 'header')).toBe('header')
    expect(from('tallow', null, 'footer', 'footer')).toBe('footer')
    expect(findTemplateSection(pack, null, 'story')).toBeNull()
    const twice = {
      ...tallow,
      pages: [{ ...tallow.pages[0]!, sections: ['a', 'b'].map((key) => ({ ...tallow.header, key, kind: 'hero' as const })) }],
    }
    const two = { ...pack, templates: { tallow: twice } }
    expect(findTemplateSection(two, { template: 'tallow', page: 'home', section: 'b' }, 'hero')?.key).toBe('b')
    expect(findTemplateSection(two, { template: 'tallow', page: 'home', section: 'c' }, 'hero')?.key).toBe('a')
  })

  test('a page made from none, or from one that is gone, has none', () => {
    expect(findTemplatePage(pack, { template: 'tallow', page: 'about' })?.page.key).toBe('about')
    expect(findTemplatePage(pack, { template: 'tallow', page: 'gone' })).toBeNull()
    expect(findTemplatePage(pack, { template: 'gone', page: 'about' })).toBeNull()
    expect(findTemplatePage(pack, null)).toBeNull()
    expect(hero.origin).toEqual({ template: 'tallow', page: 'home', section: 'hero' })
  })
})

describe('the ledger', () => {
  const services = id('home.services')
  const rowsOf = (document: SiteDocument): readonly LedgerRow[] => sectionRows(pack, document, findSection(document, services)!)

  test('has a row for each slot, one for the list, and one for each field of each entry', () => {
    const rows = rowsOf(edited(start, setItem(services, 2, 'title', 'Own'), setSlot(services, 'heading', words('Kept'))))
    const native = placeholdersOf(pack, findSection(start, services)!)
    const at = (slot: string) => ({ type: 'slot', section: services, entry: null, slot })
    expect(rows.find((r) => r.label === 'Heading')).toEqual({
      place: at('heading'),
      stands: at('heading'),
      same: null,
      type: 'text',
      label: 'Heading',
      entry: null,
      count: null,
      value: words('Kept'),
      placeholder: native.slots.heading,
      leftover: false,
      draft: false,
    })
    const count = native.lists.items!.length
    expect(rows.find((r) => r.type === 'list')).toEqual({
      place: at('items'),
      stands: at('items'),
      same: null,
      type: 'list',
      label: 'Items',
      entry: null,
      count: { shown: count, template: count, there: count },
      value: null,
      placeholder: null,
      leftover: false,
      draft: false,
    })
    const title = (nth: number): LedgerRow => rows.find((r) => r.label === `${nth} title`)!
    expect(title(1)).toMatchObject({ leftover: true, value: null, placeholder: native.lists.items![0]!.title })
    expect(title(2)).toMatchObject({
      place: { type: 'slot', section: services, entry: { list: 'items', nth: 2 }, slot: 'title' },
      entry: { key: `${services} items 2`, number: 2 },
      leftover: false,
      value: words('Own'),
    })
    expect(rows.indexOf(title(2))).toBeGreaterThan(rows.indexOf(title(1)))
  })

  test('says which words are drafts, and that a list was arranged', () => {
    const draft = { ...words('Made'), draft: true } as SlotValue
    const rows = rowsOf(edited(start, setSlot(services, 'heading', draft), setSlot(services, 'items', { type: 'list', of: 2 })))
    expect(rows.find((r) => r.label === 'Heading')).toMatchObject({ draft: true, leftover: false })
    expect(rows.find((r) => r.type === 'list')).toMatchObject({ value: { type: 'list', of: 2 }, count: { shown: 2, template: 4 } })
    expect(rows.filter((r) => r.draft)).toHaveLength(1)
  })

  test('writes a slot’s name as words', () => {
    const rows = allSections(start).flatMap((section) => sectionRows(pack, start, section))
    expect(new Set(rows.map((r) => r.label.replace(/^\d+ /, '')))).toContain('Caption')
    for (const { label } of rows) expect(label).toMatch(/^([A-Z][a-z]*|\d+ [a-z]+)( [a-z]+)*$/)
  })

  test('is the very same while nothing of its section has changed', () => {
    const other = edited(start, setSlot('about.story', 'heading', words('x')))
    expect(rowsOf(other)).toBe(rowsOf(start))
    expect(sectionRows({ ...pack }, start, findSection(start, services)!)).not.toBe(rowsOf(start))
  })

  test('a list of another kind of entry, and entries of another list, do not count among its own', () => {
    const many = edited(start, {
      type: 'entry/insert',
      section: services,
      entry: { list: 'items', id: 'made' as EntryId },
      rank: 'b00',
      slots: { title: words('Made') },
    })
    expect(rowsOf(many).find((r) => r.type === 'list')?.count).toEqual({ shown: 5, template: 4, there: 5 })
    const stray = { ...Object.values(many.entries)[0]!, id: 'stray', in: { section: services, list: 'others' } }
    expect(rowsOf({ ...many, entries: { ...many.entries, stray } }).find((r) => r.type === 'list')?.count?.shown).toBe(5)
    const numbered = { ...stray, nth: 50 }
    expect(rowsOf({ ...many, entries: { ...many.entries, stray: numbered } }).find((r) => r.type === 'list')?.count?.shown).toBe(5)
    expect(MAX_ENTRIES).toBeGreaterThan(50)
  })
})

describe('the count of leftovers', () => {
  /** The same count by going through everything, with nothing kept. */
  const counted = (document: SiteDocument) => {
    const bare = structuredClone(document)
    const of = (sections: readonly Section[], what: 'leftover' | 'draft'): number =>
      sections.flatMap((section) => sectionRows(pack, bare, section)).filter((row) => row[what]).length
    const pages = pagesOf(bare)
    const shared = allSections(bare).filter((s) => s.in.type === 'header' || s.in.type === 'footer')
    const astray = allSections(bare).filter((s) => s.in.type === 'notFound')
    const labels = siteLabels(pack, bare).filter((l) => l.leftover).length
    const facts = shownFacts(pack, bare).filter((fact) => bare.facts[fact] === undefined).length
    const own = (p: Page, i: number): number =>
      [p.texts.name, p.texts.description, i === 0 || p.addressed].filter((given) => given === undefined).length
    const byPage: Record<string, number> = Object.fromEntries([
      ...pages.map((p, i) => [p.id, of(sectionsOn(bare, p.id), 'leftover') + own(p, i)]),
      [NOT_FOUND, of(astray, 'leftover')],
    ])
    const everyPage = facts + labels + of(shared, 'leftover')
    return { total: Object.values(byPage).reduce((a, b) => a + b, everyPage), everyPage, byPage, drafts: of(allSections(bare), 'draft') }
  }
  const draft = { ...words('Made'), draft: true } as SlotValue
  const steps: readonly (readonly [string, (document: SiteDocument) => SiteDocument])[] = [
    ['a heading', (d) => edited(d, setSlot('home.hero', 'heading', words('Own')))],
    ['its words again', (d) => edited(d, setSlot('home.hero', 'heading', words('Own, too')))],
    ['a draft', (d) => edited(d, setSlot('about.story', 'heading', draft))],
    ['a draft that every page shows', (d) => edited(d, setSlot('footer', 'closing', draft))],
    ['an entry', (d) => edited(d, setItem('home.services', 1, 'title', 'Own'))],
    ['a fact', (d) => edited(d, { type: 'fact/set', fact: 'phone', value: '1' })],
    ['a description', (d) => edited(d, { type: 'page/set', page: 'about' as PageId, part: 'description', value: 'Own' })],
    ['a page named', (d) => edited(d, { type: 'page/set', page: 'about' as PageId, part: 'name', value: 'Own' })],
    ['an address kept', (d) => edited(d, { type: 'page/set', page: 'about' as PageId, part: 'addressed', value: true })],
    [
      'an address left to the template again',
      (d) => edited(d, { type: 'page/set', page: 'about' as PageId, part: 'addressed', value: false }),
    ],
    ['another page at home', (d) => edited(d, { type: 'page/move', page: 'about' as PageId, rank: 'Z0' })],
    ['words where an address is wrong', (d) => edited(d, setSlot('not-found', 'heading', words('Nothing')))],
    ['a label', (d) => edited(d, { type: 'label/set', label: 'address', value: { text: 'Hof' } })],
    ['a page gone', (d) => edited(d, { type: 'page/remove', page: 'gallery' as PageId })],
    [
      'a page without a section',
      (d) => edited(d, { type: 'section/remove', section: id('legal.title') }, { type: 'section/remove', section: id('legal.legal') }),
    ],
    [
      'a page described that has no section',
      (d) => edited(d, { type: 'page/set', page: 'legal' as PageId, part: 'description', value: 'x' }),
    ],
  ]

  test('is what going through everything gives, after every kind of change', () => {
    let document = start
    for (const [what, change] of steps) {
      const before = countLeftovers(pack, document)
      expect(before).toEqual(counted(document))
      document = change(document)
      expect(countLeftovers(pack, document), what).toEqual(counted(document))
      const isSame = JSON.stringify(before) === JSON.stringify(counted(document))
      expect(countLeftovers(pack, document) === before, what).toBe(isSame)
      expect(countLeftovers(pack, document)).toBe(countLeftovers(pack, document))
    }
    expect(countLeftovers(pack, document).drafts).toBe(2)
  })

  test('is another one in another pack', () => {
    const designs = { ...pack.designs, 'hero/bench': { ...pack.designs['hero/bench']!, placeholders: { slots: {}, lists: {} } } }
    expect(countLeftovers({ ...pack, designs }, start).total).toBeLessThan(countLeftovers(pack, start).total)
    expect(countLeftovers(pack, start)).toEqual(counted(start))
  })
})

describe('reading a filled page', () => {
  const site = testSite({ name: 'Client' })
  const home = fillPage(site, homePage(start))

  test('has what stands at the head of every page, its sections, and what stands at the foot', () => {
    expect(home.header.map((s) => s.id)).toEqual(['header'])
    expect(home.main.map((s) => s.id)).toEqual(sectionsOn(start, homePage(start).id).map((s) => s.id))
    expect(home.footer.map((s) => s.id)).toEqual(['footer'])
  })

  test('the page for wrong addresses has the template’s section, as a sheet and as a release show it', () => {
    for (const page of [null, notFoundPage()]) {
      const { main, header, footer } = fillPage(site, page)
      expect([header.length, main.map((s) => s.id), footer.length]).toEqual([1, [NOT_FOUND], 1])
      expect(wordsOf(main[0]!.root).replaceAll('\u00a0', ' ')).toContain(
        (tallow.notFound.placeholders.slots.heading as { text: string }).text,
      )
    }
    expect(notFoundPage()).toEqual({
      id: 'not-found',
      in: { type: 'site' },
      rank: 'a0',
      origin: null,
      segment: 'not-found',
      listed: 'nowhere',
      texts: {},
    })
  })

  test('goes through every element in reading order, with what stands around it, until it is told to stop', () => {
    const { root } = fillSection({ site, page: homePage(start) }, findSection(start, 'home.hero')!)
    const seen: string[] = []
    readElements(root, ({ tag, inside, classes }) => void seen.push([...inside, `${tag}.${classes.join('.')}`].join(' ')))
    expect(seen.slice(0, 5)).toEqual([
      'section.hero-bench.tone-paper',
      'section h1.',
      'section figure.',
      'section figure img.',
      'section figure figcaption.',
    ])
    const until: string[] = []
    expect(readElements(root, ({ tag }) => (until.push(tag), tag === 'figure'))).toBe(true)
    expect(until).toEqual(['section', 'h1', 'figure'])
    expect(readElements(root, () => false)).toBe(false)
    expect(readElements(null, () => true)).toBe(false)
    expect(readElements('words', () => true)).toBe(false)
    let heading = ''
    let picture: unknown = null
    readElements(root, (element) => {
      if (element.tag === 'h1') heading = element.words()
      if (element.picture) picture = element.picture.asset.id
    })
    expect(heading).toBe('A chair worth sitting in is worth mending')
    expect(picture).toBe('tallow/stool-and-window-light.jpg')
    expect(findPicture(root, () => true)?.asset.id).toBe(picture)
    expect(findPicture(root, () => false)).toBeNull()
    expect(findPicture(null, () => true)).toBeNull()
  })

  test('a part of a design that stands still is read like any other', () => {
    const contact = fillSection({ site, page: homePage(start) }, findSection(start, 'contact.contact')!).root!
    const seen: string[] = []
    readElements(contact, ({ tag, words: read, inside }) => void (tag === 'dt' && seen.push(`${inside.join(' ')}: ${read()}`)))
    expect(seen).toEqual(['section dl div: Telephone', 'section dl div: Email', 'section dl div: Workshop'])
    expect(isStill({ tag: 'p', attrs: {}, children: ['x', { tag: 'b', attrs: {}, children: [] }] })).toBe(true)
    expect(isStill({ tag: 'p', attrs: {}, children: [{ tag: 'b', attrs: {}, children: [], when: 'x' }] })).toBe(false)
  })

  // HTML, “Rendering”, flow content: what stands on lines of its own. The inline ones run on.
  test('words of neighbouring blocks stand apart, those inside a line run on', () => {
    const of = (tag: string): string =>
      wordsOf({ tag: 'main', attrs: {}, children: ['a', 'b'].map((text) => ({ tag, attrs: {}, children: [text] })) })
    for (const tag of 'a li p br dt dd td th h1 h2 h3 h4 h5 h6 figcaption blockquote div section span'.split(' '))
      expect(of(tag), tag).toBe('a b ')
    for (const tag of ['strong', 'em', 'b', 'small']) expect(of(tag), tag).toBe('ab')
  })
})

test('a site’s colours are those of its scheme with the brand in them, by day or by night, and kept', () => {
  const site = testSite({}, { colour: '#336699' })
  const dressed = (dress: Partial<SiteDocument['dress']>): Site => ({
    ...site,
    document: { ...site.document, dress: { template: 'tallow', ...dress } },
  })
  const light = siteScheme(site)
  expect(siteScheme(site)).toBe(light)
  expect(siteScheme(dressed({ dark: true }))).toEqual(siteScheme(site, true))
  expect(siteScheme(dressed({ dark: 'visitor' }))).toEqual(light)
  expect(siteScheme(dressed({ dark: true }), false)).toEqual(light)
  expect(siteScheme(site, true)).not.toEqual(light)
  expect(siteScheme(dressed({ scheme: 'tallow/verdigris' }))).not.toEqual(light)
  expect(siteScheme(testSite({}, { colour: '#993366' }))).not.toEqual(light)
  expect(siteScheme(site)).toEqual(light)
})
