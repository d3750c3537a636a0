import { sectionRows } from '../fill'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  factsOf,
  homePage,
  lineOf,
  pagesOf,
  sectionsOfPage,
  toEdit,
  type Edit,
  type EditStep,
  type Page,
  type Section,
  type SiteDocument,
} from '../site'
import { hasContent, isPageFilled } from '../wear'

/** What holds the template's content only: whole pages, and sections on pages that stay. */
export type Unfilled = { readonly pages: readonly Page[]; readonly sections: readonly Section[] }

/**
 * Pages and sections in which the client has nothing. Home stays, and so does a page under which another stays, a section that shows a
 * fact of the client's, and one that has no place for words at all; a page that stays keeps its first section, that it be not bare.
 */
export function unfilledParts(pack: Pack, document: SiteDocument): Unfilled {
  const home = homePage(document)
  const empty = pagesOf(document).filter((page) => page !== home && !isPageFilled(document, page) && isOnlyTemplates(pack, document, page))
  const staying = new Set(
    pagesOf(document)
      .filter((page) => !empty.includes(page))
      .flatMap((page) => lineOf(document, page)),
  )
  const pages = empty.filter((page) => !staying.has(page))
  const gone = new Set(pages)
  const sections = pagesOf(document)
    .filter((page) => !gone.has(page))
    .flatMap((page) => {
      const all = sectionsOfPage(document, page.id)
      const found = all.filter((section) => isUntouched(pack, document, section))
      return found.length === all.length ? found.slice(1) : found
    })
  return { pages, sections }
}

/** The edit that takes them out; one step to undo. */
export function removeUnfilled({ pages, sections }: Unfilled): Edit {
  return toEdit([
    ...sections.map(({ id }): EditStep => ({ type: 'section/remove', section: id })),
    ...pages.toReversed().map(({ id }): EditStep => ({ type: 'page/remove', page: id })),
  ])
}

function isOnlyTemplates(pack: Pack, document: SiteDocument, page: Page): boolean {
  return sectionsOfPage(document, page.id).every((section) => isUntouched(pack, document, section) || section.kind === 'title')
}

function isUntouched(pack: Pack, document: SiteDocument, section: Section): boolean {
  if (hasContent(document, section) || section.name !== undefined || section.until !== undefined || section.anchor !== undefined)
    return false
  const design = findDesign(pack, section.kind, section.design)
  const facts = factsOf(document)
  // Every site says whose it is; only what one asks a site for makes a section the client's.
  const shownFacts = design ? shownPlaces(design).facts.filter((fact) => fact !== 'name' && fact !== 'tagline') : []
  if (shownFacts.some((fact) => facts[fact === 'locality' ? 'address' : fact] !== undefined)) return false
  return sectionRows(pack, document, section).some((row) => row.leftover)
}
