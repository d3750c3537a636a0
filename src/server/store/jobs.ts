import { Problem } from '../http/problems'
import { sql } from './db'

export type Job = { readonly id: string; readonly createdAt: string; readonly address: string | null }
type JobRow = { id: string; created_at: string; address: string | null }
const COLUMNS = 'id, created_at, address'

const toJob = (row: JobRow): Job => ({ id: row.id, createdAt: row.created_at, address: row.address })

export function insertJob(job: Job): void {
  sql('INSERT INTO job (id, created_at) VALUES (?, ?)').run(job.id, job.createdAt)
}

export function listJobs(): Job[] {
  return sql<[], JobRow>(`SELECT ${COLUMNS} FROM job ORDER BY created_at, id`).all().map(toJob)
}

export function getJob(id: string): Job {
  const row = sql<[string], JobRow>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id)
  if (!row) throw new Problem('jobGone')
  return toJob(row)
}

export function findJobByAddress(address: string): Job | null {
  const row = sql<[string], JobRow>(`SELECT ${COLUMNS} FROM job WHERE address = ?`).get(address)
  return row ? toJob(row) : null
}

export function setJobAddress(id: string, address: string): void {
  sql('UPDATE job SET address = ? WHERE id = ?').run(address, id)
}
