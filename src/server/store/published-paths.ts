import type { PublishedPath } from '../../core/pages'
import { db, sql } from './db'

/** The revisions whose pages visitors have seen and that are not noted yet. */
export function revisionsToNote(job: string): number[] {
  return sql<[string], { revision: number }>(
    `SELECT DISTINCT release.revision FROM publication JOIN release ON release.id = publication.release
     WHERE publication.job = ? AND switched_at IS NOT NULL AND manifest <> '{}'
     AND NOT EXISTS (SELECT 1 FROM published_path AS noted WHERE noted.job = publication.job AND noted.revision = release.revision)`,
  )
    .all(job)
    .map(({ revision }) => revision)
}

export function notePaths(job: string, revision: number, paths: readonly PublishedPath[]): void {
  const insert = sql('INSERT OR IGNORE INTO published_path (job, revision, path, page) VALUES (?, ?, ?, ?)')
  db().transaction(() => paths.forEach(({ path, page }) => insert.run(job, revision, path, page)))()
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
