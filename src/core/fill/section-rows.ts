import { own } from '../own'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  entriesOf,
  isDraftValue,
  isEmptyValue,
  type Entry,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type SlotType,
  type SlotValue,
} from '../site'
import { shownEntries, type ShownEntry } from './content'
import { placeholdersOf } from './placeholders'

/** One row of the ledger: a slot with the template's content, the client's, and whether it is a leftover. */
export type LedgerRow = {
  readonly place: SlotPlace
  readonly type: SlotType | 'list'
  readonly label: string
  /** The entry that the row belongs to, and its number in the list as it stands, from 1; null outside lists. */
  readonly entry: { readonly key: string; readonly number: number; readonly hidden: boolean } | null
  readonly placeholder: SlotValue | null
  readonly value: SlotValue | null
  /** For a list, how many entries it shows and how many the template has. */
  readonly count: { readonly shown: number; readonly template: number } | null
  readonly leftover: boolean
  /** Words from a phrase bank that nobody has confirmed. */
  readonly draft: boolean
}

const rowsOf = new WeakMap<Section, { readonly pack: Pack; readonly entries: readonly Entry[]; readonly rows: readonly LedgerRow[] }>()

/**
 * The rows of one section in reading order; a list gives a row for itself and one for each field of each entry. Records
 * are never changed in place, so the rows of a section that stayed the same are those of last time.
 */
export function sectionRows(pack: Pack, document: SiteDocument, section: Section): readonly LedgerRow[] {
  const entries = entriesOf(document, section.id)
  const known = rowsOf.get(section)
  if (known?.pack === pack && known.entries === entries) return known.rows
  const rows = makeRows(pack, section, entries)
  rowsOf.set(section, { pack, entries, rows })
  return rows
}

function makeRows(pack: Pack, section: Section, entries: readonly Entry[]): LedgerRow[] {
  const placeholders = placeholdersOf(pack, section)
  const slotRow = (slot: string, type: SlotType): LedgerRow => {
    const place: SlotPlace = { type: 'slot', section: section.id, entry: null, slot }
    return {
      place,
      type,
      label: toLabel(slot),
      entry: null,
      count: null,
      ...stateOf(own(section.slots, slot), own(placeholders.slots, slot)),
    }
  }
  const entryRow = (entry: ShownEntry, i: number, slot: string, type: SlotType): LedgerRow => {
    const place: SlotPlace = { type: 'slot', section: section.id, entry: entry.ref, slot }
    const label = `${i + 1} ${toLabel(slot).toLowerCase()}`
    return {
      place,
      type,
      label,
      entry: { key: entry.key, number: i + 1, hidden: entry.hidden },
      count: null,
      ...stateOf(own(entry.slots, slot), own(entry.placeholder, slot)),
      // What nobody sees is not open.
      ...(entry.hidden && { leftover: false, draft: false }),
    }
  }
  const design = findDesign(pack, section.kind, section.design)
  if (!design) return []
  return shownPlaces(design).slots.flatMap(({ slot, type, fields }): LedgerRow[] => {
    if (type !== 'list') return [slotRow(slot, type)]
    const shown = shownEntries({ section, entries }, placeholders, slot)
    const place: SlotPlace = { type: 'slot', section: section.id, entry: null, slot }
    const value = own(section.slots, slot) ?? null
    const count = { shown: shown.length, template: own(placeholders.lists, slot)?.length ?? 0 }
    const list: LedgerRow = {
      place,
      type,
      label: toLabel(slot),
      entry: null,
      placeholder: null,
      value,
      count,
      leftover: false,
      draft: false,
    }
    return [list, ...shown.flatMap((entry, i) => fields.map((f) => entryRow(entry, i, f.slot, f.type)))]
  })
}

function stateOf(
  value: SlotValue | undefined,
  placeholder: SlotValue | undefined,
): Pick<LedgerRow, 'value' | 'placeholder' | 'leftover' | 'draft'> {
  return {
    value: value ?? null,
    placeholder: placeholder ?? null,
    leftover: value === undefined && placeholder !== undefined && !isEmptyValue(placeholder),
    draft: isDraftValue(value ?? null),
  }
}

function toLabel(slot: string): string {
  return (slot.charAt(0).toUpperCase() + slot.slice(1)).replace(/-/g, ' ')
}
