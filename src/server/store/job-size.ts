import type { JobSize } from '../../core/people'
import { sql } from './db'

export function jobSize(job: string): JobSize {
  const one = (text: string): number => sql<[string], { n: number | null }>(text).get(job)?.n ?? 0
  return {
    rows: one('SELECT count(*) AS n FROM log_row WHERE job = ?'),
    history:
      one('SELECT sum(length(edit) + length(inverse)) AS n FROM log_row WHERE job = ?') +
      one('SELECT sum(length(document)) AS n FROM snapshot WHERE job = ?'),
    pictures: one('SELECT sum(bytes) AS n FROM asset JOIN job_asset ON asset = id WHERE job = ?'),
    releases: one('SELECT count(*) AS n FROM release WHERE job = ? AND number IS NOT NULL'),
  }
}
