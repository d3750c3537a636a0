import { memoBy } from '../memo'
import { own } from '../own'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  findSlotType,
  isDraftValue,
  isEmptyValue,
  type Same,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type SlotType,
  type SlotValue,
} from '../site'
import { keptAt, shownEntries, type Content, type ShownEntry } from './content'
import { contentOf } from './content-of'

/** One row of the ledger: a slot with the template's content, the client's, and whether it is a leftover. */
export type LedgerRow = {
  /** Where its value is kept: what is written there is shown here. */
  readonly place: SlotPlace
  /** Where it stands: in another section than its place where it follows one there. */
  readonly stands: SlotPlace
  /** What it follows by its own word; null where it follows none, or its whole list does. */
  readonly same: Same | null
  readonly type: SlotType | 'list'
  readonly label: string
  /** The entry that the row belongs to, and its number in the list as it stands, from 1; null outside lists. */
  readonly entry: { readonly key: string; readonly number: number; readonly hidden: boolean } | null
  readonly placeholder: SlotValue | null
  readonly value: SlotValue | null
  /** For a list, how many entries it shows, how many the template has, and of one that follows another, how many there are to show. */
  readonly count: { readonly shown: number; readonly template: number; readonly there: number } | null
  readonly leftover: boolean
  /** Words from a phrase bank that nobody has confirmed. */
  readonly draft: boolean
}

/**
 * The rows of one section in reading order; a list gives a row for itself and one for each field of each entry. Records
 * are never changed in place, so the rows of a section that stayed the same are those of last time.
 */
export function sectionRows(pack: Pack, document: SiteDocument, section: Section): readonly LedgerRow[] {
  return rowsOf(pack, contentOf(pack, document, section))
}

const rowsOf = memoBy((_: Pack, content: Content) => [content], makeRows)

function makeRows(pack: Pack, content: Content): LedgerRow[] {
  const { section, slots, placeholders } = content
  const slotRow = (slot: string, type: SlotType): LedgerRow => {
    return {
      ...placedAt(content, null, slot, null),
      type,
      label: toLabel(slot),
      entry: null,
      count: null,
      ...stateOf(own(slots, slot), own(placeholders.slots, slot)),
      ...(own(content.from, slot) && COUNTED_THERE),
    }
  }
  const entryRow = (list: string, entry: ShownEntry, i: number, slot: string, type: SlotType): LedgerRow => {
    const label = `${i + 1} ${toLabel(slot).toLowerCase()}`
    return {
      ...placedAt(content, entry, slot, list),
      type,
      label,
      entry: { key: entry.key, number: i + 1, hidden: entry.hidden },
      count: null,
      ...stateOf(own(entry.slots, slot), own(entry.placeholder, slot)),
      // What nobody sees is not open; what is kept elsewhere is open there.
      ...((entry.hidden || own(content.from, list) || own(entry.from, slot)) && COUNTED_THERE),
    }
  }
  const design = findDesign(pack, section.kind, section.design)
  if (!design) return []
  return shownPlaces(design).slots.flatMap(({ slot, type, fields }): LedgerRow[] => {
    if (type !== 'list') return [slotRow(slot, type)]
    const shown = shownEntries(content, slot)
    const value = own(slots, slot) ?? null
    const count = {
      shown: shown.length,
      template: own(placeholders.lists, slot)?.length ?? 0,
      there: own(content.there, slot) ?? shown.length,
    }
    const list: LedgerRow = {
      ...placedAt(content, null, slot, null),
      type,
      label: toLabel(slot),
      entry: null,
      placeholder: null,
      value,
      count,
      leftover: false,
      draft: false,
    }
    return [list, ...shown.flatMap((entry, i) => fieldsOf(entry, fields).map((f) => entryRow(slot, entry, i, f.slot, f.type)))]
  })
}

/** The fields that an entry has; one of another kind of list may have fewer. */
function fieldsOf<T extends { readonly slot: string }>({ kind, ref, block }: ShownEntry, fields: readonly T[]): readonly T[] {
  return fields.filter(({ slot }) => findSlotType(kind, ref.list, slot, block) !== null)
}

const COUNTED_THERE = { leftover: false, draft: false } as const

type Placed = Pick<LedgerRow, 'place' | 'stands' | 'same'>

/** Where a slot is kept, where it stands, and what it follows; `list` is the one that the entry is shown in. */
function placedAt(content: Content, entry: ShownEntry | null, slot: string, list: string | null): Placed {
  const place: SlotPlace = { type: 'slot', ...keptAt(content, entry, slot) }
  const kept = own(entry?.from ?? content.from, slot)
  const isElsewhere = kept || (list !== null && own(content.from, list))
  if (!isElsewhere) return { place, stands: place, same: null }
  const ref = entry && list !== null ? { ...entry.ref, list } : null
  return { place, stands: { type: 'slot', section: content.section.id, entry: ref, slot }, same: kept?.same ?? null }
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
