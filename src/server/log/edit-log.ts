import { EventEmitter } from 'node:events'
import { LRUCache } from 'lru-cache'
import * as v from 'valibot'
import { missingFor } from '../../core/pack'
import type { Appended, RefusedRow, SavedRow } from '../../core/replies'
import { applyEdit, editSchema, isSame, isStanding, stepsOf, takeBack, whyNot, type Edit, type SiteDocument } from '../../core/site'
import { kept } from '../files/kept'
import { Problem } from '../problems'
import { toReply } from '../problems'
import { pack } from '../packs/packs'
import { db } from '../store/db'
import { findRow, insertRow, rowsBetween, rowsForTakingBack, rowsSince, takersBack } from '../store/log-rows'
import { findSnapshot, writeSnapshot, type Snapshot } from '../store/snapshots'

/** A row as a screen sends it: the server works out the inverse itself. */
export const sentRowSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/)),
  gesture: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
  undoes: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  edit: editSchema,
})
export type SentRow = v.InferOutput<typeof sentRowSchema>
export type JobState = Snapshot

/** What came of rows that were sent, and every row since. */
export type Written = Omit<Appended, 'library'>

const SNAPSHOT_EVERY = 200
/** The most rows that one reply brings; whoever is further behind opens the job anew. */
export const MOST_BEHIND = 2000

/** How many jobs are kept at hand: those that were worked on last. Any other is read from its snapshot again. */
export const MOST_AT_HAND = 40

const states = (): LRUCache<string, JobState> => kept('job-states', () => new LRUCache({ max: MOST_AT_HAND }))
const events = (): EventEmitter => kept('job-events', () => new EventEmitter().setMaxListeners(0))

/** A job's document as of its newest edit: the last snapshot and what came after it. */
export function jobState(job: string): JobState {
  const known = states().get(job)
  if (known) return known
  const state = stateAt(job, Number.MAX_SAFE_INTEGER)
  states().set(job, state)
  return state
}

/** Lets go of what is kept at hand of a job that is deleted. */
export function forgetState(job: string): void {
  states().delete(job)
}

/** A job's document as it was at a revision. */
export function stateAt(job: string, revision: number): JobState {
  const from = findSnapshot(job, revision)
  if (!from) throw new Problem('jobDamaged')
  let { document } = from
  let at = from.revision
  for (const row of rowsBetween(job, from.revision, revision)) {
    const applied = applyEdit(document, row.edit)
    if (!applied.ok) throw new Error(`Row ${row.revision} of job ${job} cannot be replayed: ${applied.problem.code}`)
    document = applied.document
    at = row.revision
  }
  return { revision: at, document }
}

/**
 * Appends rows that were made on revision `base`, and returns all rows since then, the sender's among them. Edits name
 * their places by id, so they go on top of what others did meanwhile. A row that came before (a reply was lost, the
 * screen sent it again) is not written twice. Each row is written or refused by itself.
 */
export function appendRows(job: string, who: string | null, base: number, sent: readonly SentRow[]): Written {
  return { ...writeRows(job, who, base, sent), ...rowsAfter(job, base) }
}

/** The newest revision and what came after another; no rows where they are too many. */
export function rowsAfter(job: string, base: number): Pick<Appended, 'revision' | 'rows'> {
  const { revision } = jobState(job)
  return { revision, rows: revision - base > MOST_BEHIND ? [] : rowsSince(job, base) }
}

/** Writes or refuses each row by itself, and says which. */
export function writeRows(job: string, who: string | null, base: number, sent: readonly SentRow[]): Pick<Appended, 'written' | 'refused'> {
  const before = jobState(job)
  if (base > before.revision) throw new Problem('revisionUnknown', { base, revision: before.revision })
  const refused: RefusedRow[] = []
  const written: string[] = []
  let state = before
  db().transaction(() => {
    for (const row of sent) {
      const appended = appendRow(job, who, state, row)
      if ('problem' in appended) refused.push({ id: row.id, ...toReply(appended.problem) })
      else {
        state = appended.state
        written.push(row.id)
      }
    }
  })()
  states().set(job, state)
  if (state.revision > before.revision) announce(job, before, state)
  return { written, refused }
}

