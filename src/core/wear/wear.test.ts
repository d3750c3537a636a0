import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { random } from '../../../tests/random'
import { edited, homeSections, setItem, setSlot, setText } from '../../../tests/site'
import { countLeftovers, linkedPage, makeDocument, pageTexts } from '../fill'
import { designsOf, getDesign, getTemplate } from '../pack'
import {
  allSections,
  applyEdit,
  entriesOf,
  findPage,
  findSection,
  findSlotType,
  gesturesOf,
  pagesOf,
  redoable,
  sectionsIn,
  sectionsOn,
  takeBack,
  TONES,
  undoable,
  type Edit,
  type EntryId,
  type LogRow,
  type PageId,
  type Section,
  type SectionId,
  type SectionIn,
  type SiteDocument,
} from '../site'
import {
  addPage,
  arrangementOf,
  editTo,
  hasContent,
  isUnfilled,
  notShownIn,
  rearrange,
  reportChange,
  sameArrangement,
  startOn,
  startOver,
  usualChoice,
  wear,
} from '.'

const pack = testPack()
const TEMPLATES = ['tallow', 'limewash', 'windrow', 'gantry', 'blank']
const fresh = (template = 'tallow'): SiteDocument => makeDocument(getTemplate(pack, template), { name: 'Client' }, {})
/** As a screen does it: by the edit, which must lead to exactly what was promised. */
const go = (document: SiteDocument, to: SiteDocument): SiteDocument => {
  const after = edited(document, editTo(document, to))
  expect(after).toEqual(to)
  return after
}
const put = (document: SiteDocument, template: string): SiteDocument => go(document, wear(pack, document, template))
/** Every filled place of a site, with its section. */
const content = (document: SiteDocument): string[] =>
  allSections(document)
    .flatMap((s) => [
      ...Object.entries(s.slots).map(([slot, value]) => `${s.id} ${slot} ${JSON.stringify(value)}`),
      ...entriesOf(document, s.id).map((e) => `${s.id} ${e.id} ${JSON.stringify(e)}`),
    ])
    .sort()
const byKind = (document: SiteDocument, kind: string) => homeSections(document).find((s) => s.kind === kind)!
const designs = (document: SiteDocument, section: string, part: 'design' | 'tone', value: string): SiteDocument =>
  edited(document, { type: 'section/set', section: section as SectionId, part, value } as Edit)
const origins = (document: SiteDocument): (string | undefined)[] => pagesOf(document).map((p) => p.origin?.page)
let made = 0
const unique = (): string => `n${++made}`

const filled = (): SiteDocument =>
  edited(
    fresh(),
    setText('home.hero', 'heading', 'Ours'),
    setText('home.hero', 'caption', 'By the door'),
    setItem('home.steps', 2, 'title', 'Then'),
    setItem('about.figures', 1, 'figure', '41'),
    setItem('gallery.gallery', 7, 'caption', 'A seventh'),
  )

