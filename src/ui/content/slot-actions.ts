import { nanoid } from 'nanoid'
import { toast } from 'sonner'
import { baseCount, placeholdersOf, sectionRows, shownEntries, type LedgerRow, type ShownEntry } from '@/core/fill'
import {
  confirmedValue,
  emptyValue,
  entriesOf,
  findSection,
  MAX_TEXT,
  naturalRank,
  placeKey,
  rankBetween,
  refOf,
  richFromPlain,
  samePlace,
  type EditStep,
  type EntryId,
  type Place,
  type Section,
  type SlotPlace,
  type SlotValue,
} from '@/core/site'
import { ApiError, uploadPicture } from '../job/api'
import type { JobStore } from '../job/job-store'
import { count } from '../parts/words'
import type { SlotActions } from './slot-row'

/** What the rows of slots do, as edits. */
export function makeSlotActions(
  store: JobStore,
  gesture: (place: string) => string,
  reach: { readonly hold: (place: Place) => void; readonly go: (place: Place) => void },
  setBusy: (key: string, busy: boolean) => void,
): SlotActions {
  return {
    // Whatever a hand sets is the client's own, and no draft any more.
    set: (row, value) => {
      const isTyped = value?.type === 'text' || value?.type === 'rich' || value?.type === 'link'
      store.apply(setSlot(row.place, value && confirmedValue(value)), isTyped ? gesture(placeKey(row.place)) : undefined)
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
    pour: (row, lines) => pour(store, row, lines),
    addItem: (row) => addEntry(store, row, reach.go),
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
  // From the first arranging by hand on, a list is the client's own, and no other template makes it longer or shorter.
  const of = baseCount(content, placeholders, list)
  const own: SlotPlace = { type: 'slot', section: section.id, entry: null, slot: list }
  const fixed = section.slots[list] ? [] : [setSlot(own, { type: 'list', of })]
  return { section, entries: shownEntries(content, placeholders, list), fixed }
}

/** Adds an entry after the one that a row belongs to, or at the end of the list that it is, and goes to its first place. */
function addEntry(store: JobStore, row: LedgerRow, go: (place: Place) => void): void {
  const name = row.place.entry?.list ?? row.place.slot
  const list = listAt(store, row.place, name)
  if (!list) return
  const entry = { list: name, id: nanoid(10).replace(/^[-_]/, 'e') as EntryId }
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
    toast.error(words, { duration: 12_000 })
  } finally {
    setBusy(key, false)
  }
}

/** Several pasted lines fill the place in hand and the text places after it in the same section; one edit, one undo. */
function pour(store: JobStore, row: LedgerRow, lines: readonly string[]): void {
  const { document, pack } = store.getState()
  const section = findSection(document, row.place.section)
  if (!section) return
  const rows = sectionRows(pack, document, section)
  const from = rows.findIndex((r) => samePlace(r.place, row.place))
  const places = rows.slice(from).filter((r) => r.type === 'text' || r.type === 'rich')
  const edits = places.slice(0, lines.length).map((r, i): EditStep => {
    const text = lines[i] ?? ''
    return setSlot(
      r.place,
      r.type === 'rich' ? { type: 'rich', rich: richFromPlain(text) } : { type: 'text', text: text.slice(0, MAX_TEXT) },
    )
  })
  const gesture = store.apply({ type: 'batch', edits })
  if (gesture === null) return
  const rest = lines.length - edits.length
  const left = rest > 0 ? ` ${count(rest, 'line')} had no place left.` : ''
  toast(`Filled ${count(edits.length, 'place')} in this section.${left}`, {
    action: { label: 'Undo', onClick: () => void store.undo(gesture) },
  })
}
