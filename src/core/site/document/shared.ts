import { memoBy, memoOf } from '../../memo'
import { findSection, ownColumn, pagesOf, sectionsOfPage, type SiteDocument } from './document'
import type { PageId, SectionId } from './ids'
import { shapeOf } from './order'
import { pageOf, type Section } from './section'

/**
 * The section whose content and dress stand where a section stands: another's, where it is the same as one on another page; else its own.
 * One whose other is gone shows what it has itself.
 */
export function shownSection(document: SiteDocument, section: Section): Section {
  return section.same === undefined ? section : (findSection(document, section.same) ?? section)
}

/** The same for an id; null where there is no such section. */
export function shownId(document: SiteDocument, id: SectionId): SectionId | null {
  const section = findSection(document, id)
  return section && shownSection(document, section).id
}

const NOBODY: readonly Section[] = []

/** Those of a page that are the same as another's. Kept by the page's sections, so that a key press looks at one page anew, not at all. */
const sharingOn = memoOf((sections: readonly Section[]) => {
  const sharing = sections.filter(({ same }) => same !== undefined)
  return sharing.length === 0 ? NOBODY : sharing
})

/** The sections that show what another has, on other pages. */
export function sharersOf(document: SiteDocument, id: SectionId): readonly Section[] {
  return (sharers(document).get(id) ?? []).flatMap((sharer) => findSection(document, sharer) ?? [])
}

const sharers = memoBy(
  ({ sections, pages, plan }: SiteDocument) => [shapeOf(sections), pages, plan],
  (document): ReadonlyMap<string, readonly SectionId[]> => {
    const by = new Map<string, SectionId[]>()
    for (const page of pagesOf(document))
      for (const section of sharingOn(sectionsOfPage(document, page.id)))
        if (section.same !== undefined) by.set(section.same, [...(by.get(section.same) ?? []), section.id])
    return by
  },
)

/** The pages on which a section's content stands. */
export function pagesShowing(document: SiteDocument, id: SectionId): readonly PageId[] {
  const shown = shownId(document, id)
  const all = shown === null ? [] : [findSection(document, shown), ...sharersOf(document, shown)]
  return [...new Set(all.flatMap((section) => (section && pageOf(section.in)) ?? []))]
}

/** Where a section is shown: an edit says its reach before it happens. */
export function reachOf(document: SiteDocument, id: SectionId): string {
  const where = findSection(document, id)?.in
  if (where?.type === 'notFound') return 'this page'
  if (!where || pageOf(where) === null) return 'every page'
  if (where.type === 'side' && ownColumn(document, where.page, where.side)?.under) return 'this page and those under it'
  const pages = pagesShowing(document, id).length
  return pages > 1 ? `${pages} pages` : 'this page'
}
