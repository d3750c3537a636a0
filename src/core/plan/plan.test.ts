import slugify from '@sindresorhus/slugify'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  addSection,
  alternateTones,
  anchorSteps,
  bestChoices,
  choicesOf,
  copyPage,
  copySection,
  findAmong,
  findPageDesign,
  freeAnchor,
  fromKept,
  keptSectionSchema,
  jumpTargets,
  lackingPages,
  linksTo,
  loudestTone,
  makeHome,
  nameProblem,
  newPage,
  newPages,
  PAGE_KINDS,
  placePage,
  readOutline,
  removePages,
  renamePage,
  stepPage,
  stepSection,
  STEPS,
  removeUnfilled,
  toKept,
  unfilledParts,
  withUnder,
} from '.'
import * as v from 'valibot'
import { fillPage, makeDocument, pageTexts, siteScheme, type Site } from '../fill'
import { offeredSchemes } from '../pack'
import { findPageByPath, pagePath, toSegment } from '../pages'
import {
  applyEdit,
  entriesOf,
  findPage,
  findSection,
  homePage,
  pagesIn,
  pagesOf,
  sectionsIn,
  sectionsOn,
  toEdit,
  type Edit,
  type EditStep,
  type EntryId,
  type Page,
  type PageId,
  type SectionIn,
  type SiteDocument,
} from '../site'
import { testPack, testSite } from '../../../tests/pack'

const pack = testPack()
const site = testSite({ name: 'Client' })
const start = site.document
let n = 0
const unique = (): string => `u${n++}`

function after(document: SiteDocument, edit: Edit | readonly EditStep[] | null): SiteDocument {
  if (edit === null) throw new Error('Nothing was done')
  const applied = applyEdit(document, 'type' in edit ? edit : toEdit(edit))
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
  return applied.document
}
const page = (document: SiteDocument, id: string): Page => findPage(document, id)!
const top = (document: SiteDocument): string[] => pagesIn(document, { type: 'site' }).map((p) => p.id)
const names = (document: SiteDocument): string[] => pagesOf(document).map((p) => pageTexts(pack, document, p).name)

describe('putting pages in order', () => {
  test('a page goes before, after and under another; never before home, never under what stands under it', () => {
    const first = after(start, [placePage(start, page(start, 'contact'), 'before', page(start, 'about'))!])
    expect(top(first).slice(0, 3)).toEqual(['home', 'contact', 'about'])
    expect(placePage(start, page(start, 'contact'), 'before', homePage(start))).toBeNull()
    expect(placePage(start, homePage(start), 'after', page(start, 'about'))).toBeNull()
    const nested = after(start, [placePage(start, page(start, 'services'), 'under', page(start, 'about'))!])
    expect(placePage(nested, page(nested, 'about'), 'under', page(nested, 'services'))).toBeNull()
    expect(pagesIn(nested, page(nested, 'services').in).map((p) => p.id)).toEqual(['services'])
  })

  test('keys: in goes under the page before, out comes to stand after it; up and down change places', () => {
    const inside = after(start, [stepPage(start, page(start, 'services'), 'in')!])
    expect(page(inside, 'services').in).toEqual({ type: 'page', page: 'about' })
    expect(top(after(inside, [stepPage(inside, page(inside, 'services'), 'out')!]))).toEqual(top(start))
    const down = after(start, [stepPage(start, page(start, 'about'), 'down')!])
    expect(top(down).slice(1, 3)).toEqual(['services', 'about'])
    expect(stepPage(start, page(start, 'about'), 'up')).toBeNull()
    expect(STEPS.map((step) => stepPage(start, homePage(start), step)).filter(Boolean)).toEqual([])
  })

  test('making a page home swaps the two, and home again gives the plan that was', () => {
    const swapped = after(start, makeHome(pack, start, page(start, 'services')))
    expect(homePage(swapped).id).toBe('services')
    expect(top(swapped)[top(start).indexOf('services')]).toBe('home')
    expect(pagePath(swapped, page(swapped, 'home'))).toBe('/home/')
    expect(pagePath(swapped, page(swapped, 'services'))).toBe('/')
    expect(top(after(swapped, makeHome(pack, swapped, page(swapped, 'home'))))).toEqual(top(start))
    expect(makeHome(pack, start, homePage(start))).toBeNull()
    const nested = after(start, [stepPage(start, page(start, 'services'), 'in')!])
    const deep = after(nested, makeHome(pack, nested, page(nested, 'services')))
    expect(page(deep, 'home').in).toEqual({ type: 'page', page: 'about' })
  })

  test('a hidden page that is made home is seen by visitors, who come there first', () => {
    const hidden = after(start, [{ type: 'page/set', page: page(start, 'services').id, part: 'hidden', value: true }])
    const home = after(hidden, makeHome(pack, hidden, page(hidden, 'services')))
    expect(homePage(home)).toMatchObject({ id: 'services' })
    expect(homePage(home).hidden).toBeUndefined()
  })
})

