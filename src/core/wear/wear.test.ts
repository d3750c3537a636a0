import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { random } from '../../../tests/random'
import { countLeftovers, designsOf, getTemplate, makeDocument, pageTexts } from '../pack'
import { allSections, applyEdit, arrangementOf, findSlotType, toUndoStacks, TONES, type Edit, type LogRow, type SectionId, type SiteDocument } from '../site'
import { addPage, hasContent, isUnfilled, notShownIn, reportChange, startOn, startOver, usualChoice, wear } from '.'

const pack = testPack()
const TEMPLATES = ['tallow', 'limewash', 'windrow', 'gantry', 'blank']
const fresh = (template = 'tallow'): SiteDocument => makeDocument(getTemplate(pack, template), { name: 'Client' }, {})
const apply = (document: SiteDocument, edit: Edit): SiteDocument => {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
  return applied.document
}
const put = (document: SiteDocument, template: string): SiteDocument => apply(document, wear(pack, document, template))
const text = (section: string, slot: string, words: string): Edit => ({ type: 'slot/set', section: section as SectionId, slot, value: { type: 'text', text: words } })
/** Every filled slot of a site, with its section. */
const content = (document: SiteDocument): string[] => allSections(document).flatMap((s) => Object.entries(s.slots).map(([slot, value]) => `${s.id} ${slot} ${JSON.stringify(value)}`)).sort()

const filled = (): SiteDocument => [
  text('home.hero', 'heading', 'Ours'), text('home.hero', 'caption', 'By the door'), text('home.steps', 'items/t2/title', 'Then'),
  text('about.figures', 'items/t1/figure', '41'), text('gallery.gallery', 'items/t7/caption', 'A seventh'), text('header', 'heading', 'x'),
].reduce((at, edit) => (edit.type === 'slot/set' && edit.section === 'header' ? at : apply(at, edit)), fresh())

describe('putting on another template', () => {
  test('keeps every word of the client’s, whichever template it is', () => {
    const before = filled()
    for (const id of TEMPLATES) expect(content(put(before, id)), id).toEqual(content(before))
  })

  test('gives each page the new template’s sections, in its order, in its designs', () => {
    const after = put(filled(), 'windrow')
    const home = after.pages[0]!
    expect(home.sections.filter((s) => s.from && !s.from.includes('/')).map((s) => `${s.kind}/${s.design}`)).toEqual(getTemplate(pack, 'windrow').pages[0]!.sections.map((s) => `${s.kind}/${s.design}`))
    // The client's steps have no place on the new home page: they stay, after what they stood after, dressed as the template dresses steps elsewhere.
    const steps = home.sections.find((s) => s.id === 'home.steps')!
    expect(steps.design).toBe('season')
    expect(home.sections.indexOf(steps)).toBeGreaterThan(home.sections.findIndex((s) => s.kind === 'services'))
    expect(home.sections[0]!.slots.heading).toEqual({ type: 'text', text: 'Ours' })
  })

  test('pages stay the client’s: their number, order and addresses', () => {
    const before = filled()
    const after = put(before, 'gantry')
    expect(after.pages.map((p) => [p.id, p.segment])).toEqual(before.pages.map((p) => [p.id, p.segment]))
    expect(after.pages.find((p) => p.id === 'gallery')!.from).toBe('work') // By the kind they share, since no key is the same.
    expect(pageTexts(pack, after, after.pages[1]!).name).toBe('Who comes')
  })

  test('and the old one back gives exactly the document that was there', () => {
    for (const start of [fresh(), filled()]) {
      for (const id of TEMPLATES) expect(put(put(start, id), 'tallow'), id).toEqual(start)
      expect(put(put(put(put(start, 'windrow'), 'gantry'), 'limewash'), 'tallow')).toEqual(start)
    }
  })

  test('what is written meanwhile comes along; what was arranged by hand is found again', () => {
    const own = apply(apply(filled(), { type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'canopy' }), { type: 'section/set', section: 'home.visit' as SectionId, part: 'tone', value: 'ink' })
    const there = put(own, 'limewash')
    const quote = there.pages[0]!.sections.find((s) => s.kind === 'quote')!
    const written = apply(apply(there, text(quote.id, 'quote', 'Written there')), text('home.hero', 'heading', 'Changed there'))
    const back = put(written, 'tallow')
    expect(back.pages[0]!.sections.find((s) => s.id === 'home.hero')).toMatchObject({ design: 'canopy', slots: { heading: { type: 'text', text: 'Changed there' } } })
    expect(back.pages[0]!.sections.find((s) => s.id === 'home.visit')!.tone).toBe('ink')
    expect(back.pages[0]!.sections.find((s) => s.id === quote.id)!.slots.quote).toEqual({ type: 'text', text: 'Written there' })
  })

  test('the report says what moves, what is new, what leaves, and what is not shown', () => {
    const before = filled()
    const after = put(before, 'gantry')
    const report = reportChange(pack, before, after)
    const home = report.pages[0]!
    expect(home.sections.find((c) => c.section.kind === 'before-after')).toMatchObject({ type: 'new', was: null })
    expect(home.sections.find((c) => c.section.kind === 'visit')).toMatchObject({ type: 'leaves', becomes: null })
    expect(report.totals.kept).toBe(allSections(before).filter(hasContent).length)
    expect(report.totals.addedLeftovers).toBeGreaterThan(10)
  })

  test('a design that has no place for a slot keeps it, lists it, and gives it back', () => {
    const picture = { type: 'image', asset: 'client-photo', alt: 'Our gate in May' } as const
    const before = apply(fresh('windrow'), { type: 'slot/set', section: 'home.quote' as SectionId, slot: 'picture', value: picture })
    const after = put(before, 'limewash') // Its quotes have no picture.
    const quote = after.pages[0]!.sections.find((s) => s.kind === 'quote')!
    expect(notShownIn(pack, quote)).toEqual([{ slot: 'picture', words: 'Our gate in May' }])
    expect(reportChange(pack, before, after).totals.notShown).toBe(1)
    expect(quote.slots.picture).toEqual(picture)
    const shown = apply(after, { type: 'section/set', section: quote.id, part: 'design', value: 'field' })
    expect(notShownIn(pack, shown.pages[0]!.sections.find((s) => s.kind === 'quote')!)).toEqual([])
  })
})

