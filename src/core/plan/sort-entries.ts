import { shownEntrySlot, type ShownEntry } from '../fill'
import { own } from '../own'
import type { Pack } from '../pack'
import { compareDates, dateIn, type DateFound } from './date-in'
import { entriesAt, orderEntries, type ListAt } from './entries'
import { findSection, KINDS, plainWords, siteLanguage, type Edit, type KindSlots, type SectionKind, type SiteDocument } from '../site'

/** What the entries of a list can be sorted by. */
export type SortBy = 'name' | 'price' | 'date'

/** By what a list can be sorted: by the first of its fields with words, by price where it has one, by date where two tell of one. */
export function sortsOf(pack: Pack, document: SiteDocument, at: ListAt): readonly SortBy[] {
  const section = findSection(document, at.section)
  if (!section) return []
  const fields = fieldsOf(section.kind, at.list)
  const language = siteLanguage(document)
  const dated = entriesAt(pack, document, at).filter((entry) => dateOfEntry(entry, fields, language) !== null)
  return [
    ...(Object.values(fields).includes('text') ? (['name'] as const) : []),
    ...(own(fields, 'price') ? (['price'] as const) : []),
    ...(dated.length > 1 ? (['date'] as const) : []),
  ]
}

type Fields = Readonly<Record<string, string>>

/** The first day that an entry's short texts tell of. */
function dateOfEntry(entry: ShownEntry, fields: Fields, language: string): DateFound | null {
  for (const slot of Object.keys(fields)) {
    const value = own(fields, slot) === 'text' ? shownEntrySlot(entry, slot)?.value : null
    const found = value && dateIn(plainWords(value), language)
    if (found) return found
  }
  return null
}

function fieldsOf(kind: SectionKind, list: string): Readonly<Record<string, string>> {
  const slots: KindSlots = KINDS[kind]
  const of = own(slots, list)
  return of === undefined || typeof of === 'string' ? {} : of.list
}

/**
 * The edit that sorts a list: by name as the site's language has it (CLDR's collation; numbers in names by their size), by price, the
 * lowest first, or by date, the newest first; where no date has a year, or that is how it stands, the earliest first. What has no price or
 * no date goes last; equals stay as they stood. Null where nothing would move.
 */
export function sortEntries(pack: Pack, document: SiteDocument, at: ListAt, by: SortBy): Edit | null {
  const entries = entriesAt(pack, document, at)
  const section = findSection(document, at.section)
  if (!section) return null
  const fields = fieldsOf(section.kind, at.list)
  const slot = by === 'price' ? 'price' : (Object.keys(fields).find((name) => own(fields, name) === 'text') ?? '')
  const words = (entry: ShownEntry): string => {
    const value = shownEntrySlot(entry, slot)?.value
    return value ? plainWords(value) : ''
  }
  const order = (compare: (a: ShownEntry, b: ShownEntry) => number): Edit | null =>
    orderEntries(pack, document, at, entries.toSorted(compare))
  if (by === 'name') return order(byName(document, words))
  if (by === 'price') return order((a, b) => priceOf(words(a)) - priceOf(words(b)))
  const dates = new Map(entries.map((entry) => [entry, dateOfEntry(entry, fields, siteLanguage(document))]))
  const hasYears = [...dates.values()].some((date) => date?.year != null)
  const byDate = (sign: 1 | -1) => (a: ShownEntry, b: ShownEntry) => {
    const [x, y] = [dates.get(a) ?? null, dates.get(b) ?? null]
    return x && y ? sign * compareDates(x, y) : Number(x === null) - Number(y === null)
  }
  return (hasYears ? order(byDate(-1)) : null) ?? order(byDate(1))
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