describe('what pages are called', () => {
  test('a second page of a name is refused however it is written, with one that is free', () => {
    expect(nameProblem(pack, start, '  hOME ')).toEqual({ code: 'nameTaken', by: homePage(start), suggestion: 'hOME 2' })
    expect(nameProblem(pack, start, 'Home', homePage(start))).toBeNull()
    expect(nameProblem(pack, start, '   ')).toEqual({ code: 'nameEmpty' })
    expect(nameProblem(pack, start, 'Workshop')).toBeNull()
  })

  test('an address follows the name until visitors have seen it, and not where it was given by hand', () => {
    const about = page(start, 'about')
    const renamed = after(start, renamePage(pack, start, about, 'Über uns', false))
    expect(pagePath(renamed, page(renamed, 'about'))).toBe('/ueber-uns/')
    expect(pagePath(after(start, renamePage(pack, start, about, 'Über uns', true)), about)).toBe('/about/')
    const given = after(start, [
      { type: 'page/set', page: about.id, part: 'segment', value: 'us' },
      { type: 'page/set', page: about.id, part: 'addressed', value: true },
    ])
    expect(pagePath(after(given, renamePage(pack, given, page(given, 'about'), 'Workshop', false)), page(given, 'about'))).toBe('/us/')
    const taken = after(start, renamePage(pack, start, about, 'Contact', false))
    expect(pagePath(taken, page(taken, 'about'))).toBe('/contact-2/')
  })

  test('addresses from titles are those of the reference library, and unreserved characters of RFC 3986 (section 2.3)', () => {
    let spelt = 0
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (title) => {
        const segment = toSegment(title, 200)
        expect(segment).toBe(slugify(title))
        expect(segment).toMatch(/^$|^[A-Za-z0-9._~-]+$/)
        if (segment !== '') spelt++
      }),
      { seed: 3 },
    )
    expect(spelt).toBeGreaterThan(30)
  })

  test.each([
    ['🌱🪴', 'page'],
    ['تواصل معنا', 'twasl-mena'],
    ['ติดต่อเรา', 'page'],
    ['联系我们', 'page'],
    ['A'.repeat(200), 'a'.repeat(80)],
  ])('a page called %s stands at an address that can be typed', (name, segment) => {
    const added = newPage(pack, start, { origin: null, name }, unique)
    const made = after(start, added.steps)
    expect(page(made, added.page).segment).toBe(segment)
    const second = newPage(pack, made, { origin: null, name: `${name}!` }, unique)
    expect(findPageByPath(after(made, second.steps), `/${segment.slice(0, 80)}/`)?.id).toBe(added.page)
  })
})

