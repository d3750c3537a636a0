import { findSection, type SiteDocument } from './document'
import type { PageId, SectionId } from './ids'
import type { Section } from './section'

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

const sharers = new WeakMap<SiteDocument['sections'], ReadonlyMap<string, readonly Section[]>>()

/** The sections that show what another has, on other pages. */
export function sharersOf(document: SiteDocument, id: SectionId): readonly Section[] {
  let found = sharers.get(document.sections)
  if (!found) {
    const by = new Map<string, Section[]>()
    for (const section of Object.values(document.sections))
      if (section.same !== undefined) by.set(section.same, [...(by.get(section.same) ?? []), section])
    sharers.set(document.sections, (found = by))
  }
  return found.get(id) ?? []
}

/** The pages on which a section's content stands. */
export function pagesShowing(document: SiteDocument, id: SectionId): readonly PageId[] {
  const shown = shownId(document, id)
  const all = shown === null ? [] : [findSection(document, shown), ...sharersOf(document, shown)]
  return [...new Set(all.flatMap((section) => (section?.in.type === 'page' ? [section.in.page] : [])))]
}

/** Where a section is shown: an edit says its reach before it happens. */
export function reachOf(document: SiteDocument, id: SectionId): string {
  const where = findSection(document, id)?.in.type
  if (where === 'notFound') return 'this page'
  const pages = pagesShowing(document, id).length
  return where === 'page' ? (pages > 1 ? `${pages} pages` : 'this page') : 'every page'
}
