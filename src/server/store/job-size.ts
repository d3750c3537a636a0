import { sql } from './db'

/** What a job takes on the disk, in bytes: its log and states, its pictures, and what its releases say of their files. */
export type JobSize = { readonly rows: number; readonly history: number; readonly pictures: number; readonly releases: number }

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
