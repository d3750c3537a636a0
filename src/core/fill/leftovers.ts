import { memoBy } from '../memo'
import { own } from '../own'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  entriesOf,
  factsOf,
  isHidden,
  looksOf,
  pagesOf,
  roleOf,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  type FactName,
  type Look,
  type Page,
  type PageRole,
  type Section,
  type SiteDocument,
} from '../site'
import { siteLabels } from './labels'
import { leftoverParts, NOT_FOUND } from './page-texts'
import { sectionRows } from './section-rows'

const LEDGER_FACTS = ['name', 'tagline', 'phone', 'email', 'address', 'hours'] as const
/** Facts that templates have placeholders for. */
export type LedgerFact = (typeof LEDGER_FACTS)[number]

export function isLedgerFact(fact: FactName): fact is LedgerFact {
  return (LEDGER_FACTS as readonly FactName[]).includes(fact)
}

/** Facts that the designs in use show, and so should be the client's. */
export function shownFacts(pack: Pack, document: SiteDocument): readonly LedgerFact[] {
  return factsShownBy(looksOf(document), pack)
}

const factsShownBy = memoBy(
  (looks: readonly Look[], pack: Pack) => [looks, pack],
  (looks, pack): readonly LedgerFact[] => {
    const shown = new Set<LedgerFact>()
    for (const design of looks.flatMap(({ kind, design }) => findDesign(pack, kind, design) ?? []))
      for (const fact of shownPlaces(design).facts) shown.add(fact === 'locality' ? 'address' : fact)
    return LEDGER_FACTS.filter((f) => shown.has(f))
  },
)

export type Leftovers = {
  readonly total: number
  /** Facts, labels, header and footer: what every page shares. */
  readonly everyPage: number
  /** By the page's id; that of the page for wrong addresses is among them. */
  readonly byPage: Readonly<Record<string, number>>
  /** Of the client's own places, how many hold draft words to be confirmed. */
  readonly drafts: number
}

/** The last answer, and what it was made of: the pages in order, and what is open on each, on the one for wrong addresses and on all. */
let latest: { readonly roles: unknown; readonly open: readonly Open[]; readonly everyPage: number; readonly found: Leftovers } | null = null

/**
 * How many places still show the template's content, each counted once. What is asked twice of a document is counted once,
 * and where nothing has changed the answer is the very one of before, so that whoever shows it need not look again.
 */
export const countLeftovers = memoBy((pack: Pack, document: SiteDocument) => [document, pack], count)

function count(pack: Pack, document: SiteDocument): Leftovers {
  const facts = factsOf(document)
  const factsOpen = shownFacts(pack, document).filter((f) => facts[f] === undefined).length
  const shared = openOn(pack, document, sharedSections(document))
  const notFound = openOn(pack, document, sectionsIn(document, { type: 'notFound' }))
  const labelsOpen = siteLabels(pack, document).filter((l) => l.leftover).length
  const everyPage = factsOpen + labelsOpen + shared.leftovers
  const roles = rolesOf(document)
  const own = roles.map(([page, role]) => openOnPage(pack, document, page, role))
  const open = [...own, notFound, shared]
  // Of a large site putting the answer together costs more than finding out that it is the one of before.
  if (latest?.roles === roles && latest.everyPage === everyPage && isSameOpen(latest.open, open)) return latest.found
  const found = {
    total: own.reduce((sum, { leftovers }) => sum + leftovers, everyPage + notFound.leftovers),
    everyPage,
    byPage: Object.fromEntries([...roles.map(([{ id }], i) => [id, own[i]?.leftovers ?? 0]), [NOT_FOUND, notFound.leftovers]]),
    drafts: open.reduce((sum, { drafts }) => sum + drafts, 0),
  }
  latest = { roles, open, everyPage, found: latest && isSameCount(latest.found, found) ? latest.found : found }
  return latest.found
}

function isSameOpen(a: readonly Open[], b: readonly Open[]): boolean {
  return a.length === b.length && a.every((open, i) => open.leftovers === b[i]?.leftovers && open.drafts === b[i].drafts)
}

function isSameCount(a: Leftovers, b: Leftovers): boolean {
  if (a.total !== b.total || a.everyPage !== b.everyPage || a.drafts !== b.drafts) return false
  const pages = Object.keys(b.byPage)
  return pages.length === Object.keys(a.byPage).length && pages.every((page) => own(a.byPage, page) === own(b.byPage, page))
}

type Open = { readonly leftovers: number; readonly drafts: number }
type Counted = {
  readonly pack: Pack
  readonly page: Page
  readonly role: PageRole
  readonly table: SiteDocument['entries']
  readonly entries: readonly unknown[]
  readonly open: Open
}

type Role = PageRole | 'hidden'
/** How each page stands to visitors; asked anew when the tree or its plan has changed. */
const rolesOf = memoBy(
  ({ pages, plan }: SiteDocument) => [pages, plan],
  (document): readonly (readonly [Page, Role])[] =>
    pagesOf(document).map((page) => [page, isHidden(document, page) ? 'hidden' : roleOf(document, page)] as const),
)

/** What is open on a page, by the sections that stand on it: one that nothing was done on is not counted again. */
const openOnPages = new WeakMap<readonly Section[], Counted>()
const NOTHING: Open = { leftovers: 0, drafts: 0 }

function openOnPage(pack: Pack, document: SiteDocument, page: Page, role: Role): Open {
  // What visitors never see is no leftover.
  if (role === 'hidden') return NOTHING
  const sections = sectionsOfPage(document, page.id)
  const table = document.entries
  const known = openOnPages.get(sections)
  const isOf = known?.pack === pack && known.page === page && known.role === role
  if (isOf && known.table === table) return known.open
  const entries = sections.map((s) => entriesOf(document, s.id))
  if (isOf && known.entries.every((e, i) => e === entries[i])) {
    openOnPages.set(sections, { ...known, table })
    return known.open
  }
  const { leftovers, drafts } = openOn(pack, document, sections)
  const open = { leftovers: leftovers + leftoverParts(page, role).length, drafts }
  if (sections.length > 0) openOnPages.set(sections, { pack, page, role, table, entries, open })
  return open
}

function openOn(pack: Pack, document: SiteDocument, sections: readonly Section[]): Open {
  let leftovers = 0
  let drafts = 0
  for (const section of sections) {
    // What another page has is counted there.
    if (section.hidden || section.same !== undefined) continue
    for (const row of sectionRows(pack, document, section)) {
      if (row.leftover) leftovers++
      if (row.draft) drafts++
    }
  }
  return { leftovers, drafts }
}