describe('adding pages', () => {
  test('a page design of any template is added under another page, by the name that was given', () => {
    const added = newPage(
      pack,
      start,
      {
        origin: { template: 'windrow', page: 'work' },
        name: 'Gardens',
        in: page(start, 'about').id ? { type: 'page', page: page(start, 'about').id } : undefined,
      },
      unique,
    )
    const made = after(start, added.steps)
    expect(page(made, added.page)).toMatchObject({
      in: { type: 'page', page: 'about' },
      addressed: true,
      texts: { name: { text: 'Gardens' } },
    })
    expect(sectionsOn(made, added.page).length).toBeGreaterThan(1)
  })

  test('a blank page has its heading and nothing else', () => {
    const added = newPage(pack, start, { origin: null, name: 'Workshop' }, unique)
    const made = after(start, added.steps)
    expect(sectionsOn(made, added.page).map((s) => [s.kind, s.slots])).toMatchObject([
      ['title', { heading: { type: 'text', text: 'Workshop' } }],
    ])
    expect(pagePath(made, page(made, added.page))).toBe('/workshop/')
  })

  test('a copy stands after its page with everything in it, or with the template’s content, under a name of its own', () => {
    const list = sectionsOn(start, 'services' as PageId).find((s) => s.kind === 'prices')!
    const filled = after(start, [
      { type: 'slot/set', section: list.id, entry: { list: 'items', nth: 2 }, slot: 'title', value: { type: 'text', text: 'Own words' } },
      { type: 'entry/remove', section: list.id, entry: { list: 'items', nth: 1 } },
      {
        type: 'entry/insert',
        section: list.id,
        entry: { list: 'items', id: 'more' as EntryId },
        rank: 'Zz',
        slots: { title: { type: 'text', text: 'More' } },
      },
    ])
    const words = (document: SiteDocument, id: string): unknown =>
      fillPage({ ...site, document, mode: 'release' }, page(document, id)).main.map((s) =>
        JSON.stringify(s.root, (key, value: unknown) => (key === 'mark' || key === 'aria-current' ? 0 : value)),
      )
    const added = copyPage(pack, filled, page(filled, 'services'), true, unique)
    const copied = after(filled, added.steps)
    expect(words(copied, added.page)).toEqual(words(copied, 'services'))
    expect(names(copied)).toContain(`${pageTexts(pack, start, page(start, 'services')).name} 2`)
    expect(top(copied)[top(copied).indexOf('services') + 1]).toBe(added.page)
    const bare = copyPage(pack, filled, page(filled, 'services'), false, unique)
    const without = after(filled, bare.steps)
    expect(sectionsOn(without, bare.page).every((s) => Object.keys(s.slots).length === 0 && entriesOf(without, s.id).length === 0)).toBe(
      true,
    )
  })
})

