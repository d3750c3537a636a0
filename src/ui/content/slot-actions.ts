import { nanoid } from 'nanoid'
import { toast } from 'sonner'
import { fixedList, placeholdersOf, planPour, sectionRows, shownEntries, type LedgerRow, type Pour, type ShownEntry } from '@/core/fill'
import {
  confirmedValue,
  emptyValue,
  entriesOf,
  findSection,
  naturalRank,
  placeKey,
  rankBetween,
  refOf,
  type EditStep,
  type EntryId,
  type Place,
  type Section,
  type SlotPlace,
  type SlotValue,
} from '@/core/site'
import { sortEntries, sortsOf } from '@/core/plan'
import { ApiError, uploadPicture } from '../job/api'
import type { JobStore } from '../job/job-store'
import { count } from '../parts/words'
import { notice, refusal } from '../parts/notice'
import type { SlotActions } from './slot-row'
import { nameTarget } from './word-settings'

/** What rows ask of the screen that they stand on. */
export type Reach = {
  readonly hold: (place: Place) => void
  readonly go: (place: Place) => void
  /** Says what would go where; null where nothing of what was pasted has a place. */
  readonly pour: (pour: Pour | null, from: Place) => void
}

/** What the rows of slots do, as edits. */
export function makeSlotActions(
  store: JobStore,
  gesture: (place: string) => string,
  reach: Reach,
  setBusy: (key: string, busy: boolean) => void,
): SlotActions {
  return {
    // Whatever a hand sets is the client's own, and no draft any more.
    set: (row, value) => {
      const isTyped = value?.type === 'text' || value?.type === 'rich' || value?.type === 'link'
      store.apply(setSlot(row.place, value && confirmedValue(value)), isTyped ? gesture(placeKey(row.place)) : undefined)
    },
    target: (row, to) => nameTarget(store, to, gesture(placeKey(row.place))),
    lead: (row, value) => {
      const name = gesture(`${placeKey(row.place)} leads`)
      nameTarget(store, value.to, name)
      store.apply(setSlot(row.place, confirmedValue(value)), name)
    },
    hold: (row) => reach.hold(row.place),
    file: (row, file) => void putPicture(store, row.place, file, setBusy),
    spare: (row) => {
      if (row.type === 'list') dropEntries(store, row)
      else store.apply(setSlot(row.place, emptyValue(row.type)))
    },
    confirm: (row) => {
      if (row.value) store.apply(setSlot(row.place, confirmedValue(row.value)))
    },
    pour: (row, table) => {
      const { document, pack } = store.getState()
      reach.pour(planPour(pack, document, row.place, table, newEntryId), row.place)
    },
    addItem: (row) => addEntry(store, row, reach.go),
    sortItems: (row, by) => {
      const { pack, document } = store.getState()
      const edit = sortEntries(pack, document, row.place.section, row.place.slot, by)
      if (edit) store.apply(edit)
      else toast('The entries stand in that order already.')
    },
    sortsOf: ({ place }) => {
      const section = findSection(store.getState().document, place.section)
      return section ? sortsOf(section.kind, place.slot) : []
    },
    removeItem: (row) => changeEntry(store, row, ({ section }, entry) => ({ type: 'entry/remove', section: section.id, entry: entry.ref })),
    resetList: (row) => resetList(store, row),
    moveItem: (row, by) => changeEntry(store, row, (list, entry) => moveEntry(list, entry, by)),
  }
}

function setSlot({ section, entry, slot }: SlotPlace, value: SlotValue | null): EditStep {
  return { type: 'slot/set', section, entry, slot, value }
}

/** A list with its entries as they stand, and the step that fixes how many of the template's it begins with. */
type List = { readonly section: Section; readonly entries: readonly ShownEntry[]; readonly fixed: readonly EditStep[] }

function listAt(store: JobStore, place: SlotPlace, list: string): List | null {
  const { document, pack } = store.getState()
  const section = findSection(document, place.section)
  if (!section) return null
  const content = { section, entries: entriesOf(document, section.id) }
  const placeholders = placeholdersOf(pack, section)
  return { section, entries: shownEntries(content, placeholders, list), fixed: fixedList(content, placeholders, list) }
}

function newEntryId(): EntryId {
  return nanoid(10).replace(/^[-_]/, 'e') as EntryId
}

