import {
  leftoverParts,
  NOT_FOUND,
  pageTexts,
  sectionRows,
  shownFacts,
  siteLabels,
  type LabelRow,
  type LedgerFact,
  type LedgerRow,
  type PagePart,
} from '../fill'
import { memoBy, memoOf } from '../memo'
import type { Pack } from '../pack'
import {
  findPage,
  findSection,
  pageOfSection,
  pagesOf,
  pagesShowingSpot,
  PAGE_TEXTS,
  placeKey,
  roleOf,
  samePlace,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  shownSection,
  type Page,
  type PageId,
  type PageRole,
  type Place,
  type Section,
  type SectionId,
  type SiteDocument,
  type SlotPlace,
} from '../site'
import { BRAND_PART_SAID, FACT_SAID, labelSaid, PAGE_PART_SAID } from './names'

/** What the ledger lists: all places of the site, those that every page shares, or one page's own; that of wrong addresses is one. */
export type Tab = 'site' | 'shared' | PageId

/** A place as it is listed. */
export type Listed = {
  readonly place: Place
  /** Its `placeKey`. */
  readonly key: string
  /** What it is called in its group. */
  readonly name: string
  /** Open, and counted here. */
  readonly leftover: boolean
  /** What stands there; null where it is no slot. */
  readonly row: LedgerRow | null
}

/** Places that are listed under one heading. */
export type ListedGroup = {
  readonly key: string
  readonly type: 'section' | 'facts' | 'brand' | 'labels' | 'page' | 'kind'
  readonly title: string
  /** The page that they stand on; null for what every page shows. */
  readonly page: PageId | null
  readonly where: string
  /** The section whose places they are. */
  readonly section: SectionId | null
  readonly listed: readonly Listed[]
}

/** The tab that a place is listed under; of a section that several pages share, the one in hand if it is one of them. */
export function tabOf(document: SiteDocument, place: Place, inHand: Tab): Exclude<Tab, 'site'> {
  if (place.type === 'page') return place.page
  if (place.type === 'slot' && findSection(document, place.section)?.in.type === 'notFound') return NOT_FOUND
  if (place.type === 'slot') {
    const here = pagesShowingSpot(document, place).find((page) => page === inHand)
    return here ?? pageOfSection(document, place.section)?.id ?? 'shared'
  }
  return 'shared'
}

/**
 * What is listed under a tab, in reading order. What stayed the same since it was last asked for is the very group of before; over the
 * whole site a section that stands on several pages is listed once.
 */
export function listTab(pack: Pack, document: SiteDocument, tab: Tab): readonly ListedGroup[] {
  if (tab === 'site') {
    const pages = pagesOf(document).flatMap((page) => listPage(pack, document, page).firsts)
    return [...pages, ...listTab(pack, document, NOT_FOUND), ...listTab(pack, document, 'shared')]
  }
  if (tab === 'shared') {
    const sections = sharedSections(document).map((section) => sectionGroup(pack, document, section, null, 'every page'))
    return [factGroup(pack, document), BRAND, ...sections, labelGroup(siteLabels(pack, document))]
  }
  if (tab === NOT_FOUND)
    return sectionsIn(document, { type: 'notFound' }).map((section) => sectionGroup(pack, document, section, NOT_FOUND, 'Wrong address'))
  const page = findPage(document, tab)
  return page ? listPage(pack, document, page).groups : []
}

function tabsOf(document: SiteDocument): readonly Exclude<Tab, 'site'>[] {
  return [...pagesOf(document).map((page) => page.id), NOT_FOUND, 'shared']
}

/** What is listed of a page, and what of it is listed nowhere before. */
type PageListed = { readonly groups: readonly ListedGroup[]; readonly firsts: readonly ListedGroup[] }

/** A key press asks this of every page, so where nothing has changed it only looks whether that is so. */
const listPage = memoBy(
  (pack: Pack, document: SiteDocument, page: Page) => {
    const sections = sectionsOfPage(document, page.id)
    const rows = sections.map((section) => sectionRows(pack, document, shownSection(document, section)))
    return [page, sections, pageTexts(pack, document, page).name, roleOf(document, page), ...rows]
  },
  (pack, document, page): PageListed => {
    const sections = sectionsOfPage(document, page.id)
    const where = pageTexts(pack, document, page).name
    const ofSections = sections.map((section) => sectionGroup(pack, document, section, page.id, where))
    const groups = [...ofSections, pageGroup(page, where, roleOf(document, page))]
    // What a section shows is another's where it is the same as one on another page.
    const firsts = groups.filter((_, i) => sections[i] === undefined || shownSection(document, sections[i]) === sections[i])
    return { groups, firsts }
  },
)