describe('a pasted plan', () => {
  test('indents, bullets and numbers mixed are understood as levels', () => {
    const plan = 'Home\nServices\n\t- Kitchens\n\t\t* Painted\n\t- Bathrooms\n1. About us\n  a) The team\n\n   • Contact  \n'
    expect(readOutline(plan).lines).toEqual([
      { name: 'Home', level: 0 },
      { name: 'Services', level: 0 },
      { name: 'Kitchens', level: 1 },
      { name: 'Painted', level: 2 },
      { name: 'Bathrooms', level: 1 },
      { name: 'About us', level: 0 },
      { name: 'The team', level: 1 },
      { name: 'Contact', level: 2 },
    ])
    expect(readOutline('1 Services\n1.1 Boilers\n1.2 Baths\n2 About').lines.map((l) => l.level)).toEqual([0, 1, 1, 0])
    expect(readOutline('# Home\n## News\n# About').lines.map((l) => l.level)).toEqual([0, 1, 0])
  })

  test('a name that begins like a mark stays whole; nothing but marks stays as it is', () => {
    expect(readOutline('24 hour call-out\nA-Z of plants\n3D models\n2026').lines.map((l) => l.name)).toEqual([
      'hour call-out',
      'A-Z of plants',
      '3D models',
      '2026',
    ])
    expect(readOutline('—\n-').lines.map((l) => l.name)).toEqual(['—', '-'])
  })

  test('five hundred lines are taken, more are counted; a long name is cut between letters, deeper levels are raised', () => {
    const many = readOutline(Array.from({ length: 612 }, (_, i) => `Page ${i}`).join('\r\n'))
    expect([many.lines.length, many.beyond]).toEqual([500, 112])
    const family = '👩‍👩‍👧‍👦'
    const long = readOutline(family.repeat(30))
    expect(long.cut).toBe(1)
    expect(long.lines[0]!.name.length % family.length).toBe(0)
    expect(readOutline('a\n b\n  c\n   d\n    e')).toMatchObject({
      raised: 2,
      lines: [{ level: 0 }, { level: 1 }, { level: 2 }, { level: 2 }, { level: 2 }],
    })
  })

  test('whatever is pasted, no line stands deeper than pages can, nor two levels under the one before', () => {
    let lines = 0
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('', '\t', '  ', '    ', '- ', '1.2 ', '### ', '\t• ', ' \t'), fc.string({ maxLength: 12 })), {
          maxLength: 40,
        }),
        (pasted) => {
          const outline = readOutline(pasted.map((p) => p.join('')).join('\n'))
          outline.lines.forEach(({ name, level }, i) => {
            expect(name).toBe(name.trim())
            expect(level).toBeLessThanOrEqual(Math.min(2, (outline.lines[i - 1]?.level ?? -1) + 1))
          })
          lines += outline.lines.length
        },
      ),
      { seed: 5 },
    )
    expect(lines).toBeGreaterThan(300)
  })

  test('names find the page design that is about them: by its name, by what it is about, in the worn template before others', () => {
    const found = (name: string): string | null => {
      const origin = findPageDesign(pack, start, name)
      return origin && `${origin.template}/${origin.page}`
    }
    expect(found('Prices')).toBe('tallow/prices')
    expect(found('What we charge')).toBeNull()
    expect(found('Our rates')).toBe('tallow/prices')
    expect(found('Preise')).toBe('tallow/prices')
    expect(found('Portfolio')).toBe('tallow/gallery')
    expect(found('Find us')).toBe('tallow/contact')
    expect(found('Xylophones')).toBeNull()
  })

  test('several pages come as one edit, nested as they were written', () => {
    const { steps, pages } = newPages(
      pack,
      start,
      [
        { origin: null, name: 'Kitchens', under: null },
        { origin: { template: 'tallow', page: 'prices' }, name: 'Kitchen prices', under: 0 },
        { origin: null, name: 'Painted', under: 1 },
      ],
      unique,
      after,
    )
    const made = after(start, steps)
    expect(pagePath(made, page(made, pages[2]!))).toBe('/kitchens/kitchen-prices/painted/')
  })

  test('pages that the trade’s templates have and the site lacks are offered, and no longer once they are there', () => {
    const few = after(start, removePages(start, [page(start, 'prices'), page(start, 'gallery')], 'drop'))
    const offered = lackingPages(pack, few, 'Upholsterer')
    expect(offered.map((l) => l.kind)).toEqual(expect.arrayContaining(['prices', 'gallery']))
    expect(lackingPages(pack, start, 'Upholsterer').map((l) => l.kind)).not.toContain('prices')
    const again = after(few, newPage(pack, few, { origin: offered.find((l) => l.kind === 'prices')!.origin, name: 'Tariff' }, unique).steps)
    expect(lackingPages(pack, again, 'Upholsterer').map((l) => l.kind)).not.toContain('prices')
  })
})