describe('putting on another template', () => {
  test('keeps every word of the client’s, whichever template it is', () => {
    const before = filled()
    for (const id of TEMPLATES) expect(content(put(before, id)), id).toEqual(content(before))
  })

  test('gives each page the new template’s sections, in its order, in its designs', () => {
    const after = put(filled(), 'windrow')
    const home = homeSections(after)
    const wanted = getTemplate(pack, 'windrow').pages[0]!.sections.map((s) => `${s.kind}/${s.design}`)
    expect(home.filter((s) => s.origin?.page === 'home').map((s) => `${s.kind}/${s.design}`)).toEqual(wanted)
    // The client's steps have no place on the new home page: they stay, after what they stood after, dressed as the
    // template dresses steps elsewhere.
    const steps = findSection(after, 'home.steps')!
    expect(steps.design).toBe('season')
    expect(steps.origin).toMatchObject({ template: 'windrow' })
    expect(home.indexOf(steps)).toBeGreaterThan(home.findIndex((s) => s.kind === 'services'))
    expect(home[0]!.slots.heading).toEqual({ type: 'text', text: 'Ours' })
  })

  test('a section with content that has no place goes after what it stood before, never above the page’s own heading', () => {
    const only = edited(fresh(), setItem('home.steps', 2, 'title', 'Then'), {
      type: 'section/move',
      section: 'home.steps' as SectionId,
      in: { type: 'page', page: 'home' as PageId },
      rank: 'Zz',
    })
    const home = homeSections(put(only, 'windrow'))
    expect(home[0]!.kind).toBe('hero')
    expect(home[1]!.id).toBe('home.steps')
  })

  test('a filled section takes a place before an empty one of its kind', () => {
    const two = edited(fresh(), {
      type: 'section/insert',
      section: {
        ...findSection(fresh(), 'home.services')!,
        id: 'home.more' as SectionId,
        rank: 'a1G',
        slots: { heading: { type: 'text', text: 'Filled' } },
      },
    })
    const services = homeSections(put(two, 'gantry')).filter((s) => s.kind === 'services')
    expect(services.map((s) => s.id)).toEqual(['home.more'])
  })

  test('pages stay the client’s: their number, order and addresses', () => {
    const before = filled()
    const after = put(before, 'gantry')
    expect(pagesOf(after).map((p) => [p.id, p.segment])).toEqual(pagesOf(before).map((p) => [p.id, p.segment]))
    // By the kind they share, since no key is the same.
    expect(findPage(after, 'gallery')!.origin).toEqual({ template: 'gantry', page: 'work' })
    expect(pageTexts(pack, after, pagesOf(after)[1]!).name).toBe('Who comes')
  })

  test('and the old one back gives exactly the document that was there', () => {
    for (const start of [fresh(), filled()]) {
      for (const id of TEMPLATES) expect(put(put(start, id), 'tallow'), id).toEqual(start)
      expect(put(put(put(put(start, 'windrow'), 'gantry'), 'limewash'), 'tallow')).toEqual(start)
    }
  })

  test('what is written meanwhile comes along; what was arranged by hand is found again', () => {
    const own = designs(designs(filled(), 'home.hero', 'design', 'canopy'), 'home.visit', 'tone', 'ink')
    const there = put(own, 'limewash')
    const quote = byKind(there, 'quote')
    const written = edited(there, setText(quote.id, 'quote', 'Written there'), setText('home.hero', 'heading', 'Changed there'))
    const back = put(written, 'tallow')
    expect(findSection(back, 'home.hero')).toMatchObject({ design: 'canopy', slots: { heading: { text: 'Changed there' } } })
    expect(findSection(back, 'home.visit')!.tone).toBe('ink')
    expect(findSection(back, quote.id)!.slots.quote).toEqual({ type: 'text', text: 'Written there' })
  })

  test('content is never found under another kind', () => {
    const document = filled()
    const after = put(document, 'windrow')
    for (const section of allSections(after)) {
      for (const [slot, value] of Object.entries(section.slots)) expect(findSlotType(section.kind, null, slot)).toBe(value.type)
    }
  })

  test('an arrangement that has a section of another kind under a name finds nothing in it, and its entries go', () => {
    const document = edited(filled(), setText('home.steps', 'heading', 'Ours'))
    const now = arrangementOf(document)
    const steps = 'home.steps' as SectionId
    expect(entriesOf(document, steps)).not.toEqual([])
    const pages = now.pages.map((one) => ({
      ...one,
      sections: one.sections.map((s) => (s.id === steps ? { ...s, kind: 'team' as const, design: 'crew' } : s)),
    }))
    const after = rearrange(document, { ...now, pages })
    expect(findSection(after, steps)?.kind).toBe('team')
    expect(findSection(after, steps)?.slots).toEqual({})
    expect(entriesOf(after, steps)).toEqual([])
    expect(findSection(after, 'home.hero')).toBe(findSection(document, 'home.hero'))
  })

  test('a section that was moved to another page stays there, and every later template still goes on', () => {
    const moved = edited(filled(), {
      type: 'section/move',
      section: 'home.steps' as SectionId,
      in: { type: 'page', page: 'about' as PageId },
      rank: 'a3V',
    })
    for (const id of TEMPLATES) expect(put(put(moved, id), 'tallow'), id).toEqual(moved)
    const there = put(moved, 'windrow')
    expect(sectionsOn(there, 'about' as PageId).map((s) => s.id)).toContain('home.steps')
  })

  test('the report says what moves, what is new, what leaves, and what is not shown', () => {
    const before = filled()
    const after = put(before, 'gantry')
    const report = reportChange(pack, before, after)
    const home = report.pages[0]!
    expect(home.sections.find((c) => c.section.kind === 'before-after')).toMatchObject({ type: 'new', was: null })
    expect(home.sections.find((c) => c.section.kind === 'visit')).toMatchObject({ type: 'leaves', becomes: null })
    expect(report.totals.kept).toBe(allSections(before).filter((s) => hasContent(before, s)).length)
    expect(report.totals.leftoversNow).toBe(countLeftovers(pack, before).total)
    expect(report.totals.leftoversThen).toBe(countLeftovers(pack, after).total)
    expect(report.totals.leftoversThen).not.toBe(report.totals.leftoversNow)
    const reversed = edited(before, {
      type: 'section/move',
      section: 'home.visit' as SectionId,
      in: { type: 'page', page: 'home' as PageId },
      rank: 'a0V',
    })
    const moved = reportChange(pack, before, reversed).pages[0]!.sections.filter((c) => c.type === 'moves')
    expect(moved.length).toBeGreaterThan(0)
    expect(moved.map((c) => c.section.id)).toContain('home.visit')
    expect(reportChange(pack, before, before).totals).toMatchObject({ moved: 0, added: 0, gone: 0 })
  })

  test('a general scheme and the dark form come along; a template’s own scheme does not', () => {
    const worn = (...parts: Edit[]): unknown => put(edited(fresh(), ...parts), 'gantry').dress
    const scheme = (value: string): Edit => ({ type: 'dress/set', part: 'scheme', value })
    expect(worn(scheme('general/slate'), { type: 'dress/set', part: 'dark', value: 'visitor' })).toEqual({
      template: 'gantry',
      scheme: 'general/slate',
      dark: 'visitor',
    })
    expect(worn(scheme('tallow/verdigris'))).toEqual({ template: 'gantry' })
    expect(worn({ type: 'dress/set', part: 'dark', value: true })).toEqual({ template: 'gantry', dark: true })
  })

  test('what stands on every page takes the template’s dress for its kind, and anything else there keeps its own', () => {
    const before = edited(fresh(), { type: 'section/move', section: 'home.steps' as SectionId, in: { type: 'footer' }, rank: 'z9' })
    const after = put(before, 'gantry')
    const { header, footer } = getTemplate(pack, 'gantry')
    const dressOf = (of: SectionIn): unknown[] => sectionsIn(after, of).map((s) => [s.kind, s.design, s.tone, s.origin])
    const origin = (section: string) => ({ template: 'gantry', page: null, section })
    const steps = findSection(before, 'home.steps')!
    expect(dressOf({ type: 'header' })).toEqual([['header', header.design, header.tone, origin(header.key)]])
    expect(dressOf({ type: 'footer' })).toEqual([
      ['footer', footer.design, footer.tone, origin(footer.key)],
      ['steps', steps.design, steps.tone, steps.origin],
    ])
  })

  test('a page is not taken for one with which it shares only what pages of every sort have', () => {
    const id = 'extra' as PageId
    const page = { id, in: { type: 'site' as const }, rank: 'z0', origin: null, segment: 'extra', listed: 'menu' as const, texts: {} }
    const common = (['title', 'story', 'action'] as const).map((kind, i): Edit => ({
      type: 'section/insert',
      section: {
        id: `extra.${kind}` as SectionId,
        in: { type: 'page', page: id },
        rank: `a${i}`,
        kind,
        design: designsOf(pack, kind)[0]!,
        tone: 'paper',
        origin: null,
        slots: { heading: { type: 'text', text: kind } },
      },
    }))
    const after = put(edited(fresh(), { type: 'page/insert', page }, ...common), 'windrow')
    expect(findPage(after, id)!.origin).toBeNull()
    expect(sectionsOn(after, id).map((s) => s.kind)).toEqual(['title', 'story', 'action'])
  })

  test('arrangements differ by what stands where and what it wears, not by ranks; arranged as it is, a site stays the same records', () => {
    const document = filled()
    const same = (edit: Edit): boolean => sameArrangement(arrangementOf(document), arrangementOf(edited(document, edit)))
    expect(same({ type: 'section/set', section: 'home.steps' as SectionId, part: 'tone', value: 'ink' })).toBe(false)
    expect(same({ type: 'page/set', page: 'about' as PageId, part: 'listed', value: 'nowhere' })).toBe(false)
    expect(same({ type: 'page/set', page: 'about' as PageId, part: 'segment', value: 'us' })).toBe(false)
    expect(same({ type: 'section/remove', section: 'home.steps' as SectionId })).toBe(false)
    expect(same({ type: 'page/move', page: pagesOf(document).at(-1)!.id, rank: 'zz9' })).toBe(true)
    expect(same(setText('home.hero', 'caption', 'Other words'))).toBe(true)
    const again = rearrange(document, arrangementOf(document))
    expect(again).toEqual(document)
    for (const [id, section] of Object.entries(document.sections)) expect(again.sections[id]).toBe(section)
    for (const [id, page] of Object.entries(document.pages)) expect(again.pages[id]).toBe(page)
  })

  test('the report counts every section by what happens to it, on its page and on every page', () => {
    const start = edited(fresh(), setText('home.hero', 'heading', 'Ours'))
    const [hero, services, story, steps] = homeSections(start)
    const news: Section = { ...steps!, id: 'home.news' as SectionId, rank: 'z0', design: 'season', origin: null }
    const after = edited(
      start,
      { type: 'section/move', section: story!.id, in: { type: 'page', page: 'home' as PageId }, rank: 'Zz' },
      { type: 'section/remove', section: services!.id },
      { type: 'section/insert', section: news },
    )
    const { pages, shared, totals } = reportChange(pack, start, after)
    const told = pages[0]!.sections.map(({ section, type, was, becomes }) => [section.id, type, was, becomes])
    const others = homeSections(start).slice(3)
    expect(told).toEqual([
      [story!.id, 'stays', 3, 1],
      [hero!.id, 'moves', 1, 2],
      ...others.map((s, i) => [s.id, 'stays', i + 4, i + 3]),
      ['home.news', 'new', null, others.length + 3],
      [services!.id, 'leaves', 2, null],
    ])
    expect(shared.map(({ section, type, was, becomes }) => [section.kind, type, was, becomes])).toEqual([
      ['header', 'stays', 1, 1],
      ['footer', 'stays', 1, 1],
      ['title', 'stays', 1, 1],
    ])
    const leftovers = { leftoversNow: countLeftovers(pack, start).total, leftoversThen: countLeftovers(pack, after).total }
    expect(totals).toEqual({ kept: 1, moved: 1, notShown: 0, added: 1, gone: 1, ...leftovers })
    const change = (id: string) => pages[0]!.sections.find((c) => c.section.id === id)!
    expect([change('home.hero').redressed, change('home.news').redressed, change(services!.id).redressed]).toEqual([true, false, false])
    expect(change(services!.id)).toMatchObject({ notShown: [], leftovers: 0 })
    expect(reportChange(pack, start, designs(start, 'home.hero', 'design', 'canopy')).pages[0]!.sections[0]!.redressed).toBe(false)
  })

  test('of the client’s words in a list, those that the design has no place for are named by their place', () => {
    const own = { list: 'items', id: 'own' as EntryId }
    // Every shipped design shows every field; this one shows the price twice, and no note.
    const line = getDesign(pack, 'services', 'line')
    const tree = JSON.parse(JSON.stringify(line.tree).replaceAll('"slot":"note"', '"slot":"price"')) as typeof line.tree
    const more = { ...pack, designs: { ...pack.designs, 'services/noteless': { ...line, name: 'noteless', tree } } }
    const site = edited(
      designs(fresh(), 'home.services', 'design', 'noteless'),
      { type: 'entry/insert', section: 'home.services' as SectionId, entry: own, rank: 'a9', slots: {} },
      setSlot('home.services', 'title', { type: 'text', text: 'Shown' }, own),
      setSlot('home.services', 'note', { type: 'text', text: 'Not shown' }, own),
      setItem('home.services', 1, 'note', ''),
      setSlot('home.services', 'items', { type: 'list', of: 3 }),
    )
    expect(notShownIn(more, site, findSection(site, 'home.services')!)).toEqual([
      { place: { type: 'slot', section: 'home.services', entry: own, slot: 'note' }, slot: 'items note', words: 'Not shown' },
    ])
    const gone = designs(site, 'home.services', 'design', 'unheard-of')
    expect(notShownIn(more, gone, findSection(gone, 'home.services')!).map(({ words }) => words)).toEqual(['Shown', 'Not shown'])
  })

  test('a design that has no place for a slot keeps it, lists it, and gives it back', () => {
    const picture = { type: 'image', asset: 'client-photo', alt: 'Our gate in May' } as const
    const before = edited(fresh('windrow'), setSlot('home.quote', 'picture', picture))
    const after = put(before, 'limewash') // Its quotes have no picture.
    const quote = byKind(after, 'quote')
    expect(notShownIn(pack, after, quote)).toMatchObject([{ slot: 'picture', words: 'Our gate in May' }])
    expect(reportChange(pack, before, after).totals.notShown).toBe(1)
    expect(quote.slots.picture).toEqual(picture)
    const shown = designs(after, quote.id, 'design', 'field')
    expect(notShownIn(pack, shown, byKind(shown, 'quote'))).toEqual([])
  })
})