function appendRow(
  job: string,
  who: string | null,
  state: JobState,
  sent: SentRow,
): { readonly state: JobState } | { readonly problem: Problem } {
  const known = findRow(job, sent.id)
  if (known) return isSameRow(known, sent) ? { state } : { problem: new Problem('rowDiffers') }
  const row = sent.undoes === null ? sent : takenBackNow(job, state, sent, sent.undoes)
  if (row instanceof Problem) return { problem: row }
  const applied = applyEdit(state.document, row.edit)
  if (!applied.ok) return { problem: new Problem('editRefused', { why: whyNot(applied.problem) }) }
  const missing = asksForDesign(row.edit)
    ? missingFor(pack(), applied.document).filter((d) => !missingFor(pack(), state.document).includes(d))
    : []
  if (missing[0] !== undefined) return { problem: new Problem('designUnknown', { design: missing[0] }) }
  const revision = state.revision + 1
  const gesture = row.undoes === null && !stands(job, row.gesture) ? row.id : row.gesture
  insertRow(job, revision, { ...row, gesture, who, inverse: applied.inverse })
  return { state: { revision, document: applied.document } }
}

/**
 * What was done in the name of a gesture that had been taken back was written as a gesture of its own, by the row's name;
 * a taking back may have been reckoned anew.
 */
function isSameRow(known: SavedRow, { id, gesture, undoes, edit }: SentRow): boolean {
  const isAsSent = undoes !== null || isSame(known.edit, edit)
  return (known.gesture === gesture || known.gesture === id) && known.undoes === undoes && isAsSent
}

/**
 * A taking back says what it takes back; what that changes is reckoned on the document as it is now, so that it removes
 * nothing of what others wrote since it was asked for, however long that lay in an outbox. A problem where something
 * made later stands on what it would take, and where nothing is to be taken: not twice, and not what was never written.
 */
function takenBackNow(job: string, { document }: JobState, row: SentRow, undoes: string): SentRow | Problem {
  if (!stands(job, undoes)) return new Problem('takenBackAlready')
  const taken = takeBack(document, rowsForTakingBack(job, undoes), undoes)
  if (taken.ok) return { ...row, edit: taken.edit }
  return new Problem(taken.problem === 'workedOnSince' ? 'workedOnSince' : 'takenBackAlready')
}

function stands(job: string, gesture: string): boolean {
  return isStanding(takersBack(job, gesture), (taker) => stands(job, taker))
}

function asksForDesign(edit: Edit): boolean {
  return stepsOf(edit).some((step) => step.type === 'section/insert' || step.type === 'section/set' || step.type === 'dress/set')
}

function announce(job: string, before: JobState, state: JobState): void {
  if (Math.floor(state.revision / SNAPSHOT_EVERY) > Math.floor(before.revision / SNAPSHOT_EVERY))
    setImmediate(() => keepSnapshot(job, state))
  events().emit(job, state.revision)
}

/** A snapshot is a convenience: the log gives it back. So it is written after the reply, and may fail. */
function keepSnapshot(job: string, state: JobState): void {
  try {
    writeSnapshot(job, state)
  } catch (error) {
    console.error(`The snapshot of job ${job} could not be kept`, error)
  }
}

/** A new job's first state; one that comes from elsewhere goes on counting from where it was. */
export function beginLog(job: string, document: SiteDocument, revision = 0): void {
  writeSnapshot(job, { revision, document })
}

/** Calls back with each new revision of a job; returns what stops it. */
export function watchJob(job: string, onRevision: (revision: number) => void): () => void {
  events().on(job, onRevision)
  return () => events().off(job, onRevision)
}
