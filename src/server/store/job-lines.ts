import { sql } from './db'

/** What the list says of a job, reckoned for a revision and a state of the packs. */
export type KeptLine = {
  readonly job: string
  readonly revision: number
  readonly packs: string
  readonly name: string
  readonly trade: string
  readonly leftovers: number
  readonly missing: readonly string[]
}
type Row = Omit<KeptLine, 'missing'> & { missing: string }

export function keptLines(): Map<string, KeptLine> {
  const rows = sql<[], Row>('SELECT job, revision, packs, name, trade, leftovers, missing FROM job_line').all()
  return new Map(rows.map((row) => [row.job, { ...row, missing: JSON.parse(row.missing) as string[] }]))
}

export function keepLine({ job, revision, packs, name, trade, leftovers, missing }: KeptLine): void {
  sql('INSERT OR REPLACE INTO job_line (job, revision, packs, name, trade, leftovers, missing) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
    job,
    revision,
    packs,
    name,
    trade,
    leftovers,
    JSON.stringify(missing),
  )
}

/** How far a job's log has come, and when its newest row was written; null where it has none. */
export type Newest = { readonly revision: number; readonly at: string | null }

/** Every job's newest revision; a job of which no row was written is at 0, or where its log began anew. */
export function newestRevisions(): Map<string, Newest> {
  const rows = sql<[], Newest & { job: string }>(
    `SELECT id AS job, max(
       coalesce((SELECT max(revision) FROM log_row WHERE log_row.job = job.id), 0),
       coalesce((SELECT max(revision) FROM snapshot WHERE snapshot.job = job.id), 0)) AS revision,
       (SELECT at FROM log_row WHERE log_row.job = job.id ORDER BY revision DESC LIMIT 1) AS at FROM job`,
  ).all()
  return new Map(rows.map(({ job, revision, at }) => [job, { revision, at }]))
}
