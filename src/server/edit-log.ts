import { EventEmitter } from 'node:events'
import * as v from 'valibot'
import { applyEdit, editSchema, type LogRow, type SiteDocument } from '../core/site'
import { findUnknownDesign } from '../core/pack'
import { db } from './db'
import { findSnapshot, writeSnapshot } from './jobs'
import { kept } from './kept'
import { pack } from './packs'
import { Problem } from './problems'

/** A row as it stands in the log. */
export type SavedRow = LogRow & { readonly revision: number }
/** A row as a screen sends it: the server works out the inverse itself. */
export const sentRowSchema = v.strictObject({
  id: v.pipe(v.string(), v.minLength(8), v.maxLength(40)),
  edit: editSchema,
  group: v.pipe(v.string(), v.maxLength(80)),
  mark: v.picklist(['do', 'undo', 'redo']),
})
export type SentRow = v.InferOutput<typeof sentRowSchema>
export type JobState = { readonly revision: number; readonly document: SiteDocument }

const SNAPSHOT_EVERY = 50
const KEPT_FOR_UNDO = 400

const states = (): Map<string, JobState> => kept('job-states', () => new Map())
const events = (): EventEmitter => kept('job-events', () => new EventEmitter().setMaxListeners(0))

/** A job's document as of its newest edit: the last snapshot and what came after it. */
export function jobState(job: string): JobState {
  const known = states().get(job)
  if (known) return known
  const from = findSnapshot(job)
  const state = rowsSince(job, from.revision).reduce<JobState>((at, row) => {
    const applied = applyEdit(at.document, row.edit)
    if (!applied.ok) throw new Error(`Edit ${row.revision} of job ${job} cannot be replayed: ${applied.problem.code}`)
    return { revision: row.revision, document: applied.document }
  }, from)
  states().set(job, state)
  return state
}

type EditRow = { revision: number; row_id: string; edit: string; inverse: string; gesture: string; mark: LogRow['mark'] }

function toSavedRow(row: EditRow): SavedRow {
  return { revision: row.revision, id: row.row_id, edit: v.parse(editSchema, JSON.parse(row.edit)), inverse: v.parse(editSchema, JSON.parse(row.inverse)), group: row.gesture, mark: row.mark }
}

export function rowsSince(job: string, revision: number): SavedRow[] {
  return db().prepare<[string, number], EditRow>('SELECT revision, row_id, edit, inverse, gesture, mark FROM edit WHERE job = ? AND revision > ? ORDER BY revision').all(job, revision).map(toSavedRow)
}

/** The rows that undo and redo can still reach. */
export function recentRows(job: string): SavedRow[] {
  return rowsSince(job, Math.max(0, jobState(job).revision - KEPT_FOR_UNDO))
}

/**
 * Appends rows that were made on revision `base`, and returns all rows since then, the sender's among them. Edits name
 * their places by id and set whole values, so they go on top of what others did meanwhile. A row that came before
 * (a reply was lost, the screen sent it again) is not written twice. All rows are written, or none.
 */
export function appendRows(job: string, base: number, rows: readonly SentRow[]): SavedRow[] {
  const before = jobState(job)
  if (base > before.revision) throw new Problem('revisionUnknown', { base, revision: before.revision })
  let state = before
  db().transaction(() => {
    const isKnown = db().prepare<[string], { n: number }>('SELECT count(*) AS n FROM edit WHERE row_id = ?')
    const insert = db().prepare('INSERT INTO edit (job, revision, row_id, edit, inverse, gesture, mark, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)')
    for (const row of rows) {
      if (isKnown.get(row.id)?.n) continue
      const applied = applyEdit(state.document, row.edit)
      if (!applied.ok) throw new Problem('editRefused', { place: Object.values(applied.problem)[1] ?? 'the site' })
      const unknown = findUnknownDesign(pack(), applied.document)
      if (unknown) throw new Problem('designUnknown', { design: unknown })
      state = { revision: state.revision + 1, document: applied.document }
      insert.run(job, state.revision, row.id, JSON.stringify(row.edit), JSON.stringify(applied.inverse), row.group, row.mark, new Date().toISOString())
    }
    if (Math.floor(state.revision / SNAPSHOT_EVERY) > Math.floor(before.revision / SNAPSHOT_EVERY)) writeSnapshot(job, state.revision, state.document)
  })()
  states().set(job, state)
  if (state.revision > before.revision) events().emit(job, state.revision)
  return rowsSince(job, base)
}

/** Calls back with each new revision of a job; returns what stops it. */
export function watchJob(job: string, onRevision: (revision: number) => void): () => void {
  events().on(job, onRevision)
  return () => events().off(job, onRevision)
}