describe('starting', () => {
  test('takes the chosen pages only, home always, and the chosen scheme', () => {
    const document = go(
      fresh(),
      startOn(pack, fresh(), { template: 'gantry', pages: ['prices', 'contact'], scheme: 'gantry/enamel', dark: true }),
    )
    expect(origins(document)).toEqual(['home', 'prices', 'contact'])
    expect(document.dress).toEqual({ template: 'gantry', scheme: 'gantry/enamel', dark: true })
  })

  test('never leaves out a page that holds the client’s words', () => {
    const document = go(filled(), startOn(pack, filled(), { template: 'windrow', pages: [], scheme: null, dark: false }))
    expect(pagesOf(document).map((p) => p.id)).toEqual(['home', 'about', 'gallery'])
    expect(content(document)).toEqual(content(filled()))
  })

  test(
    'as the screen offers it and going back gives the document that was there: scheme, dark form, designs, pages, ' +
      'even with nothing filled',
    () => {
      const put2 = (document: SiteDocument, template: string): SiteDocument =>
        go(document, startOn(pack, document, usualChoice(pack, document, template)))
      const arranged = designs(
        edited(fresh(), { type: 'dress/set', part: 'scheme', value: 'tallow/verdigris' }, { type: 'dress/set', part: 'dark', value: true }),
        'home.hero',
        'design',
        'canopy',
      )
      for (const start of [arranged, edited(arranged, setText('home.hero', 'heading', 'Ours')), filled()]) {
        for (const id of ['limewash', 'windrow', 'gantry']) expect(put2(put2(start, id), 'tallow'), id).toEqual(start)
      }
      // A site that is as it came is taken as the template comes, all pages of it.
      expect(sameArrangement(arrangementOf(put2(fresh(), 'gantry')), arrangementOf(fresh('gantry')))).toBe(true)
    },
  )

  test('on one template after pages of another were taken keeps each page the words of the template it came from', () => {
    const there = put(filled(), 'gantry')
    const { edit, page } = addPage(pack, there, { template: 'gantry', page: 'areas' }, unique)
    const back = put(edited(there, edit), 'tallow')
    expect(findPage(back, page)).toMatchObject({ origin: { template: 'gantry', page: 'areas' } })
    expect(pageTexts(pack, back, findPage(back, page)!).name).toBe('Where')
  })

  test('over keeps facts and brand, empties the pages, and is taken back by one undo', () => {
    const before = edited(filled(), { type: 'brand/set', part: 'colour', value: '#123456' })
    const applied = applyEdit(before, editTo(before, startOver(pack, before)))
    if (!applied.ok) throw new Error('refused')
    const over = applied.document
    expect(isUnfilled(over)).toBe(true)
    expect(over).toMatchObject({ facts: before.facts, brand: before.brand, dress: { template: 'tallow' } })
    // A template's own link still finds its page, which has another name now.
    expect(linkedPage(over, 'services')?.id).toBe('r2.services')
    expect(linkedPage(over, 'r2.services')?.id).toBe('r2.services')
    expect(linkedPage(over, 'nowhere')).toBeNull()
    expect(countLeftovers(pack, over).total).toBe(countLeftovers(pack, { ...fresh(), brand: before.brand }).total)
    expect(pagesOf(over).map((p) => p.segment)).toEqual(pagesOf(before).map((p) => p.segment))
    expect(edited(over, applied.inverse)).toEqual(before)
    const twice = go(over, startOver(pack, over))
    expect(new Set([...allSections(twice), ...allSections(over)].map((s) => s.id)).size).toBe(allSections(twice).length * 2)
  })
})

