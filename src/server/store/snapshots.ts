import { readDocument, type SiteDocument } from '../../core/site'
import { sql } from './db'
import { bringUp } from './format-1'

export type Snapshot = { readonly revision: number; readonly document: SiteDocument }

/** How many of a job's newest snapshots are kept, beside the one it began with. */
const KEPT = 3

/** The newest snapshot at or before a revision that can be read: one that is damaged is passed over, since the log gives it back. */
export function findSnapshot(job: string, revision: number = Number.MAX_SAFE_INTEGER): Snapshot | null {
  bringUp(job)
  const rows = sql<[string, number], { revision: number; document: string }>(
    'SELECT revision, document FROM snapshot WHERE job = ? AND revision <= ? ORDER BY revision DESC',
  )
  for (const row of rows.iterate(job, revision)) {
    try {
      return { revision: row.revision, document: readDocument(JSON.parse(row.document)) }
    } catch (error) {
      console.error(`The snapshot of job ${job} at revision ${row.revision} cannot be read`, error)
    }
  }
  return null
}

/** The state that a job began with here, as far as its log reaches back; null where no state can be read. */
export function firstSnapshot(job: string): Snapshot | null {
  bringUp(job)
  const rows = sql<[string], { revision: number }>('SELECT revision FROM snapshot WHERE job = ? ORDER BY revision').all(job)
  for (const { revision } of rows) {
    const found = findSnapshot(job, revision)
    if (found) return found
  }
  return null
}

/** Keeps a snapshot, and lets go of those between the first and the newest few. */
export function writeSnapshot(job: string, { revision, document }: Snapshot): void {
  sql('INSERT OR REPLACE INTO snapshot (job, revision, format, document) VALUES (?, ?, ?, ?)').run(
    job,
    revision,
    document.format,
    JSON.stringify(document),
  )
  sql(
    `DELETE FROM snapshot WHERE job = ?1 AND revision > (SELECT min(revision) FROM snapshot WHERE job = ?1)
     AND revision NOT IN (SELECT revision FROM snapshot WHERE job = ?1 ORDER BY revision DESC LIMIT ${KEPT})`,
  ).run({ 1: job })
}
