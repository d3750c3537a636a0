import { sql } from './db'

/** A destination of a job's own, as it is kept: `settings` is JSON of its kind, `secret` is sealed. */
export type DestinationRow = {
  readonly id: string
  readonly job: string
  readonly kind: string
  readonly name: string
  readonly origin: string
  readonly settings: string
  readonly secret: Buffer | null
  /** Whether visitors see at once what is published there; else somebody puts it up by hand. */
  readonly seen: 0 | 1
}
const COLUMNS = 'id, job, kind, name, origin, settings, secret, seen'

export function insertDestination({ id, job, kind, name, origin, settings, secret, seen }: DestinationRow): void {
  sql('INSERT INTO destination (id, job, kind, name, origin, settings, secret, seen, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)').run(
    id,
    job,
    kind,
    name,
    origin,
    settings,
    secret,
    seen,
    new Date().toISOString(),
  )
}

/** Keeps what was changed of a destination: all but whose it is and of what kind. */
export function updateDestination({ id, name, origin, settings, secret }: DestinationRow): void {
  sql('UPDATE destination SET name = ?, origin = ?, settings = ?, secret = ? WHERE id = ?').run(name, origin, settings, secret, id)
}

/** The destinations of a job, oldest first. */
export function destinationsOf(job: string): DestinationRow[] {
  return sql<[string], DestinationRow>(`SELECT ${COLUMNS} FROM destination WHERE job = ? ORDER BY rowid`).all(job)
}

export function findDestination(id: string): DestinationRow | null {
  return sql<[string], DestinationRow>(`SELECT ${COLUMNS} FROM destination WHERE id = ?`).get(id) ?? null
}

/** Lets go of a destination; what was published there stays in the list of releases. */
export function deleteDestination(id: string): void {
  sql('DELETE FROM destination WHERE id = ?').run(id)
}
