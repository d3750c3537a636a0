import { nanoid } from 'nanoid'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { AssetInfo } from '@/core/image'
import type { TemplateLibrary } from '@/core/pack'
import type { Appended, HistoryPage, OpenJob, SavedRow } from '@/core/replies'
import {
  applyEdit,
  fitValue,
  gestureFor,
  gesturesOf,
  isSame,
  mergeEdits,
  placeOfEdit,
  redoable,
  takeBack,
  undoable,
  wordsOfEdit,
  type Edit,
  type LogRow,
  type SiteDocument,
} from '@/core/site'
import { apart } from '../parts/tell-each'
import type { JobState, PendingRow, SaveState } from './job-state'
import type { Outbox } from './outbox'
import { applyPending } from './rebase'
import { startSync, type Wait } from './sync'
import type { Transport } from './transport'

export type JobStore = StoreApi<JobState> & {
  /** Makes a change; `gesture` joins the changes of what a person does in one go. Null where it does not fit, else the gesture's name. */
  apply: (edit: Edit, gesture?: string) => string | null
  /** Takes back the newest of this person's gestures that still stands, or one that is named. */
  undo: (gesture?: string) => Promise<void>
  redo: () => Promise<void>
  addAsset: (asset: AssetInfo) => void
  setNotice: (notice: string | null) => void
  /** Words that were given back have been read. */
  dismiss: (id: string) => void
  /** The page goes away, or comes back from where it went. */
  leave: () => void
  back: () => void
  close: () => void
}

/** What a store works with beside the job itself; a test brings its own. */
export type StoreHands = {
  readonly transport: Transport
  readonly outbox: Outbox
  readonly who: string
  readonly mayEdit?: boolean
  readonly wait?: Wait
}

const LOOKING = 'You can look at this job but not change it. Ask whoever invited you to make you an editor.'

/** How many rows of history are held at most; older ones are fetched again when undo reaches that far. */
const MOST_HISTORY = 500