describe('taking pages out', () => {
  const hero = sectionsOn(start, homePage(start).id).find((s) => s.kind === 'hero')!
  const linked = after(start, [
    {
      type: 'slot/set',
      section: hero.id,
      entry: null,
      slot: 'action',
      value: { type: 'link', label: 'Prices', to: { type: 'page', page: 'prices' } },
    },
    {
      type: 'signpost/set',
      signpost: 's',
      value: { id: 's', in: { type: 'site' }, rank: 'a9', listed: 'foot', label: { text: 'Costs' }, to: { type: 'page', page: 'prices' } },
    },
  ])

  test('who links to a page is found, and led elsewhere or dropped with it', () => {
    const prices = page(linked, 'prices')
    expect(linksTo(linked, [prices]).map((l) => (l.type === 'slot' ? l.words : l.signpost.id))).toEqual(['Prices', 's'])
    const led = after(linked, removePages(linked, [prices], { to: 'services' as PageId }))
    expect(findSection(led, hero.id)!.slots.action).toMatchObject({ label: 'Prices', to: { type: 'page', page: 'services' } })
    expect(led.signposts.s?.to).toEqual({ type: 'page', page: 'services' })
    const dropped = after(linked, removePages(linked, [prices], 'drop'))
    expect(findSection(dropped, hero.id)!.slots.action).toMatchObject({ label: '' })
    expect(dropped.signposts).toEqual({})
    expect(linksTo(dropped, [prices])).toEqual([])
  })

  test('links in the middle of words are led elsewhere too, and dropped without their words', () => {
    const to = { type: 'page', page: 'prices' } as const
    const rich = [{ type: 'p' as const, runs: [{ text: 'See ' }, { text: 'what it costs', strong: true as const, to }, { text: '.' }] }]
    const spoken = after(start, [{ type: 'slot/set', section: hero.id, entry: null, slot: 'lead', value: { type: 'rich', rich } }])
    const prices = page(spoken, 'prices')
    expect(linksTo(spoken, [prices]).map((l) => (l.type === 'slot' ? l.words : ''))).toEqual(['what it costs'])
    const lead = (document: typeof spoken): unknown => findSection(document, hero.id)!.slots.lead
    const led = lead(after(spoken, removePages(spoken, [prices], { to: 'services' as PageId })))
    expect(led).toMatchObject({ rich: [{ runs: [{}, { strong: true, to: { page: 'services' } }, {}] }] })
    const dropped = lead(after(spoken, removePages(spoken, [prices], 'drop')))
    expect(dropped).toEqual({
      type: 'rich',
      rich: [{ type: 'p', runs: [{ text: 'See ' }, { text: 'what it costs', strong: true }, { text: '.' }] }],
    })
  })

  test('a page goes with all that stands under it, or without; taking that back brings everything', () => {
    const nested = after(linked, [placePage(linked, page(linked, 'services'), 'under', page(linked, 'prices'))!])
    const both = withUnder(nested, page(nested, 'prices'))
    expect(both.map((p) => p.id)).toEqual(['prices', 'services'])
    const gone = applyEdit(nested, removePages(nested, both, 'drop'))
    if (!gone.ok) throw new Error(gone.problem.code)
    expect(findPage(gone.document, 'services')).toBeNull()
    expect(after(gone.document, gone.inverse)).toEqual(nested)
  })
})

