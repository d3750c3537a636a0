import type { Statement } from 'better-sqlite3'
import type { JobSize } from '../../core/replies'
import { sql } from './db'

export function jobSize(job: string): JobSize {
  const one = (asked: Statement): number => (asked.get(job) as { n: number | null } | undefined)?.n ?? 0
  return {
    rows: one(sql('SELECT count(*) AS n FROM log_row WHERE job = ?')),
    history:
      one(sql('SELECT sum(length(edit) + length(inverse)) AS n FROM log_row WHERE job = ?')) +
      one(sql('SELECT sum(length(document)) AS n FROM snapshot WHERE job = ?')),
    pictures: one(sql('SELECT sum(bytes) AS n FROM asset JOIN job_asset ON asset = id WHERE job = ?')),
    releases: one(sql('SELECT count(*) AS n FROM release WHERE job = ? AND number IS NOT NULL')),
  }
}