export function createJobStore(
  job: OpenJob,
  library: TemplateLibrary,
  { transport, outbox, who, mayEdit = true, wait }: StoreHands,
): JobStore {
  const store = withApartListeners(
    createStore<JobState>(() => ({
      id: job.id,
      pack: library.pack,
      library: job.library,
      who,
      saved: job.document,
      revision: job.revision,
      pending: [],
      document: job.document,
      history: job.history,
      ...steps(job.history, [], who),
      assets: { ...library.assets, ...job.assets },
      saveState: 'saved',
      stepped: null,
      notice: null,
      publications: 0,
      givenBack: [],
      menuFit: null,
      holds: null,
      hyphens: null,
      lookedAt: null,
      heldTexts: new Map(),
    })),
  )
  let seq = Date.now() * 1000

  const set = (next: Partial<JobState>): void => {
    const state = store.getState()
    const { history = state.history, pending = state.pending } = next
    const changed = history !== state.history || pending !== state.pending
    store.setState({ ...next, ...(changed ? steps(history, pending, who) : {}) })
  }

  /** What gestures are called that were taken back, or that something else came after, while they went on. */
  const renamed = new Map<string, string>()

  const nameOf = (gesture: string): string => {
    const { history, pending } = store.getState()
    const rows = [...history.rows, ...pending]
    const known = renamed.get(gesture) ?? gesture
    const latest = rows.findLast((row) => row.who === who)
    // Undo takes the newest gesture, by when it began; so one goes on only until this person does something else.
    const isOver = latest?.gesture !== known && rows.some((row) => row.gesture === known)
    const name = isOver ? nanoid(10) : gestureFor(rows, { id: nanoid(), gesture: known, undoes: null })
    if (name !== known) renamed.set(gesture, name)
    return name
  }

  const append = (edit: Edit, gesture: string, undoes: string | null): boolean => {
    if (!mayEdit) {
      set({ notice: LOOKING })
      return false
    }
    const { document, pending, saveState } = store.getState()
    const applied = applyEdit(document, edit)
    if (!applied.ok) return false
    const last = pending.at(-1)
    const isJoined = last && !last.sent && !last.stuck && last.gesture === gesture && last.undoes === null && undoes === null
    const merged = isJoined ? mergeEdits(last.edit, edit) : null
    const row: PendingRow =
      last && merged
        ? { ...last, edit: merged }
        : { id: nanoid(), gesture, who, undoes, edit, inverse: applied.inverse, sent: false, stuck: false, adopted: false }
    // Kept before it is shown: whatever goes wrong while it is drawn, it will be sent.
    outbox.put({ row: bare(row), seq: seq++, sent: false })
    set({
      document: applied.document,
      pending: [...(merged ? pending.slice(0, -1) : pending), row],
      saveState: saveState === 'waiting' ? 'waiting' : 'saving',
    })
    sync.wake()
    return true
  }

  const receive = (reply: Appended): void => {
    for (const { id, problem } of reply.refused) refuse(id, problem.code, problem.sentence)
    const state = store.getState()
    const fresh = reply.rows.filter((row) => row.revision > state.revision)
    if (fresh.length === 0) return settle(reply.written)
    const known = new Set(fresh.map((row) => row.id))
    const left = state.pending.filter((row) => !known.has(row.id))
    const history = trimmed({ ...state.history, rows: [...state.history.rows, ...fresh] })
    // Our own rows came back in order and nothing else happened: the document on the screen is already right.
    const isOurs = fresh.every((row, i) => isAsHere(row, state.pending[i]))
    const saved = isOurs && left.length === 0 ? state.document : withRows(state.saved, fresh)
    const rest = isOurs ? { pending: left, document: state.document } : applyPending(saved, history.rows, left)
    set({ saved, revision: fresh.at(-1)?.revision ?? state.revision, history, ...rest })
    outbox.remove([...known])
    settle(reply.written)
  }

  /** Rows that turn out to have been written before what is known here. */
  const settle = (written: readonly string[]): void => {
    const { saved, history, pending } = store.getState()
    const left = pending.filter((row) => !written.includes(row.id))
    if (left.length === pending.length) return
    set(applyPending(saved, history.rows, left))
    outbox.remove(written)
  }

  /** What a row may name is known before it is drawn: another tab may have brought a template in. */
  const learn = async (version: string): Promise<void> => {
    if (version === store.getState().library) return
    const { pack, assets } = await transport.library(version)
    store.setState({ pack, library: version, assets: { ...assets, ...store.getState().assets } })
  }

  const restart = async (): Promise<void> => {
    const fresh = await transport.open()
    await learn(fresh.library)
    const state = store.getState()
    const known = new Set(fresh.history.rows.map((row) => row.id))
    const left = state.pending.filter((row) => !known.has(row.id))
    const assets = { ...fresh.assets, ...state.assets }
    set({
      saved: fresh.document,
      revision: fresh.revision,
      history: fresh.history,
      assets,
      ...applyPending(fresh.document, fresh.history.rows, left),
    })
    outbox.remove([...known])
  }

  /** A row that the database does not take leaves, and its words are given back. */
  const refuse = (id: string, code: string, sentence: string): void => {
    const { saved, history, pending, givenBack } = store.getState()
    const row = pending.find((r) => r.id === id)
    if (!row) return
    set(
      applyPending(
        saved,
        history.rows,
        pending.filter((r) => r.id !== id),
      ),
    )
    outbox.remove([id])
    // What another tab took back already is as this person wanted it; a row that was written in a newer form is there.
    if (code === 'workedOnSince') return store.setState({ notice: sentence })
    if (code === 'takenBackAlready' || (code === 'rowDiffers' && row.adopted)) return
    const given = { id, sentence, words: wordsOfEdit(row.edit) }
    outbox.giveBack(given)
    store.setState({ givenBack: [...givenBack, given] })
  }

  const freeze = (ids: readonly string[]): void => {
    const { pending } = store.getState()
    if (!pending.some((row) => ids.includes(row.id) && !row.sent)) return
    set({ pending: pending.map((row) => (ids.includes(row.id) ? { ...row, sent: true } : row)) })
  }

  const sync = startSync(
    transport,
    store.getState,
    {
      learn,
      receive,
      restart,
      freeze,
      refuse,
      setSaveState: (saveState: SaveState) => store.getState().saveState !== saveState && store.setState({ saveState }),
      setNotice: (notice) => store.setState({ notice }),
      published: () => store.setState(({ publications }) => ({ publications: publications + 1 })),
    },
    wait,
  )

  /** Fetches the page of history before what is held; false where there is none. */
  const fetchOlder = async (): Promise<boolean> => {
    const { history, revision } = store.getState()
    if (history.isFirst) return false
    const before = history.rows[0]?.revision ?? revision + 1
    const page = await transport.history(before)
    const now = store.getState().history
    if ((now.rows[0]?.revision ?? before) !== before) return true
    set({ history: { rows: [...page.rows, ...now.rows], isFirst: page.isFirst || page.rows.length === 0 } })
    return page.rows.length > 0
  }

  /** Takes back the first of some gestures that can be; older ones are looked for further back in the history. */
  const step = async (which: typeof undoable, named: string | null): Promise<void> => {
    const passed = new Set<string>()
    for (;;) {
      const { document, history, pending } = store.getState()
      const rows: readonly LogRow[] = [...history.rows, ...pending.filter((row) => !row.stuck)]
      const target = named ?? which(gesturesOf(rows), who).find((id) => !passed.has(id))
      const taken = target === undefined ? null : takeBack(document, rows, target)
      if (taken?.ok && target !== undefined) {
        if (passed.size > 0)
          store.setState({ notice: 'The last change stays, because a later one depends on it. The change before it was undone.' })
        if (append(taken.edit, nanoid(10), target)) store.setState({ stepped: { place: placeOfEdit(taken.edit) } })
        return
      }
      if (taken === null || (!taken.ok && taken.problem === 'outOfReach')) {
        if (await fetchOlder().catch(() => false)) continue
        return taken === null
          ? undefined
          : store.setState({ notice: 'This change is too old to undo. Open History to restore the site or one place.' })
      }
      if (named !== null) {
        const words =
          taken.ok || taken.problem === 'gone'
            ? 'This was undone already.'
            : 'This cannot be undone, because a later change depends on it. Undo the later change first.'
        return store.setState({ notice: words })
      }
      if (target !== undefined) passed.add(target)
    }
  }

  /** What tabs that are gone have left is made again here. */
  const takeOver = (rows: readonly LogRow[]): void => {
    const { saved, history, pending } = store.getState()
    const known = new Set([...history.rows.map((row) => row.id), ...pending.map((row) => row.id)])
    const fresh = rows.filter((row) => !known.has(row.id)).map((row): PendingRow => ({ ...row, sent: true, stuck: false, adopted: true }))
    outbox.remove(rows.filter((row) => known.has(row.id)).map((row) => row.id))
    if (fresh.length === 0) return
    set({ ...applyPending(saved, history.rows, [...fresh, ...pending]), saveState: 'saving' })
    sync.wake()
  }

  const adopt = async (): Promise<void> => {
    const { rows, givenBack } = await outbox.adopt(takeOver)
    if (givenBack.length > 0) store.setState({ givenBack: [...givenBack, ...store.getState().givenBack] })
    takeOver(rows)
  }
  void adopt().catch((error: unknown) => console.error('What other tabs left could not be read', error))

  return Object.assign(store, {
    apply: (edit: Edit, gesture: string = nanoid(10)) => {
      const name = nameOf(gesture)
      const fit = fitValue(edit)
      if (fit !== edit) store.setState({ notice: 'Signs that no page can show, such as control characters, were left out.' })
      return append(fit, name, null) ? name : null
    },
    undo: (gesture?: string) => step(undoable, gesture ?? null),
    redo: () => step(redoable, null),
    addAsset: (asset: AssetInfo) => store.setState((state) => ({ assets: { ...state.assets, [asset.id]: asset } })),
    setNotice: (notice: string | null) => store.setState({ notice }),
    dismiss: (id: string) => {
      store.setState((state) => ({ givenBack: state.givenBack.filter((given) => given.id !== id) }))
      outbox.forget(id)
    },
    leave: sync.leave,
    back: sync.back,
    close: () => {
      sync.close()
      outbox.close()
    },
  })
}

