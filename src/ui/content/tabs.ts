import { pageTexts, sectionRows, shownFacts, type LedgerFact, type LedgerRow, type Pack } from '@/core/pack'
import { findPage, type Edit, type Page, type PageId, type SectionId, type SiteDocument } from '@/core/site'
import { placeKey, type Place } from '../sheets/place'

/** What the ledger lists: the places every page shares, or one page's own. */
export type Tab = 'shared' | PageId

/** The parts of the brand that are also to be filled in from the ledger; the rest is set on its own stage. */
const LEDGER_BRAND_PARTS = ['colour', 'second', 'third', 'logo', 'logo-on-dark'] as const
export type LedgerBrandPart = (typeof LEDGER_BRAND_PARTS)[number]

/** Anything the ledger has a row for: a slot, a fact, a part of the brand, or how a page shows in search results. */
export type RowPlace = Place | { readonly type: 'brand'; readonly part: LedgerBrandPart } | { readonly type: 'page'; readonly page: PageId; readonly part: 'title' | 'description' | 'name' }

export function rowKey(place: RowPlace): string {
  switch (place.type) {
    case 'brand': return `brand ${place.part}`
    case 'page': return `page ${place.page} ${place.part}`
    default: return placeKey(place)
  }
}

/** The place that an edit sets; of a batch the first. */
export function placeOfEdit(edit: Edit): RowPlace | null {
  const step = edit.type === 'batch' ? edit.edits[0] : edit
  switch (step?.type) {
    case undefined: return null
    case 'slot/set': return { type: 'slot', section: step.section, slot: step.slot }
    case 'fact/set': return { type: 'fact', fact: step.fact }
    case 'brand/set': {
      const part = LEDGER_BRAND_PARTS.find((p) => p === step.part)
      return part ? { type: 'brand', part } : null
    }
    case 'page/set': return { type: 'page', page: step.page, part: step.part }
    case 'section/set':
    case 'scheme/set':
    case 'arrange': return null
    default: return step satisfies never
  }
}

/** The tab that a place is listed under. */
export function tabOf(document: SiteDocument, place: RowPlace): Tab {
  if (place.type === 'page') return place.page
  if (place.type !== 'slot') return 'shared'
  return document.pages.find((p) => p.sections.some((s) => s.id === place.section))?.id ?? 'shared'
}

export type Group =
  | { readonly type: 'facts'; readonly title: string; readonly facts: readonly LedgerFact[] }
  | { readonly type: 'brand'; readonly title: string }
  | { readonly type: 'page'; readonly title: string; readonly page: Page }
  | { readonly type: 'section'; readonly title: string; readonly section: SectionId; readonly rows: readonly LedgerRow[] }

/** The groups of a tab in reading order. */
export function tabGroups(pack: Pack, document: SiteDocument, tab: Tab): Group[] {
  // A section without a slot is listed too: its design can be changed.
  const section = (s: SiteDocument['header']): Group[] => [{ type: 'section', title: s.kind, section: s.id, rows: sectionRows(pack, document, s) }]
  if (tab === 'shared') {
    return [{ type: 'facts', title: 'Client facts', facts: shownFacts(pack, document) }, { type: 'brand', title: 'Brand' }, ...section(document.header), ...section(document.footer)]
  }
  const page = findPage(document, tab)
  return page ? [...page.sections.flatMap(section), { type: 'page', title: 'In search results', page }] : []
}

/** The places of a group in order, and whether each is a leftover. */
export function groupPlaces(document: SiteDocument, group: Group): { readonly place: RowPlace; readonly leftover: boolean }[] {
  switch (group.type) {
    case 'facts': return group.facts.map((fact) => ({ place: { type: 'fact', fact }, leftover: document.facts[fact] === undefined }))
    case 'brand': return (['colour', 'logo'] as const).map((part) => ({ place: { type: 'brand', part }, leftover: false }))
    case 'page': return [
      { place: { type: 'page', page: group.page.id, part: 'name' }, leftover: false },
      { place: { type: 'page', page: group.page.id, part: 'title' }, leftover: false },
      { place: { type: 'page', page: group.page.id, part: 'description' }, leftover: group.page.description === undefined },
    ]
    case 'section': return group.rows.map((row) => ({ place: { type: 'slot', section: group.section, slot: row.path }, leftover: row.leftover || row.draft }))
    default: return group satisfies never
  }
}

/** The next or previous leftover from a place on, round the whole job: pages in order, then what every page shares. */
export function findLeftover(pack: Pack, document: SiteDocument, from: RowPlace | null, tab: Tab, step: 1 | -1): RowPlace | null {
  const tabs: Tab[] = [...document.pages.map((p) => p.id), 'shared']
  const all = tabs.flatMap((t) => tabGroups(pack, document, t).flatMap((g) => groupPlaces(document, g)).map((p) => ({ ...p, tab: t })))
  const here = from ? all.findIndex((p) => rowKey(p.place) === rowKey(from)) : all.findIndex((p) => p.tab === tab) - step
  for (let i = 1; i <= all.length; i++) {
    const next = all[(here + step * i + all.length * 2) % all.length]
    if (next?.leftover) return next.place
  }
  return null
}

export function tabName(pack: Pack, document: SiteDocument, page: Page): string {
  return pageTexts(pack, document, page).name
}
