import { nanoid } from 'nanoid'
import { toast } from 'sonner'
import { listItems, sectionPlaceholders, sectionRows, type LedgerRow } from '@/core/pack'
import { confirmedValue, findSection, richFromPlain, type EditStep, type SectionId, type SlotValue } from '@/core/site'
import { ApiError, uploadPicture } from '../job/api'
import type { JobStore } from '../job/job-store'
import { count } from '../parts/words'
import type { SlotActions } from './slot-row'
import type { RowPlace } from './tabs'

/** What the rows of slots do, as edits. */
export function makeSlotActions(store: JobStore, gesture: (place: string) => string, hold: (place: RowPlace) => void, setBusy: (key: string, busy: boolean) => void): SlotActions {
  // Whatever a hand sets is the client's own, and no draft any more.
  const set = (row: LedgerRow, value: SlotValue | null): void => {
    const key = `${row.section.id} ${row.path}`
    store.apply({ type: 'slot/set', section: row.section.id, slot: row.path, value: value && confirmedValue(value) }, value?.type === 'text' || value?.type === 'rich' || value?.type === 'link' ? gesture(key) : undefined)
  }
  const reorder = (row: LedgerRow, change: (order: readonly string[]) => readonly string[]): void => {
    const { document, pack } = store.getState()
    const section = findSection(document, row.section.id)
    if (!section) return
    const list = row.path.split('/')[0] ?? ''
    const order = change(listItems(section, sectionPlaceholders(pack, document, section), list))
    store.apply({ type: 'slot/set', section: section.id, slot: list, value: { type: 'list', order } })
  }
  return {
    set,
    hold: (row) => hold({ type: 'slot', section: row.section.id, slot: row.path }),
    file: (row, file) => void putPicture(store, row.section.id, row.path, file, setBusy),
    confirm: (row) => { if (row.value) store.apply({ type: 'slot/set', section: row.section.id, slot: row.path, value: confirmedValue(row.value) }) },
    pour: (row, lines) => pour(store, row, lines),
    addItem: (row) => reorder(row, (order) => [...order, nanoid(6)]),
    removeItem: (row) => reorder(row, (order) => order.filter((id) => id !== row.path.split('/')[1])),
    moveItem: (row, by) => reorder(row, (order) => {
      const at = order.indexOf(row.path.split('/')[1] ?? '')
      const to = at + by
      if (at < 0 || to < 0 || to >= order.length) return order
      const next = order.filter((_, i) => i !== at)
      return [...next.slice(0, to), order[at] ?? '', ...next.slice(to)]
    }),
  }
}

/** Sends a picture and puts it into its place; its alternative text is the client's to write, so it begins empty. */
export async function putPicture(store: JobStore, section: SectionId, slot: string, file: File, setBusy: (key: string, busy: boolean) => void): Promise<void> {
  const key = `${section} ${slot}`
  setBusy(key, true)
  try {
    const asset = await uploadPicture(store.getState().id, file)
    store.addAsset(asset)
    store.apply({ type: 'slot/set', section, slot, value: { type: 'image', asset: asset.id, alt: '' } })
  } catch (error) {
    toast.error(error instanceof ApiError ? error.message : `“${file.name}” could not be read. Choose it again.`, { duration: 12_000 })
  } finally {
    setBusy(key, false)
  }
}

/** Several pasted lines fill the place in hand and the text places after it in the same section; one edit, one undo. */
function pour(store: JobStore, row: LedgerRow, lines: readonly string[]): void {
  const { document, pack } = store.getState()
  const section = findSection(document, row.section.id)
  if (!section) return
  const rows = sectionRows(pack, document, section)
  const places = rows.slice(rows.findIndex((r) => r.path === row.path)).filter((r) => r.type === 'text' || r.type === 'rich')
  const edits = places.slice(0, lines.length).map((r, i): EditStep => {
    const text = lines[i] ?? ''
    return { type: 'slot/set', section: section.id, slot: r.path, value: r.type === 'rich' ? { type: 'rich', rich: richFromPlain(text) } : { type: 'text', text: text.slice(0, 5000) } }
  })
  store.apply({ type: 'batch', edits })
  const rest = lines.length - edits.length
  toast(`Filled ${count(edits.length, 'place')} in this section.${rest > 0 ? ` ${count(rest, 'line')} had no place left.` : ''} Undo takes it back.`)
}
