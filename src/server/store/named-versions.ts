import type { NamedVersion } from '../../core/replies'
import { sql } from './db'

/** The states of a job's site that have a name, the newest first. */
export function namedVersions(job: string): NamedVersion[] {
  return sql<[string], NamedVersion>('SELECT revision, name, at FROM point WHERE job = ? ORDER BY revision DESC').all(job)
}

/** Gives a state a name, or another one. */
export function insertNamedVersion(job: string, { revision, name, at }: NamedVersion): void {
  sql('INSERT INTO point (job, revision, name, at) VALUES (?, ?, ?, ?) ON CONFLICT DO UPDATE SET name = excluded.name').run(
    job,
    revision,
    name,
    at,
  )
}

export function deleteNamedVersion(job: string, revision: number): void {
  sql('DELETE FROM point WHERE job = ? AND revision = ?').run(job, revision)
}
