import { own } from '../own'
import type { Pack } from '../pack'
import {
  byRank,
  differences,
  sectionPlace,
  sectionsOn,
  toEdit,
  type Apart,
  type Edit,
  type Outfit,
  type SectionIn,
  type SiteDocument,
} from '../site'
import {
  arrangementOf,
  onEach,
  rearrange,
  sameArrangement,
  toOutfit,
  toStanding,
  type ArrangedPage,
  type Arrangement,
  type Standing,
} from './arrangement'
import { fitTo, hasContent, keepAfter } from './fit'

/**
 * The site on another template. Content stays; how the site was arranged by hand is remembered under the template it was
 * arranged on, and found again when that template is put back on. Trying several templates one after another is always
 * reckoned from the last arrangement made by hand, so what one of them has no place for is not lost to the next.
 */
export function wear(pack: Pack, document: SiteDocument, template: string): SiteDocument {
  return template === document.dress.template ? document : rearrange(document, arrangementOn(pack, document, template))
}

/** The edit that leads from one state of a site to another: the differences, and nothing that stayed. */
export function editTo(document: SiteDocument, to: SiteDocument): Edit {
  return toEdit(differences(document, to))
}

/** How the site would be arranged on a template. */
export function arrangementOn(pack: Pack, document: SiteDocument, template: string): Arrangement {
  if (template === document.dress.template) return arrangementOf(document)
  const { outfits, base } = remember(pack, document)
  const recorded = own(outfits, template)
  if (!recorded) return { ...fitTo(pack, base, template), outfits }
  const { [template]: _, ...others } = outfits
  return { ...restore(document, template, recorded), outfits: others }
}

/** What is remembered once the site leaves its template, and the arrangement made by hand that the next is reckoned from. */
function remember(pack: Pack, document: SiteDocument): { readonly outfits: SiteDocument['outfits']; readonly base: SiteDocument } {
  const { outfits } = document
  const now = arrangementOf(document)
  for (const [template, recorded] of Object.entries(outfits)) {
    if (!own(pack.templates, template)) continue
    const base = rearrange(document, { ...restore(document, template, recorded), outfits })
    if (sameArrangement(fitTo(pack, base, document.dress.template), now)) return { outfits, base }
  }
  return { outfits: { ...outfits, [document.dress.template]: toOutfit(now) }, base: document }
}

/**
 * A remembered arrangement for the site as it is now: pages are those of today, in today's order; each finds its
 * sections as they stood, and whatever the client has put into sections that came later stays after what it stood after.
 */
function restore(document: SiteDocument, template: string, outfit: Outfit): Omit<Arrangement, 'outfits'> {
  const now = arrangementOf(document)
  const stood = (where: SectionIn): Standing[] =>
    outfit.sections
      .filter((s) => sectionPlace(s.in) === sectionPlace(where))
      .toSorted(byRank)
      .map(toStanding)
  const apart = (type: Apart): readonly Standing[] => {
    const then = stood({ type })
    return then.length > 0 ? then : now.apart[type]
  }
  const pages = now.pages.map(({ page, sections: today }): ArrangedPage => {
    const origin = own(outfit.pages, page.id)
    if (origin === undefined) return { page, sections: today }
    const sections = stood({ type: 'page', page: page.id })
    const known = new Set(sections.map((s) => s.id))
    const there = sectionsOn(document, page.id)
    for (const s of there) if (!known.has(s.id) && hasContent(document, s)) keepAfter(sections, there, s, toStanding(s))
    return { page: { ...page, origin }, sections }
  })
  const { scheme, dark } = outfit
  return {
    dress: { template, ...(scheme === undefined ? {} : { scheme }), ...(dark === undefined ? {} : { dark }) },
    apart: onEach(apart),
    pages,
  }
}
