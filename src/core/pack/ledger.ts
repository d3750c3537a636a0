import { allSections, isDraftValue, isEmptyValue, type Page, type Section, type SiteDocument, type SlotType, type SlotValue } from '../site'
import { shownPlaces } from './design'
import { getDesign, getTemplate, type Pack } from './pack'
import { borrowedPlaceholder, findTemplatePage, listItems, sectionPlaceholders } from './content'

/** One row of the ledger: a slot with the template's content, the client's, and whether it is a leftover. */
export type LedgerRow = {
  readonly section: Section
  readonly path: string
  readonly type: SlotType | 'list'
  readonly label: string
  readonly placeholder: SlotValue | null
  readonly value: SlotValue | null
  readonly leftover: boolean
  /** Words from a phrase bank that nobody has confirmed. */
  readonly draft: boolean
}

const rowsOf = new WeakMap<Section, { readonly pack: Pack; readonly template: string; readonly rows: readonly LedgerRow[] }>()

/**
 * The rows of one section in reading order; a list gives a row for itself and one for each field of each entry. Sections
 * are never changed in place, so the rows of one that stayed the same are those of last time.
 */
export function sectionRows(pack: Pack, document: SiteDocument, section: Section): readonly LedgerRow[] {
  const known = rowsOf.get(section)
  if (known?.pack === pack && known.template === document.template) return known.rows
  const rows = makeRows(pack, document, section)
  rowsOf.set(section, { pack, template: document.template, rows })
  return rows
}

function makeRows(pack: Pack, document: SiteDocument, section: Section): LedgerRow[] {
  const placeholders = sectionPlaceholders(pack, document, section)
  const row = (path: string, type: SlotType | 'list', label: string): LedgerRow => {
    const placeholder = placeholders[path] ?? borrowedPlaceholder(placeholders, path)
    const value = section.slots[path] ?? null
    const leftover = type !== 'list' && value === null && placeholder !== null && !isEmptyValue(placeholder)
    return { section, path, type, label, placeholder, value, leftover, draft: isDraftValue(value) }
  }
  return shownPlaces(getDesign(pack, section.kind, section.design)).slots.flatMap(({ slot, type, fields }) => {
    if (type !== 'list') return [row(slot, type, toLabel(slot))]
    const items = listItems(section, placeholders, slot)
    return [
      row(slot, 'list', toLabel(slot)),
      ...items.flatMap((item, i) => fields.map((f) => row(`${slot}/${item}/${f.slot}`, f.type, `${i + 1} ${toLabel(f.slot).toLowerCase()}`))),
    ]
  })
}

function toLabel(slot: string): string {
  return (slot.charAt(0).toUpperCase() + slot.slice(1)).replace(/-/g, ' ')
}

const LEDGER_FACTS = ['name', 'tagline', 'phone', 'email', 'address', 'hours'] as const
/** Facts that templates have placeholders for. */
export type LedgerFact = (typeof LEDGER_FACTS)[number]

/** Facts that the designs in use show, and so should be the client's. */
export function shownFacts(pack: Pack, document: SiteDocument): LedgerFact[] {
  const shown = new Set<LedgerFact>()
  for (const section of [document.header, document.footer, ...document.pages.flatMap((p) => p.sections)]) {
    for (const fact of shownPlaces(getDesign(pack, section.kind, section.design)).facts) shown.add(fact === 'locality' ? 'address' : fact)
  }
  return LEDGER_FACTS.filter((f) => shown.has(f))
}

export type Leftovers = {
  readonly total: number
  /** Facts, header and footer: places that every page shares. */
  readonly everyPage: number
  readonly byPage: Readonly<Record<string, number>>
  /** Of the client's own places, how many hold draft words to be confirmed. */
  readonly drafts: number
}

/** How many places still show the template's content, each counted once. */
export function countLeftovers(pack: Pack, document: SiteDocument): Leftovers {
  const open = (section: Section): number => sectionRows(pack, document, section).filter((r) => r.leftover).length
  const facts = shownFacts(pack, document).filter((f) => document.facts[f] === undefined).length
  const everyPage = facts + open(document.header) + open(document.footer)
  const byPage = Object.fromEntries(document.pages.map((page) => [
    page.id as string,
    page.sections.reduce((sum, s) => sum + open(s), 0) + (page.description === undefined ? 1 : 0),
  ]))
  const drafts = allSections(document).reduce((sum, section) => sum + sectionRows(pack, document, section).filter((r) => r.draft).length, 0)
  return { total: everyPage + Object.values(byPage).reduce((a, b) => a + b, 0), everyPage, byPage, drafts }
}

/** A page's own texts, over the template's. */
export function pageTexts(pack: Pack, document: SiteDocument, page: Page): { readonly name: string; readonly title: string; readonly description: string } {
  const template = getTemplate(pack, document.template)
  const from = findTemplatePage(pack, document.template, page.from)?.page
  const name = page.name ?? from?.name ?? 'Page'
  const business = document.facts.name ?? template.facts.name
  const computed = page.segment === '' ? [business, document.facts.tagline].filter(Boolean).join(' – ') : `${name} – ${business}`
  return { name, title: page.title ?? computed, description: page.description ?? from?.description ?? '' }
}
