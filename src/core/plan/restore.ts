import {
  differences,
  findPage,
  findSection,
  pageOf,
  pagesIn,
  placeOfEdit,
  rankBetween,
  toEdit,
  type Edit,
  type EditStep,
  type Page,
  type PageId,
  type Place,
  type SiteDocument,
} from '../site'

/** The edit that makes the site what it was; null where it is so. */
export function restoreSite(now: SiteDocument, past: SiteDocument): Edit | null {
  return edit(differences(now, past))
}

/**
 * The edit that makes one page what it was, with all that stands on it. A page that is gone comes back where it stood, or at the end of the
 * top where what it stood under is gone too.
 */
export function restorePage(now: SiteDocument, past: SiteDocument, id: PageId): Edit | null {
  const page = findPage(past, id)
  return page ? edit(differences(now, withPage(now, past, page))) : null
}

/** A place that says something else than it did, with the step that has it say that again. */
export type PlaceRestored = { readonly place: Place; readonly step: EditStep }

/** Every place that stood then and stands now, and says something else. */
export function restorablePlaces(now: SiteDocument, past: SiteDocument): readonly PlaceRestored[] {
  return differences(now, past).flatMap((step) => {
    const place = placeOfEdit(step)
    return place ? [{ place, step }] : []
  })
}

function byId<T extends { readonly id: string }>(records: readonly T[]): Readonly<Record<string, T>> {
  return Object.fromEntries(records.map((record) => [record.id, record]))
}

function edit(steps: readonly EditStep[]): Edit | null {
  return steps.length === 0 ? null : toEdit(steps)
}

function withPage(now: SiteDocument, past: SiteDocument, page: Page): SiteDocument {
  const isOn = (section: { readonly in: Parameters<typeof pageOf>[0] }): boolean => pageOf(section.in) === page.id
  const back = Object.values(past.sections).filter(isOn)
  const ids = new Set([...back, ...Object.values(now.sections).filter(isOn)].map(({ id }) => id))
  const sections = [...Object.values(now.sections).filter(({ id }) => !ids.has(id)), ...back]
  const entries = [
    ...Object.values(now.entries).filter((entry) => !ids.has(entry.in.section)),
    ...Object.values(past.entries).filter((entry) => back.some(({ id }) => id === entry.in.section)),
  ]
  return {
    ...now,
    pages: byId([...Object.values(now.pages).filter(({ id }) => id !== page.id), placedNow(now, page)]),
    // One that is the same as a section which is gone now would show nothing.
    sections: byId(sections.map(({ same, ...section }) => (same && findSection(now, same) ? { ...section, same } : section))),
    entries: byId(entries),
  }
}

/** Where it stands now, if it does; else where it stood, if that is there. */
function placedNow(now: SiteDocument, page: Page): Page {
  const here = findPage(now, page.id)
  if (here) return { ...page, in: here.in, rank: here.rank }
  if (page.in.type === 'site' || findPage(now, page.in.page)) return page
  return { ...page, in: { type: 'site' }, rank: rankBetween(pagesIn(now, { type: 'site' }).at(-1)?.rank ?? null, null) }
}