describe('starting', () => {
  test('takes the chosen pages only, home always, and the chosen scheme', () => {
    const start = startOn(pack, fresh(), { template: 'gantry', pages: ['prices', 'contact'], scheme: 'gantry/enamel', dark: true })
    const document = apply(fresh(), start)
    expect(document.pages.map((p) => p.from)).toEqual(['home', 'prices', 'contact'])
    expect(document).toMatchObject({ template: 'gantry', scheme: 'gantry/enamel', dark: true })
  })

  test('never leaves out a page that holds the client’s words', () => {
    const document = apply(filled(), startOn(pack, filled(), { template: 'windrow', pages: [], scheme: null, dark: false }))
    expect(document.pages.map((p) => p.id)).toEqual(['home', 'about', 'gallery'])
    expect(content(document)).toEqual(content(filled()))
  })

  test('as the screen offers it and going back gives the document that was there: scheme, dark form, designs, pages, even with nothing filled', () => {
    const put2 = (document: SiteDocument, template: string): SiteDocument => apply(document, startOn(pack, document, usualChoice(pack, document, template)))
    const arranged = [
      { type: 'scheme/set', scheme: 'tallow/verdigris', dark: true } as const,
      { type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'canopy' } as const,
    ].reduce<SiteDocument>(apply, fresh())
    for (const start of [arranged, apply(arranged, text('home.hero', 'heading', 'Ours')), filled()]) {
      for (const id of ['limewash', 'windrow', 'gantry']) expect(put2(put2(start, id), 'tallow'), id).toEqual(start)
    }
    // A site that is as it came is taken as the template comes, all pages of it.
    expect(put2(fresh(), 'gantry')).toEqual({ ...fresh('gantry') })
  })

  test('on one template after pages of another were taken keeps each page the words of the template it came from', () => {
    const there = put(filled(), 'gantry')
    const more = apply(there, addPage(pack, there, 'gantry', 'areas').edit)
    const back = put(more, 'tallow')
    expect(back.pages.find((p) => p.id === 'areas')).toMatchObject({ from: 'gantry/areas' })
    expect(pageTexts(pack, back, back.pages.find((p) => p.id === 'areas')!).name).toBe('Where')
  })

  test('over keeps facts and brand, empties the pages, and is taken back by one undo', () => {
    const before = apply(filled(), { type: 'brand/set', part: 'colour', value: '#123456' })
    const applied = applyEdit(before, startOver(pack, before))
    if (!applied.ok) throw new Error('refused')
    expect(isUnfilled(applied.document)).toBe(true)
    expect(applied.document).toMatchObject({ facts: before.facts, brand: before.brand, template: 'tallow' })
    expect(countLeftovers(pack, applied.document).total).toBe(countLeftovers(pack, { ...fresh(), brand: before.brand }).total)
    expect(apply(applied.document, applied.inverse)).toEqual(before)
    const twice = apply(applied.document, startOver(pack, applied.document))
    expect(new Set([...allSections(twice), ...allSections(applied.document)].map((s) => s.id)).size).toBe(allSections(twice).length * 2)
  })
})

