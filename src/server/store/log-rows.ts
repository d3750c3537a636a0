import * as v from 'valibot'
import type { HistoryPage, SavedRow } from '../../core/replies'
import { editSchema, ROW_FORMAT, takeBackStart, type LogRow } from '../../core/site'
import { sql } from './db'
import { bringUp } from './format-1'
import { firstPerson } from './people'

/** A row as it stands in the log. */
type Row = {
  revision: number
  id: string
  format: number
  who: string | null
  gesture: string
  undoes: string | null
  edit: string
  inverse: string
}
const COLUMNS = 'revision, id, format, who, gesture, undoes, edit, inverse'

/**
 * Rows of each older format brought up to the next, when they are read; the log of format 1 is brought up whole before that.
 * Every edit of format 2 is one of format 3: it names no language, and so means the site's own.
 */
const UPGRADES: Readonly<Record<number, (row: Row) => Row>> = { 2: (row) => ({ ...row, format: 3 }) }

function toSavedRow(stored: Row): SavedRow {
  let row = stored
  while (row.format < ROW_FORMAT) {
    const upgrade = UPGRADES[row.format]
    if (!upgrade) throw new Error(`Row ${row.revision} is of format ${row.format}, which nothing brings up`)
    row = upgrade(row)
  }
  const { revision, id, gesture, undoes } = row
  return { revision, id, who: whoseRow(row.who), gesture, undoes, edit: readEdit(row.edit), inverse: readEdit(row.inverse) }
}

/** Who does what no person did; nobody undoes it. */
export const ITSELF = 'instant-fit'

/** Before there were accounts each browser had a name of its own; all of that is the first person's. */
function whoseRow(who: string | null): string | null {
  return who === null || who === ITSELF || who.startsWith('person:') ? who : (firstPerson() ?? who)
}

/** What was written was checked by the same schema before. */
function readEdit(text: string): LogRow['edit'] {
  return v.parse(editSchema, JSON.parse(text))
}

/** Writes a row; one that was made elsewhere keeps the time it was made at. */
export function insertRow(
  job: string,
  revision: number,
  { id, who, gesture, undoes, edit, inverse }: LogRow,
  at: string = new Date().toISOString(),
): void {
  sql('INSERT INTO log_row (job, revision, id, format, who, gesture, undoes, edit, inverse, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)').run(
    job,
    revision,
    id,
    ROW_FORMAT,
    who,
    gesture,
    undoes,
    JSON.stringify(edit),
    JSON.stringify(inverse),
    at,
  )
}

export function rowsSince(job: string, revision: number, most = -1): SavedRow[] {
  bringUp(job)
  return sql<[string, number, number], Row>(`SELECT ${COLUMNS} FROM log_row WHERE job = ? AND revision > ? ORDER BY revision LIMIT ?`)
    .all(job, revision, most)
    .map(toSavedRow)
}

/** When each row of a job was made, by revision. */
export function rowTimes(job: string): ReadonlyMap<number, string> {
  bringUp(job)
  const rows = sql<[string], { revision: number; at: string }>('SELECT revision, at FROM log_row WHERE job = ?').all(job)
  return new Map(rows.map(({ revision, at }) => [revision, at]))
}

/** Every row after a revision up to another, one at a time: a long log does not have to fit into memory. */
export function* rowsBetween(job: string, after: number, until: number): Generator<SavedRow> {
  for (let at = after; at < until;) {
    const rows = rowsSince(job, at, Math.min(500, until - at))
    if (rows.length === 0) return
    yield* rows
    at = rows.at(-1)?.revision ?? until
  }
}

export function findRow(job: string, id: string): SavedRow | null {
  bringUp(job)
  const row = sql<[string, string], Row>(`SELECT ${COLUMNS} FROM log_row WHERE job = ? AND id = ?`).get(job, id)
  return row ? toSavedRow(row) : null
}

