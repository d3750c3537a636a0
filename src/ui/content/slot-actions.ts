import { nanoid } from 'nanoid'
import { toast } from 'sonner'
import { planPasteFill, sectionRows, type LedgerRow, type PastedTable, type PasteFill } from '@/core/fill'
import { actOnEntries, addEntry, entriesAt, resetEntries, sortEntries, sortsOf, type EntryAct, type ListAt, type SortBy } from '@/core/plan'
import {
  confirmedValue,
  emptyValue,
  findSection,
  placeKey,
  type EditStep,
  type EntryId,
  type LinkTarget,
  type Place,
  type SlotPlace,
  type SlotValue,
  type SlotValueOf,
} from '@/core/site'
import { sentenceOf, uploadPicture } from '../request/api'
import type { JobStore } from '../job/job-store'
import { count } from '../parts/words'
import { notice, refusal } from '../parts/notice'
import { nameTarget } from './word-settings'

/** What the rows of slots can do. */
export type SlotActions = {
  readonly set: (row: LedgerRow, value: SlotValue | null) => void
  /** Words are about to lead somewhere. */
  readonly target: (row: LedgerRow, to: LinkTarget) => void
  /** Leads a button somewhere: a step of its own beside what is typed on it. */
  readonly lead: (row: LedgerRow, value: SlotValueOf<'link'>) => void
  readonly file: (row: LedgerRow, file: File) => void
  readonly pour: (row: LedgerRow, table: PastedTable) => void
  readonly hold: (row: LedgerRow) => void
  /** Goes to where the place's value is kept. */
  readonly goTo: (row: LedgerRow) => void
  /** Says that the place, or the whole list, is not needed: nothing stands there. */
  readonly spare: (row: LedgerRow) => void
  readonly confirm: (row: LedgerRow) => void
  readonly addItem: (row: LedgerRow) => void
  /** Puts the entries of a list in order. */
  readonly sortItems: (row: LedgerRow, by: SortBy) => void
  /** By what a list can be sorted. */
  readonly sortsOf: (row: LedgerRow) => readonly SortBy[]
  /** Does something with the entry that a row belongs to. */
  readonly actOnItem: (row: LedgerRow, act: EntryAct) => void
  /** Takes out what was done with a list by hand: it has the template's entries again. */
  readonly resetList: (row: LedgerRow) => void
}

/** What rows ask of the screen that they stand on. */
export type Reach = {
  readonly hold: (place: Place) => void
  readonly go: (place: Place) => void
  /** Takes a place in hand where it is kept, on whatever page. */
  readonly open: (place: Place) => void
  /** Says what would go where; null where nothing of what was pasted has a place. */
  readonly pour: (pour: PasteFill | null, from: Place) => void
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
    goTo: (row) => reach.open(row.place),
    file: (row, file) => void putPicture(store, row.place, file, setBusy),
    spare: (row) => {
      if (row.type === 'list') act(store, row, 'out')
      else store.apply(setSlot(row.place, emptyValue(row.type)))
    },
    confirm: (row) => {
      if (row.value) store.apply(setSlot(row.place, confirmedValue(row.value)))
    },
    pour: (row, table) => {
      const { document, pack } = store.getState()
      reach.pour(planPasteFill(pack, document, row.place, table, newEntryId), row.place)
    },
    addItem: (row) => addAndGo(store, row, reach.go),
    sortItems: (row, by) => {
      const { pack, document } = store.getState()
      const edit = sortEntries(pack, document, listOf(row), by)
      if (edit) store.apply(edit)
      else toast('The entries stand in that order already.')
    },
    sortsOf: (row) => {
      const { document, pack } = store.getState()
      return sortsOf(pack, document, listOf(row))
    },
    actOnItem: (row, how) => act(store, row, how),
    resetList: (row) => store.apply(resetEntries(store.getState().document, listOf(row))),
  }
}

function setSlot({ section, entry, slot }: SlotPlace, value: SlotValue | null): EditStep {
  return { type: 'slot/set', section, entry, slot, value }
}

export function newEntryId(): EntryId {
  return nanoid(10).replace(/^[-_]/, 'e') as EntryId
}

function listOf({ place }: LedgerRow): ListAt {
  return { section: place.section, list: place.entry?.list ?? place.slot }
}

/** Adds an entry after the one that a row belongs to, or at the end of the list that it is, and goes to its first place. */
function addAndGo(store: JobStore, row: LedgerRow, go: (place: Place) => void): void {
  const { document, pack } = store.getState()
  const id = newEntryId()
  const edit = addEntry(pack, document, listOf(row), row.entry?.key ?? null, id)
  if (!edit || store.apply(edit) === null) return
  const now = store.getState()
  const section = findSection(now.document, row.place.section)
  const first = section && sectionRows(now.pack, now.document, section).find((r) => r.entry?.key === id)
  if (first) go(first.place)
}

/** Does something with the entry that a row belongs to, or with all entries of the list that it is. */
function act(store: JobStore, row: LedgerRow, how: EntryAct): void {
  const { document, pack } = store.getState()
  const list = listOf(row)
  const keys = row.entry ? [row.entry.key] : entriesAt(pack, document, list).map(({ key }) => key)
  const edit = actOnEntries(pack, document, list, keys, how, newEntryId)
  if (edit) store.apply(edit)
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
    refusal(sentenceOf(error, `“${file.name}” could not be read. Choose it again.`))
  } finally {
    setBusy(key, false)
  }
}

/** What was pasted goes where it was said to go; one edit, one undo. */
export function applyPour(store: JobStore, { edits, placed, left }: PasteFill): void {
  const gesture = store.apply({ type: 'batch', edits })
  if (gesture === null) return
  const rest = left > 0 ? ` ${count(left, 'cell')} had no place.` : ''
  notice(`Filled ${count(placed.length, 'place')}.${rest}`, 'Undo', () => void store.undo(gesture))
}
