import type Database from 'better-sqlite3'
import { kept } from '../files/kept'
import { db, sql } from './db'
import { ROW_FORMAT, upgradeDocument, upgradeLog, type Document1, type LogRow, type Row1, type SiteDocument } from '../../core/site'

type Row = { job: string; revision: number; row_id: string; edit: string; inverse: string; gesture: string; mark: Row1['mark']; at: string }

/** The jobs whose log is known to be of a later format than 1. */
const known = (): Set<string> => kept('logs-brought-up', () => new Set())

/**
 * Brings a job's log from format 1 to today's before it is read for the first time, whole or not at all: each row becomes the difference
 * it made. A job whose log cannot be replayed begins anew from the newest of its snapshots that can be read; nothing of format 1 is
 * deleted. A database opens at once, however many jobs of that day are in it.
 */
export function bringUp(job: string): void {
  if (known().has(job)) return
  const isOld = sql<[string, string], { old: 1 }>(
    'SELECT 1 AS old WHERE EXISTS (SELECT 1 FROM snapshot_format_1 WHERE job = ?) AND NOT EXISTS (SELECT 1 FROM snapshot WHERE job = ?)',
  ).get(job, job)
  if (isOld) bringUpNow(db(), job)
  known().add(job)
}

function bringUpNow(db: Database.Database, job: string): void {
  try {
    db.transaction(() => upgradeJob(db, job))()
  } catch (error) {
    db.transaction(() => startAnew(db, job, error))()
  }
}

function upgradeJob(db: Database.Database, job: string): void {
  const start = readSnapshots(db, job)[0]
  if (!start) return
  const rows = db.prepare<[string], Row>('SELECT * FROM edit_format_1 WHERE job = ? ORDER BY revision').all(job)
  const sent = rows.map((row): Row1 => ({ id: row.row_id, edit: JSON.parse(row.edit) as Row1['edit'], group: row.gesture, mark: row.mark }))
  const upgraded = upgradeLog(start.document, sent)
  writeSnapshot(db, job, 0, upgradeDocument(start.document))
  upgraded.rows.forEach((row, i) => writeRow(db, job, row, rows[i]))
  if (rows.length > 0) writeSnapshot(db, job, rows.at(-1)?.revision ?? 0, upgraded.document)
}

function startAnew(db: Database.Database, job: string, error: unknown): void {
  const fault = error instanceof Error ? error.message : String(error)
  db.prepare('INSERT INTO not_upgraded (job, fault) VALUES (?, ?)').run(job, fault)
  for (const { revision, document } of readSnapshots(db, job).toReversed()) {
    try {
      return writeSnapshot(db, job, revision, upgradeDocument(document))
    } catch {
      // A damaged snapshot: an older one may be whole.
    }
  }
}

function readSnapshots(db: Database.Database, job: string): { readonly revision: number; readonly document: Document1 }[] {
  const rows = db
    .prepare<[string], { revision: number; document: string }>(
      'SELECT revision, document FROM snapshot_format_1 WHERE job = ? ORDER BY revision',
    )
    .all(job)
  return rows.map(({ revision, document }) => ({ revision, document: JSON.parse(document) as Document1 }))
}

function writeSnapshot(db: Database.Database, job: string, revision: number, document: SiteDocument): void {
  db.prepare('INSERT INTO snapshot (job, revision, format, document) VALUES (?, ?, ?, ?)').run(
    job,
    revision,
    document.format,
    JSON.stringify(document),
  )
}

function writeRow(db: Database.Database, job: string, row: LogRow, was: Row | undefined): void {
  if (!was) return
  const { id, who, gesture, undoes, edit, inverse } = row
  db.prepare(
    'INSERT INTO log_row (job, revision, id, format, who, gesture, undoes, edit, inverse, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
  ).run(job, was.revision, id, ROW_FORMAT, who, gesture, undoes, JSON.stringify(edit), JSON.stringify(inverse), was.at)
}