test('a page of any template is added at an address of its own, and wears the job’s style', () => {
  const { edit, page } = addPage(pack, fresh(), { template: 'windrow', page: 'seasons' }, unique)
  const once = edited(fresh(), edit)
  const added = findPage(once, page)!
  expect(added.origin).toEqual({ template: 'windrow', page: 'seasons' })
  expect(pageTexts(pack, once, added)).toMatchObject({ name: 'Through the year' })
  expect(once.dress.template).toBe('tallow')
  expect(
    pagesOf(once)
      .filter((p) => p.listed === 'menu')
      .at(-1),
  ).toBe(added)
  expect(pagesOf(once)[0]!.id).toBe('home')
  // Back on the template that it came from, it is one of that template's own pages.
  expect(findPage(put(once, 'windrow'), page)!.origin).toEqual({ template: 'windrow', page: 'seasons' })
})

test('two tabs that add the same page at once both have it, at two addresses, with the words of each', () => {
  const [one, two] = [1, 2].map(() => addPage(pack, fresh(), { template: 'windrow', page: 'seasons' }, unique)) as [
    ReturnType<typeof addPage>,
    ReturnType<typeof addPage>,
  ]
  const both = edited(
    fresh(),
    one.edit,
    setText(`${one.page}.title`, 'heading', 'Mine'),
    two.edit,
    setText(`${two.page}.title`, 'heading', 'Yours'),
  )
  const pages = [one, two].map(({ page }) => findPage(both, page)!)
  expect(new Set(pages.map((p) => p.segment)).size).toBe(2)
  expect(pages.map((p) => sectionsOn(both, p.id)[0]!.slots.heading)).toEqual([
    { type: 'text', text: 'Mine' },
    { type: 'text', text: 'Yours' },
  ])
})