/** A store whose listeners fail apart from each other: what cannot be drawn keeps nothing from being saved. */
function withApartListeners<T>(store: StoreApi<T>): StoreApi<T> {
  return { ...store, subscribe: (listener) => store.subscribe(apart(listener)) }
}

function withRows(document: SiteDocument, rows: readonly SavedRow[]): SiteDocument {
  return rows.reduce((now, row) => {
    const applied = applyEdit(now, row.edit)
    if (!applied.ok) throw new Error(`Row ${row.revision} from the database does not fit: ${applied.problem.code}`)
    return applied.document
  }, document)
}

/** Whether a row of the database is one of those on the screen, just as it is there: a taking back may have been reckoned anew. */
function isAsHere(row: SavedRow, here: PendingRow | undefined): boolean {
  return here?.id === row.id && !here.stuck && (row.undoes === null || isSame(row.edit, here.edit))
}

function bare({ id, gesture, who, undoes, edit, inverse }: PendingRow): LogRow {
  return { id, gesture, who, undoes, edit, inverse }
}

/** Whether there is something to take back, and something to bring back. */
function steps(history: HistoryPage, pending: readonly PendingRow[], who: string): Pick<JobState, 'canUndo' | 'canRedo'> {
  const gestures = gesturesOf([...history.rows, ...pending])
  return { canUndo: undoable(gestures, who).length > 0 || !history.isFirst, canRedo: redoable(gestures, who).length > 0 }
}

/** The newest rows, from where a gesture begins. */
function trimmed(history: HistoryPage): HistoryPage {
  const { rows } = history
  if (rows.length <= MOST_HISTORY * 1.2) return history
  let from = rows.length - MOST_HISTORY
  for (;;) {
    const inside = new Set(rows.slice(from).map((row) => row.gesture))
    const first = rows.findIndex((row) => inside.has(row.gesture))
    if (first >= from) break
    from = first
  }
  return from === 0 ? history : { rows: rows.slice(from), isFirst: false }
}