describe('sections', () => {
  const onHome: SectionIn = { type: 'page', page: homePage(start).id }

  test('every kind can be added in every design, and what was added is drawn', () => {
    let drawn = 0
    for (const kind of PAGE_KINDS) {
      for (const choice of choicesOf(pack, start, kind, onHome)) {
        const { step, section } = addSection(start, choice, { in: { type: 'page', page: 'about' as PageId }, after: null }, unique)
        const made = after(start, [step])
        expect(sectionsOn(made, 'about' as PageId)[0]?.id).toBe(section)
        const filled = fillPage({ ...site, document: made }, page(made, 'about')).main[0]!
        expect([kind, choice.design, filled.gap]).toEqual([kind, choice.design, null])
        drawn++
      }
    }
    expect(drawn).toBeGreaterThan(50)
  })

  test('the best three are of kinds that the page lacks, and what the site is for comes first', () => {
    const best = bestChoices(pack, start, homePage(start).id, onHome)
    const here = sectionsOn(start, homePage(start).id).map((s) => s.kind)
    expect(best).toHaveLength(3)
    expect(best.filter(({ choice }) => here.includes(choice.kind))).toEqual([])
    const showing = after(start, [{ type: 'fact/set', fact: 'purposes', value: ['showing'] }])
    expect(bestChoices(pack, showing, 'contact' as PageId, onHome)[0]).toMatchObject({
      choice: { kind: 'gallery' },
      reason: 'the site is for showing',
    })
  })

  test('a section goes up and down, and a copy of it stands after it with all its entries', () => {
    const [first, second] = sectionsOn(start, 'about' as PageId)
    const down = after(start, [stepSection(start, first!.id, 1)!])
    expect(sectionsOn(down, 'about' as PageId).slice(0, 2)).toEqual([second, expect.objectContaining({ id: first!.id })])
    expect(after(down, [stepSection(down, first!.id, -1)!]).sections[first!.id]?.in).toEqual(first!.in)
    expect(stepSection(start, first!.id, -1)).toBeNull()
    const copied = copySection(start, first!, { in: first!.in, after: first!.id }, unique)
    expect(sectionsOn(after(start, copied.steps), 'about' as PageId)[1]?.id).toBe(copied.section)
  })

  test('a kept section comes into another job with its words and entries, and with nothing of the first client’s pages', () => {
    const list = sectionsOn(start, homePage(start).id).find((s) => s.kind === 'services')!
    const filled = after(start, [
      { type: 'slot/set', section: list.id, entry: null, slot: 'heading', value: { type: 'text', text: 'What I do' } },
      {
        type: 'slot/set',
        section: list.id,
        entry: null,
        slot: 'action',
        value: { type: 'link', label: 'Ask', to: { type: 'page', page: 'contact' } },
      },
      { type: 'entry/remove', section: list.id, entry: { list: 'items', nth: 1 } },
      {
        type: 'entry/insert',
        section: list.id,
        entry: { list: 'items', id: 'more' as EntryId },
        rank: 'Zz',
        slots: { title: { type: 'text', text: 'More' } },
      },
    ])
    const kept = toKept(filled, findSection(filled, list.id)!)
    expect(v.parse(keptSectionSchema, JSON.parse(JSON.stringify(kept)))).toEqual(kept)
    expect(JSON.stringify(kept)).not.toContain('contact')
    const other = after(start, [{ type: 'fact/set', fact: 'name', value: 'Other' }])
    const taken = fromKept(other, kept, { in: { type: 'page', page: homePage(other).id }, after: null }, unique)
    const made = after(other, taken.steps)
    expect(findSection(made, taken.section)).toMatchObject({ kind: 'services', slots: { heading: { text: 'What I do' } } })
    expect(toKept(made, findSection(made, taken.section)!)).toEqual(kept)
  })

  test('tones alternate in every scheme of every template: no neighbours look the same, and the call stands on the loudest', () => {
    let pages = 0
    for (const template of Object.values(pack.templates)) {
      for (const { id: scheme } of offeredSchemes(template)) {
        const document = { ...makeDocument(template, {}, {}), dress: { template: template.id, scheme } }
        const drawn: Site = { ...site, document }
        const { [loudestTone(drawn)]: loudest } = siteScheme(drawn)
        for (const of of pagesOf(document)) {
          const steps = alternateTones(drawn, of.id)
          const made = steps.length === 0 ? document : after(document, steps)
          const tones = sectionsOn(made, of.id).map((s) => siteScheme(drawn)[s.tone].surface)
          tones
            .slice(1)
            .forEach((surface, i) =>
              expect([template.id, scheme, of.id, i, surface]).not.toEqual([template.id, scheme, of.id, i, tones[i]]),
            )
          const footer = siteScheme(drawn)[sectionsIn(document, { type: 'footer' })[0]!.tone].surface
          sectionsOn(made, of.id).forEach(({ kind, tone }, i, all) => {
            const isOverFooter = i === all.length - 1 && loudest.surface === footer
            if (kind === 'action') expect(isOverFooter ? ['accent', 'ink'].includes(tone) : tone === loudestTone(drawn)).toBe(true)
          })
          expect(alternateTones({ ...drawn, document: made }, of.id)).toEqual([])
          pages++
        }
      }
    }
    expect(pages).toBeGreaterThan(100)
  })

  test('what holds the template’s content only is found and taken out at once: whole pages, and sections of pages that stay', () => {
    const hero = sectionsOn(start, homePage(start).id).find((s) => s.kind === 'hero')!
    const filled = after(start, [
      { type: 'slot/set', section: hero.id, entry: null, slot: 'heading', value: { type: 'text', text: 'Ours' } },
      { type: 'page/set', page: 'about' as PageId, part: 'name', value: 'Us' },
      { type: 'page/move', page: 'about' as PageId, in: { type: 'page', page: 'services' as PageId }, rank: 'a1' },
    ])
    const found = unfilledParts(pack, filled)
    expect(found.pages.map((p) => p.id)).not.toContain('home')
    // The page above one that stays, stays.
    expect(found.pages.map((p) => p.id)).not.toContain('services')
    expect(found.pages.map((p) => p.id)).toContain('gallery')
    expect(found.sections.map((s) => s.id)).not.toContain(hero.id)
    const applied = applyEdit(filled, removeUnfilled(found))
    if (!applied.ok) throw new Error(applied.problem.code)
    // A page that stays keeps one section.
    expect(pagesOf(applied.document).filter((p) => sectionsOn(applied.document, p.id).length === 0)).toEqual([])
    expect(unfilledParts(pack, applied.document).sections).toEqual([])
    expect(pagesOf(applied.document).map((p) => p.id)).toEqual(expect.arrayContaining(['home', 'services', 'about']))
    expect(after(applied.document, applied.inverse)).toEqual(filled)
  })

  test('a section gets a name for links that no other of its page has', () => {
    const [first, second] = sectionsOn(start, homePage(start).id)
    const named = after(start, anchorSteps(start, first!.id))
    expect(findSection(named, first!.id)!.anchor).toBe('hero')
    expect(freeAnchor(named, findSection(named, second!.id)!, 'Hero')).toBe('hero-2')
    expect(freeAnchor(named, findSection(named, second!.id)!, '24 Stunden für Sie')).toBe('stunden-fuer-sie')
    expect(freeAnchor(named, findSection(named, second!.id)!, 'main')).toBe('main-2')
    expect(anchorSteps(named, first!.id)).toEqual([])
  })
})