test('any seeded run of templates, words, designs, pages and takings back loses nothing and leads back to the first document', () => {
  const next = random(41)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  let changes = 0
  for (let run = 0; run < 40; run++) {
    const start = run % 2 === 0 ? fresh(pick(TEMPLATES)) : filled()
    let document = start
    const rows: LogRow[] = []
    const log = (edit: Edit, gesture: string, undoes: string | null = null): void => {
      const applied = applyEdit(document, edit)
      if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
      document = applied.document
      rows.push({ id: `r${rows.length}`, edit, inverse: applied.inverse, gesture, who: null, undoes })
    }
    const step = (which: typeof undoable): boolean => {
      const [gesture] = which(gesturesOf(rows), 'me')
      const taken = gesture === undefined ? null : takeBack(document, rows, gesture)
      if (!taken?.ok) return false
      log(taken.edit, `u${rows.length}`, gesture)
      return true
    }
    for (let i = 0; i < 14; i++) {
      const dice = next()
      const page = pick(pagesOf(document))
      const section = pick(sectionsOn(document, page.id))
      const to = (after: SiteDocument): void => log(editTo(document, after), `g${i}`)
      if (dice < 0.4) {
        const before = content(document)
        to(wear(pack, document, pick(TEMPLATES)))
        expect(content(document)).toEqual(before)
        changes++
      } else if (dice < 0.6) {
        if (findSlotType(section.kind, null, 'heading') === 'text') log(setText(section.id, 'heading', `w${i}`), `g${i}`)
      } else if (dice < 0.7)
        log({ type: 'section/set', section: section.id, part: 'design', value: pick(designsOf(pack, section.kind)) }, `g${i}`)
      else if (dice < 0.75) log({ type: 'section/set', section: section.id, part: 'tone', value: pick(TONES) }, `g${i}`)
      else if (dice < 0.82) log(addPage(pack, document, { template: pick(TEMPLATES), page: 'contact' }, unique).edit, `g${i}`)
      else if (dice < 0.86) to(startOver(pack, document))
      else if (dice < 0.9)
        to(startOn(pack, document, { template: pick(TEMPLATES), pages: ['about', 'contact'], scheme: null, dark: next() < 0.5 }))
      else step(next() < 0.6 ? undoable : redoable)
    }
    while (step(undoable));
    expect(document).toEqual(start)
  }
  expect(changes).toBeGreaterThan(100)
})

