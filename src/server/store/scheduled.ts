import { sql } from './db'

/** Why a scheduled publication will not happen: something newer was published there, its job went into the bin, or it failed too often. */
export type Void = 'overtaken' | 'binned' | 'failed'

/** A publication that is to happen: `at` as ISO 8601 in UTC, `zone` the time zone that it was said in. */
export type Scheduled = {
  readonly id: string
  readonly job: string
  readonly destination: string
  readonly release: string
  readonly at: string
  readonly zone: string
  readonly person: string
  readonly note: string
  readonly fault: string | null
  readonly tries: number
  /** When it is tried again, once it failed. */
  readonly nextAt: string | null
  readonly void: Void | null
}
const COLUMNS = 'id, job, destination, release, at, zone, person, note, fault, tries, next_at AS nextAt, void'

/** The number of the newest switch of a destination, to whatever it was; 0 where there was none. */
const NEWEST = '(SELECT coalesce(max(switch), 0) FROM publication WHERE job = ? AND destination = ?)'

export function insertScheduled(made: Omit<Scheduled, 'fault' | 'tries' | 'nextAt' | 'void'>): void {
  const { id, job, destination, release, at, zone, person, note } = made
  sql(
    `INSERT INTO scheduled_publication (id, job, destination, release, at, zone, person, note, after_switch)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ${NEWEST})`,
  ).run(id, job, destination, release, at, zone, person, note, job, destination)
}

/** What is scheduled of a job for a destination, the next first. */
export function scheduledOf(job: string, destination: string): Scheduled[] {
  return sql<[string, string], Scheduled>(`SELECT ${COLUMNS} FROM scheduled_publication WHERE job = ? AND destination = ? ORDER BY at`).all(
    job,
    destination,
  )
}

/** What was to happen by a time and has not, oldest first. */
export function dueBy(at: string): Scheduled[] {
  return sql<[string, string], Scheduled>(
    `SELECT ${COLUMNS} FROM scheduled_publication WHERE at <= ? AND coalesce(next_at, '') <= ? AND void IS NULL ORDER BY at`,
  ).all(at, at)
}

/** What became of the destination since it was scheduled: the very release is there, anything else was published there, or nothing. */
export function sinceScheduled(id: string): 'published' | 'overtaken' | 'nothing' {
  const row = sql<[string], { same: 0 | 1 }>(
    `SELECT publication.release = scheduled_publication.release AS same FROM scheduled_publication JOIN publication USING (job, destination)
     WHERE scheduled_publication.id = ? AND switch > after_switch ORDER BY switch DESC LIMIT 1`,
  ).get(id)
  return row ? (row.same === 1 ? 'published' : 'overtaken') : 'nothing'
}

export function noteFailed(id: string, fault: string, nextAt: string | null): void {
  sql('UPDATE scheduled_publication SET fault = ?, tries = tries + 1, next_at = ? WHERE id = ?').run(fault, nextAt, id)
}

export function makeVoid(id: string, why: Void): void {
  sql('UPDATE scheduled_publication SET void = ? WHERE id = ?').run(why, id)
}

/** A job that goes into the bin publishes nothing more by itself. */
export function makeJobsVoid(job: string): void {
  sql("UPDATE scheduled_publication SET void = 'binned' WHERE job = ? AND void IS NULL").run(job)
}

/** Takes it off the schedule; of another job's nothing is taken. */
export function dropScheduled(job: string, id: string): void {
  sql('DELETE FROM scheduled_publication WHERE job = ? AND id = ?').run(job, id)
}

/** A destination that is let go of takes along what was scheduled for it. */
export function dropScheduledFor(destination: string): void {
  sql('DELETE FROM scheduled_publication WHERE destination = ?').run(destination)
}
