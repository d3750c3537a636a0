import { own } from '../own'
import { linkedPage } from '../fill'
import {
  allSections,
  entriesOf,
  lineOf,
  pageOf,
  pagesOf,
  plainWords,
  refOf,
  sectionsOfPage,
  toEdit,
  type Edit,
  type EditStep,
  type LinkTarget,
  type Page,
  type PageId,
  type Section,
  type SectionId,
  type Signpost,
  type SiteDocument,
  runWords,
  targetsIn,
  withTargets,
  type SlotPlace,
  type SlotValue,
} from '../site'
import { passOnShared } from './pass-on-shared'

/** What leads to a page: a link in a place of the client's, or an entry of a menu that is no page. */
export type LinkToPage =
  | { readonly type: 'slot'; readonly place: SlotPlace; readonly words: string; readonly value: SlotValue }
  | { readonly type: 'signpost'; readonly signpost: Signpost }

/** The client's own links that lead to some pages, in reading order. Links that are the template's find their page by themselves. */
export function linksTo(document: SiteDocument, pages: readonly Page[]): readonly LinkToPage[] {
  const ids = new Set<string>(pages.map(({ id }) => id))
  const leads = leadsTo(document, ids)
  const signposts = Object.values(document.signposts).filter((sign) => leads(sign.to))
  return [
    ...allSections(document).flatMap((section) => slotsOf(document, section.id, leads)),
    ...signposts.map((signpost): LinkToPage => ({ type: 'signpost', signpost })),
  ].filter((link) => link.type === 'signpost' || !isOn(document, link.place, ids))
}

function leadsTo(document: SiteDocument, ids: ReadonlySet<string>): (to: LinkTarget) => boolean {
  return (to) => {
    if (to.type === 'page') return ids.has(linkedPage(document, to.page)?.id ?? '')
    const where = to.type === 'section' ? own(document.sections, to.section)?.in : undefined
    return where !== undefined && ids.has(pageOf(where) ?? '')
  }
}

function isOn(document: SiteDocument, place: SlotPlace, pages: ReadonlySet<string>): boolean {
  const where = own(document.sections, place.section)?.in
  return where !== undefined && pages.has(pageOf(where) ?? '')
}

type SlotLink = Extract<LinkToPage, { type: 'slot' }>

function slotsOf(document: SiteDocument, section: SectionId, leads: (to: LinkTarget) => boolean): SlotLink[] {
  const found = own(document.sections, section)
  const entries = entriesOf(document, section)
  const of = (slots: NonNullable<typeof found>['slots'], entry: SlotPlace['entry']): SlotLink[] =>
    Object.entries(slots).flatMap(([slot, value]) =>
      value.type !== 'same' && targetsIn(value).some(leads)
        ? [{ type: 'slot', place: { type: 'slot', section, entry, slot }, words: linkedWords(value, leads), value }]
        : [],
    )
  return [...(found ? of(found.slots, null) : []), ...entries.flatMap((entry) => of(entry.slots, refOf(entry)))]
}

/** The words that are a link: a button's own, or those in the middle of others. */
function linkedWords(value: SlotValue, leads: (to: LinkTarget) => boolean): string {
  if (value.type !== 'rich') return plainWords(value)
  return value.rich.flatMap(({ runs }) => runs.flatMap((run) => (run.to && leads(run.to) ? [runWords(run)] : []))).join(' … ')
}

/** A page with all that stands under it. */
export function withUnder(document: SiteDocument, page: Page): readonly Page[] {
  return pagesOf(document).filter((one) => lineOf(document, one).includes(page))
}

/** What becomes of links to a page that goes: they lead to another page, or are emptied. */
export type LinksThen = { readonly to: PageId } | 'drop'

/** The edit that takes pages out with everything on them; the links that led there do as is chosen. */
export function removePages(document: SiteDocument, pages: readonly Page[], links: LinksThen): Edit {
  const ids = new Set<string>(pages.map(({ id }) => id))
  const led = linksTo(document, pages).map((link): EditStep => lead(link, leadsTo(document, ids), links))
  // Those under others go first, so that none is lifted that goes anyway.
  const gone = [...pages].sort((a, b) => lineOf(document, b).length - lineOf(document, a).length)
  const goes = (section: Section): boolean => ids.has(pageOf(section.in) ?? '')
  const kept = passOnShared(
    document,
    pages.flatMap(({ id }) => sectionsOfPage(document, id).map((section) => section.id)),
    goes,
  )
  return toEdit([...led, ...kept, ...gone.map(({ id }): EditStep => ({ type: 'page/remove', page: id }))])
}

function lead(link: LinkToPage, leads: (to: LinkTarget) => boolean, then: LinksThen): EditStep {
  const to: LinkTarget | null = then === 'drop' ? null : { type: 'page', page: then.to }
  if (link.type === 'signpost') return { type: 'signpost/set', signpost: link.signpost.id, value: to && { ...link.signpost, to } }
  const { section, entry, slot } = link.place
  return { type: 'slot/set', section, entry, slot, value: withTargets(link.value, (was) => (leads(was) ? to : was)) }
}
