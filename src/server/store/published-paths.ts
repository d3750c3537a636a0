import type { PublishedPath } from '../../core/pages'
import { db, sql } from './db'

/** The releases whose pages visitors have seen and that are not noted yet, the oldest first. */
export function releasesToNote(job: string): string[] {
  return sql<[string], { id: string }>(
    `SELECT DISTINCT release.id FROM publication JOIN release ON release.id = publication.release
     WHERE publication.job = ? AND switched_at IS NOT NULL AND manifest <> '{}' AND noted = 0 ORDER BY release.rowid`,
  )
    .all(job)
    .map(({ id }) => id)
}

export function notePaths(job: string, revision: number, paths: readonly PublishedPath[]): void {
  const insert = sql('INSERT OR IGNORE INTO published_path (job, revision, path, page) VALUES (?, ?, ?, ?)')
  db().transaction(() => paths.forEach(({ path, page }) => insert.run(job, revision, path, page)))()
}

/** All addresses of a release are noted. */
export function noteReleaseNoted(job: string, release: string): void {
  sql('UPDATE release SET noted = 1 WHERE job = ? AND id = ?').run(job, release)
}

/** Every address at which visitors have found a page, with the page that they found there last. */
export function listPublishedPaths(job: string): PublishedPath[] {
  return sql<[string], PublishedPath & { revision: number }>(
    'SELECT path, page, max(revision) AS revision FROM published_path WHERE job = ? GROUP BY path ORDER BY path',
  )
    .all(job)
    .map(({ path, page }) => ({ path, page }))
}

/** Everything that is noted of a job's addresses, by revision. */
export function notedPaths(job: string): readonly (PublishedPath & { readonly revision: number })[] {
  return sql<[string], PublishedPath & { revision: number }>(
    'SELECT revision, path, page FROM published_path WHERE job = ? ORDER BY revision, path',
  ).all(job)
}
