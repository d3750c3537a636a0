import type { Pack } from '../pack'
import { arrange, arrangementOf, toPlaced, type Arrangement, type EditStep, type PlacedPage, type PlacedSection, type SiteDocument, type Worn } from '../site'
import { fitTo, foreignFrom, hasContent } from './fit'

/**
 * The edit that puts a template on a site. Content stays; how the site was arranged by hand is remembered under the
 * template it was arranged on, and found again when that template is put back on. Trying several templates one after
 * another is always reckoned from the last arrangement made by hand, so what one of them has no place for is not lost
 * to the next.
 */
export function wear(pack: Pack, document: SiteDocument, template: string): Extract<EditStep, { type: 'arrange' }> {
  if (template === document.template) return { type: 'arrange', to: arrangementOf(document) }
  const { worn, base } = remember(pack, document)
  const recorded = worn[template]
  if (recorded) {
    const { [template]: _, ...others } = worn
    return { type: 'arrange', to: withWorn(restore(document, recorded), others) }
  }
  return { type: 'arrange', to: withWorn(fitTo(pack, base, template), worn) }
}

type WornTable = Readonly<Record<string, Worn>>

/** What is remembered once the site leaves its template, and the arrangement made by hand that the next is reckoned from. */
function remember(pack: Pack, document: SiteDocument): { readonly worn: WornTable; readonly base: SiteDocument } {
  const worn = document.worn ?? {}
  const now = bare(arrangementOf(document))
  for (const [id, recorded] of Object.entries(worn)) {
    const { worn: _, ...undressed } = document
    const base = arranged(undressed, restore(document, recorded))
    if (id === base.template && sameArrangement(bare(fitTo(pack, base, document.template)), now)) return { worn, base }
  }
  return { worn: { ...worn, [document.template]: now }, base: document }
}

function bare(arrangement: Arrangement): Worn {
  const { worn: _, ...rest } = arrangement
  return rest
}

function withWorn(to: Worn | Arrangement, worn: WornTable): Arrangement {
  const { worn: _, ...rest } = to as Arrangement
  return Object.keys(worn).length > 0 ? { ...rest, worn } : rest
}

function arranged(document: SiteDocument, to: Arrangement | Worn): SiteDocument {
  const applied = arrange(document, to)
  if (!applied.ok) throw new Error(`A remembered arrangement does not fit: ${applied.problem.code}`)
  return applied.document
}

/** Order of keys does not matter, order of pages and sections does. */
export function sameArrangement(a: Worn, b: Worn): boolean {
  const canonical = (of: unknown): string => JSON.stringify(of, (_, value: unknown) =>
    value !== null && typeof value === 'object' && !Array.isArray(value) ? Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1))) : value)
  return canonical(a) === canonical(b)
}

/**
 * A remembered arrangement for the site as it is now: pages are those of today, in today's order; each finds its
 * sections as they stood, and whatever the client has put into sections that came later stays after what it stood after.
 */
function restore(document: SiteDocument, recorded: Worn): Worn {
  const then = new Map(recorded.pages.map((p) => [p.id, p]))
  const pages = document.pages.map((page): PlacedPage => {
    const was = then.get(page.id)
    const { sections: now, ...texts } = page
    if (!was) return { ...texts, from: foreignFrom(document.template, page.from, recorded.template), sections: now.map(toPlaced) }
    const sections: PlacedSection[] = [...was.sections]
    const known = new Set(sections.map((s) => s.id))
    now.forEach((section, i) => {
      if (known.has(section.id) || !hasContent(section)) return
      const before = now.slice(0, i).map((s) => s.id)
      const at = Math.max(-1, ...sections.map((s, j) => (before.includes(s.id) ? j : -1)))
      sections.splice(Math.max(1, at + 1), 0, toPlaced(section))
    })
    return { ...texts, from: was.from, sections }
  })
  return { ...recorded, pages }
}
