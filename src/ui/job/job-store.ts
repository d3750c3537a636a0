import { nanoid } from 'nanoid'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { AssetInfo } from '@/core/image'
import type { Pack } from '@/core/pack'
import { applyEdit, joinEdits, placeOf, pushRow, toUndoStacks, type Edit, type LogRow, type SiteDocument } from '@/core/site'
import type { JobState, OpenJob, SavedRow, SaveState } from './job-state'
import { sendEdits } from './send-edits'

export type JobStore = StoreApi<JobState> & {
  /** Makes a change; `group` joins the changes of one gesture for undo. False where the change does not fit. */
  apply: (edit: Edit, group?: string) => boolean
  undo: () => void
  redo: () => void
  addAsset: (asset: AssetInfo) => void
  /** Takes in rows from the database: replies to our own, and what other tabs did. */
  receive: (rows: readonly SavedRow[]) => void
  /** Starts over from the database's own state, and makes what was pending on that. */
  restart: (job: OpenJob) => void
  setSaveState: (saveState: SaveState) => void
  setTrouble: (trouble: string | null) => void
  close: () => void
}

export function createJobStore(job: OpenJob, pack: Pack): JobStore {
  const stacks = toUndoStacks(job.rows)
  const store = createStore<JobState>(() => ({
    id: job.id, pack, saved: job.document, revision: job.revision, pending: [], document: job.document,
    savedStacks: stacks, stacks, assets: job.assets, saveState: 'saved', stepped: null, trouble: null,
  }))
  const sender = sendEdits(job.id, store.getState, {
    receive: (rows) => receive(rows),
    restart: (fresh) => restart(fresh),
    setSaveState: (saveState) => store.getState().saveState !== saveState && store.setState({ saveState }),
    setTrouble: (trouble) => store.setState({ trouble }),
    drop: (ids) => rebase(store.getState().saved, store.getState().pending.filter((row) => !ids.includes(row.id))),
  })

  const append = (edit: Edit, group: string, mark: LogRow['mark']): boolean => {
    const state = store.getState()
    const applied = applyEdit(state.document, edit)
    if (!applied.ok) return false
    const row: LogRow = { id: nanoid(), edit, inverse: applied.inverse, group, mark }
    const last = state.pending.at(-1)
    const joins = last && mark === 'do' && last.mark === 'do' && last.group === group && !sender.isSending(last.id) && samePlace(last.edit, edit)
    const pending = joins ? [...state.pending.slice(0, -1), { ...row, id: last.id, inverse: joinEdits(row.inverse, last.inverse) }] : [...state.pending, row]
    store.setState({ document: applied.document, pending, stacks: pushRow(state.stacks, row), saveState: state.saveState === 'waiting' ? 'waiting' : 'saving' })
    sender.wake()
    return true
  }

  const rebase = (saved: SiteDocument, pending: readonly LogRow[], more: Partial<JobState> = {}): void => {
    const kept: LogRow[] = []
    let document = saved
    for (const row of pending) {
      const applied = applyEdit(document, row.edit)
      if (!applied.ok) {
        store.setState({ trouble: 'A change made here could not be kept, because another tab had taken its place away.' })
        continue
      }
      document = applied.document
      kept.push({ ...row, inverse: applied.inverse })
    }
    const savedStacks = more.savedStacks ?? store.getState().savedStacks
    store.setState({ ...more, saved, pending: kept, document, savedStacks, stacks: kept.reduce(pushRow, savedStacks) })
  }

  const receive = (rows: readonly SavedRow[]): void => {
    const state = store.getState()
    const fresh = rows.filter((row) => row.revision > state.revision)
    if (fresh.length === 0) return
    let { saved, savedStacks } = state
    for (const row of fresh) {
      const applied = applyEdit(saved, row.edit)
      if (!applied.ok) throw new Error(`Row ${row.revision} from the database does not fit: ${applied.problem.code}`)
      saved = applied.document
      savedStacks = pushRow(savedStacks, row)
    }
    const known = new Set(fresh.map((row) => row.id))
    const pending = state.pending.filter((row) => !known.has(row.id))
    const revision = fresh.at(-1)?.revision ?? state.revision
    // Our own rows came back and nothing else happened: the document on the screen is already right.
    if (fresh.every((row) => state.pending.some((p) => p.id === row.id))) store.setState({ saved, revision, pending, savedStacks, stacks: pending.reduce(pushRow, savedStacks) })
    else rebase(saved, pending, { revision, savedStacks })
  }

  const restart = (fresh: OpenJob): void => {
    const known = new Set(fresh.rows.map((row) => row.id))
    rebase(fresh.document, store.getState().pending.filter((row) => !known.has(row.id)), {
      revision: fresh.revision, savedStacks: toUndoStacks(fresh.rows), assets: { ...fresh.assets, ...store.getState().assets },
    })
  }

  const step = (from: 'undo' | 'redo') => (): void => {
    const top = store.getState().stacks[from].at(-1)
    if (top && append(top.edit, top.group, from)) store.setState({ stepped: top.edit })
  }

  return Object.assign(store, {
    apply: (edit: Edit, group: string = nanoid()) => append(edit, group, 'do'),
    undo: step('undo'),
    redo: step('redo'),
    addAsset: (asset: AssetInfo) => store.setState((state) => ({ assets: { ...state.assets, [asset.id]: asset } })),
    receive,
    restart,
    setSaveState: (saveState: SaveState) => store.setState({ saveState }),
    setTrouble: (trouble: string | null) => store.setState({ trouble }),
    close: sender.close,
  })
}

function samePlace(a: Edit, b: Edit): boolean {
  return a.type !== 'batch' && b.type !== 'batch' && placeOf(a) !== null && placeOf(a) === placeOf(b)
}