test('a page of any template is added at an address of its own, and wears the job’s style', () => {
  const { edit, page } = addPage(pack, fresh(), 'windrow', 'seasons')
  const once = apply(fresh(), edit)
  const added = once.pages.find((p) => p.id === page)!
  expect(added.from).toBe('windrow/seasons')
  expect(pageTexts(pack, once, added)).toMatchObject({ name: 'Through the year' })
  expect(once.template).toBe('tallow')
  expect(once.pages.filter((p) => p.menu === undefined).at(-1)).toBe(added)
  const again = apply(once, addPage(pack, once, 'windrow', 'seasons').edit)
  expect(new Set(again.pages.map((p) => p.segment)).size).toBe(again.pages.length)
  const home = apply(once, addPage(pack, once, 'limewash', 'home').edit)
  expect(home.pages[0]!.id).toBe('home')
  // Back on the template that it came from, it is one of that template's own pages.
  expect(put(once, 'windrow').pages.find((p) => p.id === page)!.from).toBe('seasons')
})

test('any seeded run of templates, words, designs, pages and undos loses nothing and undoes to the first document', () => {
  const next = random(41)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  let changes = 0
  for (let run = 0; run < 60; run++) {
    const start = run % 2 === 0 ? fresh(pick(TEMPLATES)) : filled()
    let document = start
    const rows: LogRow[] = []
    const log = (edit: Edit, mark: LogRow['mark'], group: string): void => {
      const applied = applyEdit(document, edit)
      if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
      document = applied.document
      rows.push({ id: `r${rows.length}`, edit, inverse: applied.inverse, group, mark })
    }
    for (let i = 0; i < 14; i++) {
      const dice = next()
      const page = pick(document.pages)
      const section = pick(page.sections)
      if (dice < 0.4) {
        const before = content(document)
        log(wear(pack, document, pick(TEMPLATES)), 'do', `g${i}`)
        expect(content(document)).toEqual(before)
        changes++
      } else if (dice < 0.6) {
        if (findSlotType(section.kind, 'heading') === 'text') log(text(section.id, 'heading', `w${i}`), 'do', `g${i}`)
      } else if (dice < 0.7) log({ type: 'section/set', section: section.id, part: 'design', value: pick(designsOf(pack, section.kind)) }, 'do', `g${i}`)
      else if (dice < 0.75) log({ type: 'section/set', section: section.id, part: 'tone', value: pick(TONES) }, 'do', `g${i}`)
      else if (dice < 0.82) log(addPage(pack, document, pick(TEMPLATES), 'contact').edit, 'do', `g${i}`)
      else if (dice < 0.86) log(startOver(pack, document), 'do', `g${i}`)
      else if (dice < 0.9) log(startOn(pack, document, { template: pick(TEMPLATES), pages: ['about', 'contact'], scheme: null, dark: next() < 0.5 }), 'do', `g${i}`)
      else {
        const top = toUndoStacks(rows)[next() < 0.6 ? 'undo' : 'redo'].at(-1)
        if (top) log(top.edit, toUndoStacks(rows).undo.at(-1) === top ? 'undo' : 'redo', top.group)
      }
    }
    for (;;) {
      const top = toUndoStacks(rows).undo.at(-1)
      if (!top) break
      log(top.edit, 'undo', top.group)
    }
    expect(document).toEqual(start)
  }
  expect(changes).toBeGreaterThan(150)
})

test('from any state, a template put on and the worn one put back is the same document', () => {
  const next = random(42)
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!
  let checked = 0
  for (let run = 0; run < 40; run++) {
    let document = run % 2 === 0 ? fresh(pick(TEMPLATES)) : filled()
    for (let i = 0; i < 5; i++) {
      const section = pick(pick(document.pages).sections)
      document = next() < 0.5 ? apply(document, { type: 'section/set', section: section.id, part: 'design', value: pick(designsOf(pack, section.kind)) }) : put(document, pick(TEMPLATES))
    }
    const worn = document.template
    const others = TEMPLATES.filter((t) => t !== worn && !document.worn?.[t])
    if (others.length === 0) continue
    expect(arrangementOf(put(put(document, pick(others)), worn))).toEqual(arrangementOf(document))
    checked++
  }
  expect(checked).toBeGreaterThan(15)
})

test('a page’s place in the menus comes with it', () => {
  const document = testSite().document
  expect(document.pages.filter((p) => p.menu === 'foot').map((p) => p.id)).toEqual(['prices', 'landing', 'legal'])
})