/** Adds an entry after the one that a row belongs to, or at the end of the list that it is, and goes to its first place. */
function addEntry(store: JobStore, row: LedgerRow, go: (place: Place) => void): void {
  const name = row.place.entry?.list ?? row.place.slot
  const list = listAt(store, row.place, name)
  if (!list) return
  const entry = { list: name, id: newEntryId() }
  const at = row.entry ? list.entries.findIndex((e) => e.key === row.entry?.key) : list.entries.length - 1
  const rank = rankBetween(list.entries[at]?.rank ?? null, list.entries[at + 1]?.rank ?? null)
  const { section } = list
  const added = store.apply({
    type: 'batch',
    edits: [...list.fixed, { type: 'entry/insert', section: section.id, entry, rank, slots: {} }],
  })
  if (added === null) return
  const { document, pack } = store.getState()
  const now = findSection(document, section.id)
  const first = now && sectionRows(pack, document, now).find((r) => r.entry?.key === entry.id)
  if (first) go(first.place)
}

/** Takes every entry of a list out: the client has nothing of the kind. */
function dropEntries(store: JobStore, { place }: LedgerRow): void {
  const list = listAt(store, place, place.slot)
  if (!list) return
  const gone = list.entries.map(({ ref }): EditStep => ({ type: 'entry/remove', section: list.section.id, entry: ref }))
  store.apply({ type: 'batch', edits: [...list.fixed, ...gone] })
}

function changeEntry(store: JobStore, row: LedgerRow, change: (list: List, entry: ShownEntry) => EditStep | null): void {
  const list = row.place.entry && listAt(store, row.place, row.place.entry.list)
  const entry = list?.entries.find((e) => e.key === row.entry?.key)
  const step = list && entry ? change(list, entry) : null
  if (list && step) store.apply({ type: 'batch', edits: [...list.fixed, step] })
}

/** The template's entries again, in its order; those that were added leave. */
function resetList(store: JobStore, { place }: LedgerRow): void {
  const records = entriesOf(store.getState().document, place.section).filter((e) => e.in.list === place.slot)
  const back = records.flatMap((record): EditStep[] => {
    const at = { section: place.section, entry: refOf(record) }
    if (record.nth === null) return [{ type: 'entry/remove', ...at }]
    const rank = naturalRank(record.nth)
    if (record.gone) return [{ type: 'entry/insert', ...at, rank, slots: {} }]
    return record.rank === rank ? [] : [{ type: 'entry/move', ...at, rank }]
  })
  store.apply({ type: 'batch', edits: [...back, setSlot(place, null)] })
}

function moveEntry({ section, entries }: List, entry: ShownEntry, by: -1 | 1): EditStep | null {
  const at = entries.indexOf(entry)
  const to = at + by
  if (to < 0 || to >= entries.length) return null
  const [before, after] = by < 0 ? [entries[to - 1], entries[to]] : [entries[to], entries[to + 1]]
  return { type: 'entry/move', section: section.id, entry: entry.ref, rank: rankBetween(before?.rank ?? null, after?.rank ?? null) }
}

/** Sends a picture and puts it into its place; its alternative text is the client's to write, so it begins empty. */
export async function putPicture(
  store: JobStore,
  place: SlotPlace,
  file: File,
  setBusy: (key: string, busy: boolean) => void,
): Promise<void> {
  const key = placeKey(place)
  setBusy(key, true)
  try {
    const asset = await uploadPicture(store.getState().id, file)
    store.addAsset(asset)
    store.apply(setSlot(place, { type: 'image', asset: asset.id, alt: '' }))
  } catch (error) {
    const words = error instanceof ApiError ? error.message : `“${file.name}” could not be read. Choose it again.`
    refusal(words)
  } finally {
    setBusy(key, false)
  }
}

/** What was pasted goes where it was said to go; one edit, one undo. */
export function applyPour(store: JobStore, { edits, placed, left }: Pour): void {
  const gesture = store.apply({ type: 'batch', edits })
  if (gesture === null) return
  const rest = left > 0 ? ` ${count(left, 'cell')} had no place.` : ''
  notice(`Filled ${count(placed.length, 'place')}.${rest}`, 'Undo', () => void store.undo(gesture))
}
