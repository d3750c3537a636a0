import { own } from '../own'
import {
  applyEdit,
  entriesOf,
  entryKey,
  findPage,
  findSection,
  firstFree,
  freeEntryId,
  followedFrom,
  followersIn,
  pageOf,
  partSteps,
  refOf,
  toEdit,
  whyNot,
  type Edit,
  type EditStep,
  type PageId,
  type Section,
  type SectionId,
  type SiteDocument,
} from '../site'
import { restorePage } from './restore'
import { passOnShared } from './pass-on-shared'

/** A site in which one page is as it is by now; or why it cannot be, as the end of a sentence. */
export type PageAlone = { readonly ok: true; readonly document: SiteDocument } | { readonly ok: false; readonly why: string }

/**
 * What visitors have, with one page and all that stands on it as it is by now; one that is gone by now goes. What every page shows, and
 * where the page stands in the tree, stays as visitors have it.
 */
export function withPageAlone(live: SiteDocument, now: SiteDocument, id: PageId): PageAlone {
  const page = findPage(now, id)
  if (page?.in.type === 'page' && !findPage(live, id) && !findPage(live, page.in.page))
    return { ok: false, why: 'it stands under a page that visitors do not have yet' }
  const going = sectionsAt(live, id).flatMap((section) => (pageAt(now, section.id) === id ? [] : [section.id]))
  const outlived = applied(live, toEditOrNull(passOnShared(live, going, ({ in: at }) => pageOf(at) === id)))
  if (!outlived.ok || !page) return outlived.ok ? applied(outlived.document, { type: 'page/remove', page: id }) : outlived
  return applied(outlived.document, restorePage(outlived.document, withOwnWords(now, outlived.document, id), id))
}

function applied(document: SiteDocument, edit: Edit | null): PageAlone {
  const made = edit ? applyEdit(document, edit) : { ok: true as const, document }
  return made.ok ? { ok: true, document: made.document } : { ok: false, why: whyNot(made.problem) }
}

function toEditOrNull(steps: readonly EditStep[]): Edit | null {
  return steps.length === 0 ? null : toEdit(steps)
}

/**
 * The site in which a page says of its own what it shows of sections and slots that visitors do not have. A section that came from another
 * page is another there: where it came from still shows it.
 */
function withOwnWords(now: SiteDocument, live: SiteDocument, page: PageId): SiteDocument {
  const parted = sectionsAt(now, page).reduce((document, section) => {
    const lost = followersIn(document, section).filter(({ spot }) => {
      const there = followedFrom(document, spot).at(-1)?.section
      return there !== undefined && !findSection(live, there) && pageAt(document, there) !== page
    })
    const steps = lost.flatMap((follower) => partSteps(now, follower, (entry) => freeEntryId(document, entry)))
    const made = applied(document, toEditOrNull(steps))
    return made.ok ? made.document : document
  }, now)
  return sectionsAt(parted, page).reduce((document, section) => {
    if (section.same && !findSection(live, section.same))
      return withCopy(document, section, section.id, findSection(document, section.same))
    if (!findSection(live, section.id) || pageAt(live, section.id) === page) return document
    const id = firstFree(section.id, (name) => own(live.sections, name) !== undefined || own(document.sections, name) !== undefined)
    return withCopy(document, section, id as SectionId, section)
  }, parted)
}

/** What stands on a page, in its columns too, whether or not they are shown. */
function sectionsAt(document: SiteDocument, page: PageId): readonly Section[] {
  return Object.values(document.sections).filter(({ in: at }) => pageOf(at) === page)
}

function pageAt(document: SiteDocument, id: SectionId): PageId | null {
  const at = findSection(document, id)?.in
  return at ? pageOf(at) : null
}

/** A copy of a section, entries and all, in the place of another. */
function withCopy(document: SiteDocument, { id: gone, rank, in: at }: Section, id: SectionId, of: Section | null): SiteDocument {
  if (!of) return document
  const copies = entriesOf(document, of.id).map((entry) => ({
    ...entry,
    id: entry.nth === null ? freeEntryId(document, entry.id) : entryKey(id, refOf(entry)),
    in: { ...entry.in, section: id },
  }))
  const { [gone]: _, ...sections } = document.sections
  return {
    ...document,
    sections: { ...sections, [id]: { ...of, id, rank, in: at } },
    entries: { ...document.entries, ...Object.fromEntries(copies.map((entry) => [entry.id, entry])) },
  }
}
