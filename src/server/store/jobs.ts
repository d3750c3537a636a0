import type { Shelf } from '../../core/replies'
import { Problem } from '../problems'
import { db, sql } from './db'

export type Job = {
  readonly id: string
  readonly createdAt: string
  readonly address: string | null
  readonly shelf: Shelf
  /** When it was laid there; null where it has always lain among the work. */
  readonly shelvedAt: string | null
  /** The job that it began as a copy of. */
  readonly copyOf: string | null
}
type JobRow = {
  id: string
  created_at: string
  address: string | null
  shelf: Shelf
  shelved_at: string | null
  copy_of: string | null
}
const COLUMNS = 'id, created_at, address, shelf, shelved_at, copy_of'

function toJob({ created_at, shelved_at, copy_of, ...row }: JobRow): Job {
  return { ...row, createdAt: created_at, shelvedAt: shelved_at, copyOf: copy_of }
}

export function insertJob({ id, createdAt, copyOf }: Pick<Job, 'id' | 'createdAt' | 'copyOf'>): void {
  sql('INSERT INTO job (id, created_at, copy_of) VALUES (?, ?, ?)').run(id, createdAt, copyOf)
}

/** Every job, on whatever shelf, oldest first. */
export function listJobs(): Job[] {
  return sql<[], JobRow>(`SELECT ${COLUMNS} FROM job ORDER BY created_at, id`).all().map(toJob)
}

export function findJob(id: string): Job | null {
  const row = sql<[string], JobRow>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id)
  return row ? toJob(row) : null
}

export function getJob(id: string): Job {
  const job = findJob(id)
  if (!job) throw new Problem('jobGone')
  return job
}

export function findJobByAddress(address: string): Job | null {
  const row = sql<[string], JobRow>(`SELECT ${COLUMNS} FROM job WHERE address = ?`).get(address)
  return row ? toJob(row) : null
}

export function setJobAddress(id: string, address: string): void {
  sql('UPDATE job SET address = ? WHERE id = ?').run(address, id)
}

export function setShelf(id: string, shelf: Shelf, at: string): void {
  sql('UPDATE job SET shelf = ?, shelved_at = ? WHERE id = ?').run(shelf, at, id)
}

/** What a job's rows stand in, each before those that it refers to. */
const TABLES = [
  'published_path',
  'menu_fit',
  'text_hold',
  'point',
  'log_row',
  'snapshot',
  'edit_format_1',
  'snapshot_format_1',
  'not_upgraded',
  'job_line',
  'task',
  'notice',
  'publication',
  'scheduled_publication',
  'destination',
  'domain',
  'release',
  'job_asset',
  'job_grant',
  'pass',
] as const

/** Takes a job out of the database with all that is written of it. Only a job in the bin can go: the log's own trigger holds that. */
export function deleteJob(id: string): void {
  db().transaction(() => {
    for (const table of TABLES) sql(`DELETE FROM ${table} WHERE job = ?`).run(id)
    sql('DELETE FROM job WHERE id = ?').run(id)
  })()
}