describe('going to anything', () => {
  test('pages, sections and places are found by the words on them, whatever marks their letters have', () => {
    const hero = sectionsOn(start, homePage(start).id).find((s) => s.kind === 'hero')!
    const named = after(start, [
      { type: 'slot/set', section: hero.id, entry: null, slot: 'heading', value: { type: 'text', text: 'Über vierzig Café-Stühle' } },
      { type: 'section/set', section: hero.id, part: 'name', value: 'Front' },
    ])
    const all = jumpTargets(pack, named)
    const first = (asked: string): string | undefined => findAmong(all, asked, 5)[0]?.title
    expect(first('uber vierzig')).toBe('Über vierzig Café-Stühle')
    expect(first('cafe stuhle')).toBe('Über vierzig Café-Stühle')
    expect(first('front')).toBe('Front')
    expect(first('gall')).toBe('Gallery')
    expect(first('/about/')).toBe('About')
    expect(findAmong(all, 'no such words', 5)).toEqual([])
    expect(findAmong(all, '', 3)).toEqual(all.slice(0, 3))
  })

  test('what begins with the words goes before what has them inside', () => {
    const all = ['a price', 'the prices', 'prices of chairs', 'enterprices'].map((words) => ({ words }))
    expect(findAmong(all, 'prices', 9).map((one) => one.words)).toEqual(['prices of chairs', 'the prices', 'enterprices'])
  })
})