test('from any state, a template put on and the worn one put back is the same document', () => {
  const next = random(42)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  let checked = 0
  for (let run = 0; run < 40; run++) {
    let document = run % 2 === 0 ? fresh(pick(TEMPLATES)) : filled()
    for (let i = 0; i < 5; i++) {
      const section = pick(sectionsOn(document, pick(pagesOf(document)).id))
      document =
        next() < 0.5 ? designs(document, section.id, 'design', pick(designsOf(pack, section.kind))) : put(document, pick(TEMPLATES))
    }
    const worn = document.dress.template
    const others = TEMPLATES.filter((t) => t !== worn && !Object.hasOwn(document.outfits, t))
    if (others.length === 0) continue
    const back = put(put(document, pick(others)), worn)
    expect(sameArrangement(arrangementOf(back), arrangementOf(document))).toBe(true)
    expect(content(back)).toEqual(content(document))
    checked++
  }
  expect(checked).toBeGreaterThan(15)
})

test('an added page is listed where its template lists it, stands there, and has an address of its own', () => {
  for (const template of TEMPLATES) {
    for (const like of getTemplate(pack, template).pages.slice(1)) {
      const before = fresh('tallow')
      const { document, page, edit } = addPage(pack, before, { template, page: like.key }, unique)
      expect(edited(before, edit)).toEqual(document)
      const added = findPage(document, page)!
      expect(added.listed).toBe({ undefined: 'menu', foot: 'foot', none: 'nowhere' }[String(like.menu)])
      const segments = pagesOf(before).map((p) => p.segment)
      const wanted = like.segment || like.key
      expect(added.segment).toBe(segments.includes(wanted) ? `${wanted}-2` : wanted)
      const order = pagesOf(document).map((p) => p.listed)
      expect(pagesOf(document).indexOf(added)).toBe(like.menu ? order.length - 1 : order.lastIndexOf('menu'))
      expect(sectionsOn(document, page).map(({ kind, design, origin }) => [kind, design, origin?.section, origin?.page])).toEqual(
        like.sections.map(({ kind, design, key }) => [kind, design, key, like.key]),
      )
    }
  }
  expect(() => addPage(pack, fresh(), { template: 'tallow', page: 'nowhere' }, unique)).toThrow('The template tallow has no page nowhere')
})

