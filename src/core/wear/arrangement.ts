import { own } from '../own'
import {
  APART,
  entriesOf,
  findSection,
  isSame,
  pagePlace,
  pagesOf,
  placeOfEntry,
  ranksInOrder,
  SECTION_OWN,
  sectionsIn,
  sectionsOn,
  withoutRecord,
  type Apart,
  type Dress,
  type Outfit,
  type Page,
  type PageOrigin,
  type PlacedSection,
  type Section,
  type SectionIn,
  type SectionOwn,
  type SiteDocument,
} from '../site'

/** A section as it is to stand: in the order of its page, at its rank of then where it is known. */
export type Standing = Omit<PlacedSection, 'in' | 'rank'> & { readonly rank: string | null }
/** A page as it is to stand; its rank is null where it has none yet. */
export type StandingPage = Omit<Page, 'rank'> & { readonly rank: string | null }
export type ArrangedPage = { readonly page: StandingPage; readonly sections: readonly Standing[] }

/** Everything of a site that is not content: which pages and sections there are, in which order, and what they wear. */
export type Arrangement = {
  readonly dress: Dress
  /** What stands at the head and foot of every page and on the page for wrong addresses. */
  readonly apart: Readonly<Record<Apart, readonly Standing[]>>
  readonly pages: readonly ArrangedPage[]
  readonly outfits: SiteDocument['outfits']
}

export function toStanding({ id, kind, design, tone, origin, rank }: PlacedSection): Standing {
  return { id, kind, design, tone, origin, rank }
}

/** How a document is arranged now. */
export function arrangementOf(document: SiteDocument): Arrangement {
  return {
    dress: document.dress,
    apart: onEach((type) => sectionsIn(document, { type }).map(toStanding)),
    pages: pagesOf(document).map((page) => ({ page, sections: sectionsOn(document, page.id).map(toStanding) })),
    outfits: document.outfits,
  }
}

/** The same question asked of every place that is no page. */
export function onEach<T>(of: (type: Apart) => T): Readonly<Record<Apart, T>> {
  return { header: of('header'), footer: of('footer'), notFound: of('notFound') }
}

/** What is remembered of an arrangement once the site leaves its template. */
export function toOutfit({ dress, apart, pages }: Arrangement): Outfit {
  const place =
    (where: SectionIn) =>
    (s: Standing): PlacedSection => ({ ...s, in: where, rank: s.rank ?? 'a0' })
  const { template: _, ...look } = dress
  return {
    ...look,
    pages: Object.fromEntries(pages.map(({ page }): [string, PageOrigin | null] => [page.id, page.origin])),
    sections: [
      ...pages.flatMap(({ page, sections }) => sections.map(place({ type: 'page', page: page.id }))),
      ...APART.flatMap((type) => apart[type].map(place({ type }))),
    ],
  }
}

/** Whether two arrangements are the same but for ranks and for what is remembered: order matters, names of places in it do not. */
export function sameArrangement(a: Arrangement, b: Arrangement): boolean {
  const bare = ({ dress, apart, pages }: Arrangement): unknown => {
    const plain = (of: Standing): unknown => ({ ...of, rank: null })
    const page = ({ page: of, sections }: ArrangedPage): unknown => ({ of: { ...of, rank: null }, sections: sections.map(plain) })
    return { dress, apart: onEach((type) => apart[type].map(plain)), pages: pages.map(page) }
  }
  return isSame(bare(a), bare(b))
}

/**
 * The document arranged anew. What is in the document keeps its content, wherever it stands now; sections and pages that
 * the arrangement no longer names leave. Records that stay as they are stay the same objects, so that the difference is small.
 */
export function rearrange(document: SiteDocument, to: Arrangement): SiteDocument {
  const ids = new Set<string>(to.pages.map(({ page }) => page.id))
  const pages = standInTree(to.pages.map(({ page }) => page)).map((page): Page => {
    const known = own(document.pages, page.id)
    return known && isSame(known, page) ? known : page
  })
  const sections = [
    ...to.pages.flatMap((p) => place(document, { type: 'page', page: p.page.id }, p.sections)),
    ...APART.flatMap((type) => place(document, { type }, to.apart[type])),
    // Templates have no columns at the sides of pages: what the client has there stays as it is.
    ...Object.values(document.sections).filter(({ in: where }) => where.type === 'side' && (where.page === null || ids.has(where.page))),
  ]
  const table = Object.fromEntries(sections.map((s) => [s.id, s]))
  return {
    ...document,
    dress: to.dress,
    outfits: to.outfits,
    pages: Object.fromEntries(pages.map((p) => [p.id, p])),
    sections: table,
    entries: keptEntries(document, table),
    signposts: keptSignposts(document, ids),
  }
}

function place(document: SiteDocument, where: SectionIn, standing: readonly Standing[]): Section[] {
  return standInOrder(standing).map((wanted): Section => {
    const known = findSection(document, wanted.id)
    // A section's content fits its kind: under another kind the same id is another section.
    const kept = known?.kind === wanted.kind ? { ...ownOf(known), slots: known.slots } : { slots: {} }
    const placed: Section = { ...wanted, in: where, ...kept }
    return known && known.slots === placed.slots && isSame(known, placed) ? known : placed
  })
}

/** What a section has of its own besides place, dress and content. */
function ownOf(section: Section): Partial<Pick<Section, SectionOwn>> {
  return Object.fromEntries(SECTION_OWN.filter((part) => section[part] !== undefined).map((part) => [part, section[part]]))
}

/** Pages with ranks that fit their order in each place of the tree; what stood under one that is gone goes to the top. */
function standInTree(of: readonly StandingPage[]): readonly Page[] {
  const ids = new Set<string>(of.map(({ id }) => id))
  const lifted = of.map((page) => (page.in.type === 'page' && !ids.has(page.in.page) ? { ...page, in: { type: 'site' as const } } : page))
  const places = new Map<string, StandingPage[]>()
  for (const page of lifted) places.set(pagePlace(page.in), [...(places.get(pagePlace(page.in)) ?? []), page])
  return [...places.values()].flatMap((together) => standInOrder(together))
}

/** Each with a rank that fits the order: the one it wants where it can be, another where it has none or stands elsewhere. */
function standInOrder<T extends { readonly rank: string | null }>(of: readonly T[]): (T & { readonly rank: string })[] {
  const ranks = ranksInOrder(of.map((one) => one.rank))
  return of.map((one, i) => ({ ...one, rank: ranks[i] ?? 'a0' }))
}

/** Menu entries stay; what stood under a page that is gone goes to the top. */
function keptSignposts({ signposts }: SiteDocument, pages: ReadonlySet<string>): SiteDocument['signposts'] {
  const stray = Object.values(signposts).filter((sign) => sign.in.type === 'page' && !pages.has(sign.in.page))
  return stray.length === 0
    ? signposts
    : { ...signposts, ...Object.fromEntries(stray.map((sign) => [sign.id, { ...sign, in: { type: 'site' as const } }])) }
}

/** Entries go with their section; under another kind they are not that section's. */
function keptEntries(document: SiteDocument, sections: SiteDocument['sections']): SiteDocument['entries'] {
  let entries = document.entries
  for (const section of Object.values(document.sections)) {
    if (own(sections, section.id)?.kind === section.kind) continue
    for (const entry of entriesOf(document, section.id)) entries = withoutRecord(entries, entry.id, placeOfEntry)
  }
  return entries
}
