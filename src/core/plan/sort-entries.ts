import { fixedList, placeholdersOf, shownEntries, shownEntrySlot, type ShownEntry } from '../fill'
import { own } from '../own'
import type { Pack } from '../pack'
import {
  entriesOf,
  findSection,
  KINDS,
  plainWords,
  ranks,
  siteLanguage,
  toEdit,
  type Edit,
  type EditStep,
  type KindSlots,
  type SectionId,
  type SectionKind,
  type SiteDocument,
} from '../site'

/** What the entries of a list can be sorted by. */
export type SortBy = 'name' | 'price'

/** By what a kind's list can be sorted: by the first of its fields that holds words, by its price where it has one. */
export function sortsOf(kind: SectionKind, list: string): readonly SortBy[] {
  const fields = fieldsOf(kind, list)
  return [...(Object.values(fields).includes('text') ? (['name'] as const) : []), ...(own(fields, 'price') ? (['price'] as const) : [])]
}

function fieldsOf(kind: SectionKind, list: string): Readonly<Record<string, string>> {
  const slots: KindSlots = KINDS[kind]
  const of = own(slots, list)
  return of === undefined || typeof of === 'string' ? {} : of.list
}

/**
 * The edit that sorts a list: by name as the site's language has it (CLDR's collation; numbers in names by their size), or by price, the
 * lowest first. What has no price goes last; equals stay as they stood. Null where nothing would move.
 */
export function sortEntries(pack: Pack, document: SiteDocument, id: SectionId, list: string, by: SortBy): Edit | null {
  const section = findSection(document, id)
  if (!section) return null
  const content = { section, entries: entriesOf(document, id) }
  const placeholders = placeholdersOf(pack, section)
  const entries = shownEntries(content, placeholders, list)
  const fields = fieldsOf(section.kind, list)
  const slot = by === 'price' ? 'price' : (Object.keys(fields).find((name) => own(fields, name) === 'text') ?? '')
  const words = (entry: ShownEntry): string => {
    const value = shownEntrySlot(entry, slot)?.value
    return value ? plainWords(value) : ''
  }
  const sorted = entries.toSorted(by === 'price' ? (a, b) => priceOf(words(a)) - priceOf(words(b)) : byName(document, words))
  if (sorted.every((entry, i) => entry === entries[i])) return null
  const places = ranks(sorted.length)
  const moves = sorted.map(({ ref }, i): EditStep => ({ type: 'entry/move', section: id, entry: ref, rank: places[i] ?? '' }))
  return toEdit([...fixedList(content, placeholders, list), ...moves])
}

function byName(document: SiteDocument, words: (entry: ShownEntry) => string): (a: ShownEntry, b: ShownEntry) => number {
  const { compare } = new Intl.Collator(siteLanguage(document), { numeric: true, sensitivity: 'base' })
  return (a, b) => compare(words(a), words(b))
}

/** The first amount in words: `from £1,250.50`, `1.250,50 €`, `CHF 1’250.–`; infinite where there is none. */
export function priceOf(words: string): number {
  const found = /\d[\d.,’'\u00a0\u202f]{0,20}/.exec(words.replaceAll(/(?<=\d) (?=\d{3}(?!\d))/g, ''))?.[0]
  if (found === undefined) return Infinity
  const [whole, cents] = partsOf(withoutMarks(found))
  return Number(`${whole.replaceAll(/\D/g, '')}.${cents}`)
}

function withoutMarks(amount: string): string {
  let end = amount.length
  while (end > 0 && !/\d/.test(amount[end - 1] ?? '')) end--
  return amount.slice(0, end)
}

/** An amount as its whole part and its hundredths: the last comma or point parts them, if one or two digits follow it. */
function partsOf(amount: string): readonly [whole: string, cents: string] {
  const [, whole = amount, cents = '0'] = /^(.*)[.,](\d{1,2})$/.exec(amount) ?? []
  return [whole, cents]
}
