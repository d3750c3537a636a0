import type { Arrangement, Page, PlacedPage, PlacedSection, Section, SiteDocument } from './document'
import { allSections, findPage } from './document'
import type { EditProblem, EditStep } from './edits'

/** How a document is arranged now, its content left out. */
export function arrangementOf(document: SiteDocument): Arrangement {
  return describe(document, toPlaced)
}

/** A section's place and dress, without its content. */
export function toPlaced(section: Section): PlacedSection {
  const { slots: _, ...place } = section
  return place
}

/** The same with the content of every section, so that whatever an edit drops can be brought back. */
function fullArrangementOf(document: SiteDocument): Arrangement {
  return describe(document, ({ slots, ...place }) => (Object.keys(slots).length > 0 ? { ...place, slots } : place))
}

function describe(document: SiteDocument, place: (section: Section) => PlacedSection): Arrangement {
  const { template, scheme, dark, worn } = document
  return {
    template,
    ...(scheme === undefined ? {} : { scheme }),
    ...(dark ? { dark } : {}),
    header: place(document.header),
    footer: place(document.footer),
    pages: document.pages.map((page): PlacedPage => ({ ...page, sections: page.sections.map(place) })),
    ...(worn ? { worn } : {}),
  }
}

/**
 * The document arranged anew. What is in the document keeps its content, wherever it stands now: sections their slots,
 * pages their texts. Sections and pages that the document does not have come with what the arrangement says of them;
 * those it no longer names leave, and the inverse brings them back with everything in them.
 */
export function arrange(document: SiteDocument, to: Arrangement): { ok: true; document: SiteDocument; inverse: EditStep } | { ok: false; problem: EditProblem } {
  const ids = [to.header, ...to.pages.flatMap((p) => p.sections), to.footer].map((s) => s.id as string)
  const twice = findTwice(ids) ?? findTwice(to.pages.map((p) => p.id)) ?? findTwice(to.pages.map((p) => `/${p.segment}`))
  if (twice !== null) return { ok: false, problem: { code: 'idTwice', id: twice } }
  if (to.pages[0]?.segment !== '') return { ok: false, problem: { code: 'valueWrong', place: 'home page' } }
  const known = new Map(allSections(document).map((s) => [s.id, s]))
  const section = (placed: PlacedSection): Section => {
    const before = known.get(placed.id)
    // A section's content fits its kind: under another kind the same id is another section.
    return { ...placed, slots: before && before.kind === placed.kind ? before.slots : (placed.slots ?? {}) }
  }
  const page = (placed: PlacedPage): Page => {
    const { name, title, description } = findPage(document, placed.id) ?? placed
    const { name: _n, title: _t, description: _d, ...rest } = placed
    return { ...rest, ...definedOnly({ name, title, description }), sections: placed.sections.map(section) }
  }
  const { scheme: _s, dark: _k, worn: _w, ...kept } = document
  return {
    ok: true,
    document: {
      ...kept,
      template: to.template,
      ...definedOnly({ scheme: to.scheme, dark: to.dark, worn: to.worn }),
      header: section(to.header),
      footer: section(to.footer),
      pages: to.pages.map(page),
    },
    inverse: { type: 'arrange', to: fullArrangementOf(document) },
  }
}

function findTwice(of: readonly string[]): string | null {
  const seen = new Set<string>()
  for (const one of of) {
    if (seen.has(one)) return one
    seen.add(one)
  }
  return null
}

function definedOnly<T extends object>(of: T): { [K in keyof T]?: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as { [K in keyof T]?: Exclude<T[K], undefined> }
}
