import { own } from '../../own'
import {
  byRank,
  cellAt,
  entriesOf,
  findSection,
  followedFrom,
  MAX_ENTRIES,
  naturalRank,
  ownValues,
  refOf,
  slotTypeAt,
  type Entry,
  type EntryId,
  type EntryRef,
  type Follower,
  type Same,
  type Section,
  type SiteDocument,
  type Slots,
  type Spot,
} from '../document'
import { findSlotType } from '../kinds'
import { firstFree } from './settle-pages'
import { untouchedEntry } from './slot-set'
import type { EditStep } from './step-type'

/**
 * The steps that part a slot from what it follows: it says of its own what it showed. Where the other follows a third, so does it now.
 * `there` is the document in which the other still is; entries that were added to it come under new ids.
 */
export function partSteps(there: SiteDocument, { spot, same }: Follower, newId: (id: string) => EntryId): readonly EditStep[] {
  const at = followedFrom(there, spot)[1]
  const section = findSection(there, spot.section)
  if (!at || !section) return [setStep(spot, same.own)]
  const cell = cellAt(there, at) ?? null
  if (cell?.type === 'same') return [setStep(spot, { ...cell, ...leastOf(same, cell), own: same.own })]
  if (slotTypeAt(there, spot) !== 'list') return [setStep(spot, cell)]
  return partList(there, { section, list: spot.slot, at, show: same.show ?? null }, newId)
}

function setStep(spot: Spot, value: Extract<EditStep, { type: 'slot/set' }>['value']): EditStep {
  return { type: 'slot/set', ...spot, value }
}

function leastOf(a: Same, b: Same): { readonly show?: number } {
  const least = Math.min(a.show ?? Infinity, b.show ?? Infinity)
  return least === Infinity ? {} : { show: least }
}

type Parted = { readonly section: Section; readonly list: string; readonly at: Spot; readonly show: number | null }

/** What a list had of its own leaves, and the entries that it showed come; of those that nobody has touched, as many as it showed. */
function partList(there: SiteDocument, { section, list, at, show }: Parted, newId: (id: string) => EntryId): readonly EditStep[] {
  const cell = cellAt(there, at)
  const known = cell?.type === 'list' ? cell.of : null
  const records = entriesOf(there, at.section).filter((entry) => entry.in.list === at.slot)
  const all = known === null ? records : [...untouched(records, at, known), ...records]
  const shown = all
    .filter((entry) => !entry.gone && !entry.hidden)
    .sort(byRank)
    .slice(0, show ?? MAX_ENTRIES)
  const mine = entriesOf(there, section.id).filter((entry) => entry.in.list === list)
  return [
    setStep({ section: section.id, entry: null, slot: list }, null),
    ...mine.flatMap((entry) => withoutOwn(section, entry)),
    // Where the list was never arranged its entries keep their numbers: those that nobody filled are the template's here too.
    ...shown.flatMap((entry) => entryHere(section, list, entry, known === null && (show === null || (entry.nth ?? 0) <= show), newId)),
    ...(known === null
      ? show === null
        ? []
        : [setStep({ section: section.id, entry: null, slot: list }, { type: 'list', of: show })]
      : [setStep({ section: section.id, entry: null, slot: list }, { type: 'list', of: 0 })]),
  ]
}

/** The template's own entries of an arranged list that have no record. */
function untouched(records: readonly Entry[], at: Spot, count: number): readonly Entry[] {
  const taken = new Set(records.map(({ nth }) => nth))
  return Array.from({ length: count }, (_, i) => i + 1)
    .filter((nth) => !taken.has(nth))
    .map((nth) => untouchedEntry(at.section, { list: at.slot, nth }))
}

function withoutOwn({ id: section }: Section, entry: Entry): readonly EditStep[] {
  const at = { section, entry: refOf(entry) }
  if (entry.nth === null) return [{ type: 'entry/remove', ...at }]
  return [
    ...(entry.gone ? [{ type: 'entry/insert', ...at, rank: naturalRank(entry.nth), slots: {} } as const] : []),
    ...Object.keys(entry.slots).map((slot) => setStep({ ...at, slot }, null)),
    ...(entry.hidden ? [{ type: 'entry/set', ...at, part: 'hidden', value: null } as const] : []),
    ...(entry.gone || entry.rank === naturalRank(entry.nth) ? [] : [{ type: 'entry/move', ...at, rank: naturalRank(entry.nth) } as const]),
  ]
}

function entryHere(
  section: Section,
  list: string,
  entry: Entry,
  keepsNumber: boolean,
  newId: (id: string) => EntryId,
): readonly EditStep[] {
  const slots = slotsHere(section, list, entry)
  if (entry.nth !== null && keepsNumber) {
    const ref: EntryRef = { list, nth: entry.nth }
    return Object.entries(slots).map(([slot, value]) => setStep({ section: section.id, entry: ref, slot }, value))
  }
  return [
    {
      type: 'entry/insert',
      section: section.id,
      entry: { list, id: newId(entry.id) },
      rank: entry.rank,
      ...(entry.block && { block: entry.block }),
      slots,
    },
  ]
}

/** What of an entry has a place in a list of another kind of section. */
function slotsHere({ kind }: Section, list: string, { slots, block }: Entry): Slots {
  const values = ownValues(slots)
  const fits = Object.entries(slots).filter(([slot]) => {
    const type = findSlotType(kind, list, slot, block)
    return type !== null && type === (own(values, slot)?.type ?? type)
  })
  return Object.fromEntries(fits)
}

/** The entry's own id where it is free, else one made of it; the template's own have keys with blanks, which are no ids. */
export function freeEntryId({ entries }: Pick<SiteDocument, 'entries'>, key: string): EntryId {
  const id = key
    .replaceAll(' ', '-')
    .slice(-56)
    .replace(/^[^A-Za-z0-9]+/, '')
  return firstFree(id, (name) => own(entries, name) !== undefined) as EntryId
}