test('a site is unfilled until a section or a page holds something of the client’s', () => {
  expect(isUnfilled(fresh())).toBe(true)
  expect(isUnfilled(edited(fresh(), setText('home.hero', 'heading', 'Ours')))).toBe(false)
  expect(isUnfilled(edited(fresh(), { type: 'page/set', page: 'about' as PageId, part: 'title', value: 'Ours' }))).toBe(false)
})

test('a page’s place in the menus comes with it', () => {
  const { document } = testSite()
  expect(
    pagesOf(document)
      .filter((p) => p.listed === 'foot')
      .map((p) => p.id),
  ).toEqual(['prices', 'landing', 'legal'])
})

test('sections that are not wanted are left out of the pages taken; a page keeps its first, and one that is filled stays', () => {
  const without = ['home/hero', 'home/services', 'about/quote', 'services/title']
  const choice = { template: 'tallow', pages: ['about', 'services'], without, scheme: null, dark: false } as const
  const kinds = (document: SiteDocument, page: string): string[] => sectionsOn(document, page as PageId).map((s) => s.kind)
  const started = go(fresh(), startOn(pack, fresh(), choice))
  expect(kinds(started, 'home')[0]).toBe('hero')
  expect(kinds(started, 'home')).not.toContain('services')
  expect(kinds(started, 'about')).not.toContain('quote')
  expect(kinds(started, 'services')[0]).toBe('title')
  const words = edited(fresh(), setText('home.services', 'heading', 'Ours'))
  expect(kinds(go(words, startOn(pack, words, choice)), 'home')).toContain('services')
})