const ofRows = new WeakMap<readonly LedgerRow[], Map<string, ListedGroup>>()

/** A section without a slot is listed too: its design can be changed. */
function sectionGroup(pack: Pack, document: SiteDocument, standing: Section, page: PageId | null, where: string): ListedGroup {
  const shown = shownSection(document, standing)
  const rows = sectionRows(pack, document, shown)
  const groups = ofRows.get(rows) ?? new Map<string, ListedGroup>()
  ofRows.set(rows, groups)
  const name = `${standing.id} ${where}`
  const known = groups.get(name)
  if (known) return known
  const made: ListedGroup = {
    key: standing.id,
    type: 'section',
    title: shown.kind,
    page,
    where,
    section: shown.id,
    // What stands here is another page's: what is open in it is counted there.
    listed: rows.map((row) => listed(row.place, row.label, shown === standing && (row.leftover || row.draft), row)),
  }
  groups.set(name, made)
  return made
}

function listed(place: Place, name: string, leftover: boolean, row: LedgerRow | null = null): Listed {
  return { place, key: placeKey(place), name, leftover, row }
}

const BRAND: ListedGroup = {
  key: 'brand',
  type: 'brand',
  title: 'Brand',
  page: null,
  where: 'every page',
  section: null,
  // The parts that are also to be filled in from the ledger; the rest is set on its own stage.
  listed: (['colour', 'logo'] as const).map((part) => listed({ type: 'brand', part }, BRAND_PART_SAID[part], false)),
}

function factGroup(pack: Pack, document: SiteDocument): ListedGroup {
  return factGroupOf(shownFacts(pack, document), document.facts)
}

const factGroupOf = memoBy(
  (shown: readonly LedgerFact[], facts: SiteDocument['facts']) => [shown, facts],
  (shown, facts): ListedGroup => ({
    key: 'facts',
    type: 'facts',
    title: 'Client facts',
    page: null,
    where: 'every page',
    section: null,
    listed: shown.map((fact) => listed({ type: 'fact', fact }, FACT_SAID[fact], facts[fact] === undefined)),
  }),
)

const labelGroup = memoOf((rows: readonly LabelRow[]): ListedGroup => ({
  key: 'labels',
  type: 'labels',
  title: 'Labels',
  page: null,
  where: 'every page',
  section: null,
  listed: rows.map(({ label, leftover }) => listed({ type: 'label', label }, labelSaid(label), leftover)),
}))

const pageGroup = memoBy(
  (page: Page, where: string, role: PageRole) => [page, where, role],
  (page, where, role): ListedGroup => {
    const open = leftoverParts(page, role)
    const parts = pageParts(role === 'home')
    return {
      key: `page ${page.id}`,
      type: 'page',
      title: 'In menus and search results',
      page: page.id,
      where,
      section: null,
      listed: parts.map((part) => listed({ type: 'page', page: page.id, part }, PAGE_PART_SAID[part], open.includes(part))),
    }
  },
)

/** What is listed of a page besides its sections; the home page has no address to choose. */
function pageParts(isHome: boolean): readonly PagePart[] {
  return isHome ? PAGE_TEXTS : ['name', 'address', 'label', 'title', 'description']
}

/** The next or previous leftover from a place on, round the whole job: pages in order, then what every page shares. */
export function findLeftover(pack: Pack, document: SiteDocument, from: Place | null, tab: Tab, step: 1 | -1): Place | null {
  const all = tabsOf(document).flatMap((one) =>
    listTab(pack, document, one).flatMap((group) => group.listed.map(({ place, leftover }) => ({ place, leftover, tab: one }))),
  )
  const first = Math.max(
    0,
    all.findIndex((p) => p.tab === tab),
  )
  const here = from ? all.findIndex((p) => samePlace(p.place, from)) : first - step
  for (let i = 1; i <= all.length; i++) {
    const next = all[(here + step * i + all.length * 2) % all.length]
    if (next?.leftover) return next.place
  }
  return null
}

/** The place before or after another among some. */
export function neighbour(places: readonly Place[], from: Place | null, by: 1 | -1): Place | null {
  const at = from ? places.findIndex((place) => samePlace(place, from)) : -1
  return places[at + by] ?? null
}

/** What stands in a slot as it is listed; null where it is not listed any more. */
export function findRow(pack: Pack, document: SiteDocument, place: SlotPlace): LedgerRow | null {
  const section = findSection(document, place.section)
  return section ? (byKey(sectionRows(pack, document, section)).get(placeKey(place)) ?? null) : null
}

const byKey = memoOf(
  (rows: readonly LedgerRow[]): ReadonlyMap<string, LedgerRow> => new Map(rows.map((row) => [placeKey(row.stands), row])),
)