/** The gestures that take a gesture back. Made different here, since asked for DISTINCT the database reads every row of the job. */
export function takersBack(job: string, gesture: string): string[] {
  bringUp(job)
  const rows = sql<[string, string], { gesture: string }>('SELECT gesture FROM log_row WHERE job = ? AND undoes = ?').all(job, gesture)
  return [...new Set(rows.map((row) => row.gesture))]
}

/** Every row that a gesture's taking back can depend on. */
export function rowsForTakingBack(job: string, gesture: string): SavedRow[] {
  bringUp(job)
  const begins = sql<[string, string], { first: number | null; undoes: string | null }>(
    'SELECT min(revision) AS first, undoes FROM log_row INDEXED BY log_row_by_gesture WHERE job = ? AND gesture = ?',
  )
  const taken = sql<[string, number], { undoes: string }>(
    'SELECT DISTINCT undoes FROM log_row WHERE job = ? AND revision >= ? AND undoes IS NOT NULL',
  )
  const start = takeBackStart(
    {
      beginning: (of) => {
        const found = begins.get(job, of)
        return found?.first ? { at: found.first, undoes: found.undoes } : null
      },
      takenSince: (at) => taken.all(job, at).map(({ undoes }) => undoes),
    },
    gesture,
  )
  return start === null ? [] : rowsSince(job, start - 1)
}

/**
 * The newest rows at or before a revision, in order, about as many as asked for: a page begins where a gesture does, so
 * that none is seen in part. `isFirst` where there is nothing before them.
 */
export function historyPage(job: string, until: number, about: number, mostBytes: number): HistoryPage {
  bringUp(job)
  const newest = sql<[string, number, number], { revision: number; size: number }>(
    'SELECT revision, length(edit) + length(inverse) AS size FROM log_row WHERE job = ? AND revision <= ? ORDER BY revision DESC LIMIT ?',
  ).all(job, until, about)
  let bytes = 0
  let from = until + 1
  for (const { revision, size } of newest) {
    if (bytes + size > mostBytes && from <= until) break
    bytes += size
    from = revision
  }
  from = gestureStart(job, from, until)
  return { rows: rowsSince(job, from - 1, until - from + 1), isFirst: firstRevision(job) >= from }
}

/** The first revision of the gestures that reach into some rows, and of those that reach into these. */
function gestureStart(job: string, from: number, until: number): number {
  const first = sql<[string, string, number, number], { first: number | null }>(
    'SELECT min(revision) AS first FROM log_row WHERE job = ? AND gesture IN (SELECT gesture FROM log_row WHERE job ' +
      '= ? AND revision BETWEEN ? AND ?)',
  )
  let start = from
  for (let i = 0; i < 5; i++) {
    const began = first.get(job, job, start, until)?.first ?? start
    if (began >= start) break
    start = began
  }
  return start
}

function firstRevision(job: string): number {
  return (
    sql<[string], { first: number | null }>('SELECT min(revision) AS first FROM log_row WHERE job = ?').get(job)?.first ??
    Number.MAX_SAFE_INTEGER
  )
}

/** A gesture as the history shows it. */
export type GestureLine = {
  readonly gesture: string
  readonly who: string | null
  readonly undoes: string | null
  readonly first: number
  readonly last: number
  readonly at: string
  /** Whether what it takes back was a taking back itself: then it brings something back. */
  readonly bringsBack: boolean
}

/** The newest gestures that began before a revision, newest first. */
export function gestureLines(job: string, before: number, most: number): GestureLine[] {
  bringUp(job)
  return sql<[string, number, number], Omit<GestureLine, 'bringsBack'> & { readonly undone: string | null }>(
    'SELECT gesture, who, undoes, min(revision) AS first, max(revision) AS last, max(at) AS at, ' +
      '(SELECT undoes FROM log_row AS taken WHERE taken.job = log_row.job AND taken.gesture = log_row.undoes LIMIT 1) AS undone ' +
      'FROM log_row WHERE job = ? AND revision < ? GROUP BY gesture ORDER BY first DESC LIMIT ?',
  )
    .all(job, before, most)
    .map(({ undone, ...line }) => ({ ...line, who: whoseRow(line.who), bringsBack: undone !== null }))
}
