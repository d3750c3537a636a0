import {
  leftoverParts,
  NOT_FOUND,
  sectionRows,
  shownFacts,
  siteLabels,
  type LabelRow,
  type LedgerFact,
  type LedgerRow,
  type PagePart,
} from '@/core/fill'
import type { Pack } from '@/core/pack'
import {
  factsOf,
  findPage,
  findSection,
  homePage,
  pageOfSection,
  pagesShowing,
  pagesOf,
  PAGE_TEXTS,
  roleOf,
  samePlace,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  shownSection,
  type Page,
  type PageId,
  type Place,
  type Section,
  type SectionId,
  type SiteDocument,
} from '@/core/site'

/** What the ledger lists: the places every page shares, or one page's own; that of the page for wrong addresses is one. */
export type Tab = 'shared' | PageId

/** The parts of the brand that are also to be filled in from the ledger; the rest is set on its own stage. */
const LEDGER_BRAND_PARTS = ['colour', 'logo'] as const

/** The tab that a place is listed under; of a section that several pages share, the one in hand if it is one of them. */
export function tabOf(document: SiteDocument, place: Place, inHand: Tab): Tab {
  if (place.type === 'page') return place.page
  if (place.type === 'slot' && findSection(document, place.section)?.in.type === 'notFound') return NOT_FOUND
  if (place.type === 'slot' && pagesShowing(document, place.section).some((page) => page === inHand)) return inHand
  return place.type === 'slot' ? (pageOfSection(document, place.section)?.id ?? 'shared') : 'shared'
}

export type Group =
  | { readonly type: 'facts'; readonly title: string; readonly facts: readonly LedgerFact[] }
  | { readonly type: 'brand'; readonly title: string }
  | { readonly type: 'labels'; readonly title: string; readonly labels: readonly LabelRow[] }
  | { readonly type: 'page'; readonly title: string; readonly page: Page; readonly isHome: boolean }
  | {
      readonly type: 'section'
      readonly title: string
      readonly section: SectionId
      readonly rows: readonly LedgerRow[]
      /** What stands here is another page's: what is open in it is counted there. */
      readonly isShared: boolean
    }

/** The groups of a tab in reading order. */
export function tabGroups(pack: Pack, document: SiteDocument, tab: Tab): Group[] {
  // A section without a slot is listed too: its design can be changed.
  const group = (s: Section): Group => {
    const shown = shownSection(document, s)
    return { type: 'section', title: shown.kind, section: shown.id, rows: sectionRows(pack, document, shown), isShared: shown !== s }
  }
  if (tab === 'shared') {
    return [
      { type: 'facts', title: 'Client facts', facts: shownFacts(pack, document) },
      { type: 'brand', title: 'Brand' },
      ...sharedSections(document).map(group),
      { type: 'labels', title: 'Labels', labels: siteLabels(pack, document) },
    ]
  }
  if (tab === NOT_FOUND) return sectionsIn(document, { type: 'notFound' }).map(group)
  const page = findPage(document, tab)
  if (!page) return []
  const isHome = homePage(document) === page
  return [...sectionsOfPage(document, page.id).map(group), { type: 'page', title: 'In menus and search results', page, isHome }]
}

/** What is listed of a page besides its sections; the home page has no address to choose. */
export function pageParts(isHome: boolean): readonly PagePart[] {
  return isHome ? PAGE_TEXTS : ['name', 'label', 'address', 'title', 'description']
}

export type ListedPlace = { readonly place: Place; readonly leftover: boolean }

/** The places of a group in order, and whether each is a leftover. */
export function groupPlaces(document: SiteDocument, group: Group): readonly ListedPlace[] {
  switch (group.type) {
    case 'facts': {
      const facts = factsOf(document)
      return group.facts.map((fact) => ({ place: { type: 'fact', fact }, leftover: facts[fact] === undefined }))
    }
    case 'brand':
      return LEDGER_BRAND_PARTS.map((part) => ({ place: { type: 'brand', part }, leftover: false }))
    case 'page': {
      const { page, isHome } = group
      const open = leftoverParts(page, roleOf(document, page))
      return pageParts(isHome).map((part) => ({ place: { type: 'page', page: page.id, part }, leftover: open.includes(part) }))
    }
    case 'labels':
      return group.labels.map(({ label, leftover }) => ({ place: { type: 'label', label }, leftover }))
    case 'section':
      return group.rows.map((row) => ({ place: row.place, leftover: !group.isShared && (row.leftover || row.draft) }))
    default:
      return group satisfies never
  }
}

/** The next or previous leftover from a place on, round the whole job: pages in order, then what every page shares. */
export function findLeftover(pack: Pack, document: SiteDocument, from: Place | null, tab: Tab, step: 1 | -1): Place | null {
  const tabs: Tab[] = [...pagesOf(document).map((p) => p.id), NOT_FOUND, 'shared']
  const all = tabs.flatMap((t) =>
    tabGroups(pack, document, t)
      .flatMap((g) => groupPlaces(document, g))
      .map((p) => ({ ...p, tab: t })),
  )
  const here = from ? all.findIndex((p) => samePlace(p.place, from)) : all.findIndex((p) => p.tab === tab) - step
  for (let i = 1; i <= all.length; i++) {
    const next = all[(here + step * i + all.length * 2) % all.length]
    if (next?.leftover) return next.place
  }
  return null
}

/** The place before or after another in a tab's ledger. */
export function neighbour(pack: Pack, document: SiteDocument, tab: Tab, from: Place | null, by: 1 | -1): Place | null {
  const places = tabGroups(pack, document, tab).flatMap((g) => groupPlaces(document, g))
  const at = from ? places.findIndex((p) => samePlace(p.place, from)) : -1
  return places[at + by]?.place ?? null
}
