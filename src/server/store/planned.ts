import { sql } from './db'

/** A publication that is to happen: `at` as ISO 8601 in UTC, `zone` the time zone that it was said in. */
export type Planned = {
  readonly id: string
  readonly job: string
  readonly destination: string
  readonly release: string
  readonly at: string
  readonly zone: string
  readonly person: string
  readonly note: string
  readonly fault: string | null
}
const COLUMNS = 'id, job, destination, release, at, zone, person, note, fault'

export function insertPlanned({ id, job, destination, release, at, zone, person, note }: Omit<Planned, 'fault'>): void {
  sql('INSERT INTO planned_publication (id, job, destination, release, at, zone, person, note) VALUES (?, ?, ?, ?, ?, ?, ?, ?)').run(
    id,
    job,
    destination,
    release,
    at,
    zone,
    person,
    note,
  )
}

/** What is planned of a job for a destination, the next first. */
export function plannedOf(job: string, destination: string): Planned[] {
  return sql<[string, string], Planned>(`SELECT ${COLUMNS} FROM planned_publication WHERE job = ? AND destination = ? ORDER BY at`).all(
    job,
    destination,
  )
}

/** What was to happen by a time and has not, oldest first. */
export function dueBy(at: string): Planned[] {
  return sql<[string], Planned>(`SELECT ${COLUMNS} FROM planned_publication WHERE at <= ? ORDER BY at`).all(at)
}

export function notePlannedFault(id: string, fault: string): void {
  sql('UPDATE planned_publication SET fault = ? WHERE id = ?').run(fault, id)
}

/** Takes it off the plan; of another job's nothing is taken. */
export function dropPlanned(job: string, id: string): void {
  sql('DELETE FROM planned_publication WHERE job = ? AND id = ?').run(job, id)
}
