import * as v from 'valibot'
import { manifestSchema, type Manifest } from '../../core/release'
import { db } from '../db'
import { Problem } from '../problems'

export type Release = {
  readonly id: string
  readonly number: number | null
  readonly revision: number
  readonly address: string
  readonly manifest: Manifest
  readonly builtAt: string
  readonly firstLiveAt: string | null
  readonly lastLiveAt: string | null
}
type ReleaseRow = { id: string; number: number | null; revision: number; address: string; manifest: string; built_at: string; first_live_at: string | null; last_live_at: string | null }
const COLUMNS = 'id, number, revision, address, manifest, built_at, first_live_at, last_live_at'

function toRelease(row: ReleaseRow): Release {
  return {
    id: row.id, number: row.number, revision: row.revision, address: row.address, builtAt: row.built_at, firstLiveAt: row.first_live_at,
    lastLiveAt: row.last_live_at, manifest: v.parse(manifestSchema, JSON.parse(row.manifest)),
  }
}

/** Releases that visitors have seen, newest switch first: the first one is live. */
export function publishedReleases(job: string): Release[] {
  return db().prepare<[string], ReleaseRow>(`SELECT ${COLUMNS} FROM release WHERE job = ? AND first_live_at IS NOT NULL ORDER BY last_live_at DESC, number DESC`).all(job).map(toRelease)
}

export function liveRelease(job: string): Release | null {
  return publishedReleases(job)[0] ?? null
}

export function getRelease(job: string, id: string): Release {
  const row = db().prepare<[string, string], ReleaseRow>(`SELECT ${COLUMNS} FROM release WHERE job = ? AND id = ?`).get(job, id)
  if (!row) throw new Problem('releaseGone')
  return toRelease(row)
}

export function insertRelease(job: string, release: { id: string; revision: number; address: string; manifest: Manifest }): void {
  db().prepare('INSERT INTO release (id, job, revision, address, manifest, built_at) VALUES (?, ?, ?, ?, ?, ?)')
    .run(release.id, job, release.revision, release.address, JSON.stringify(release.manifest), new Date().toISOString())
}

/** Notes that visitors have been switched to a release; the first time it also gets its number. */
export function noteLive(job: string, id: string): void {
  const now = new Date().toISOString()
  db().prepare(`UPDATE release SET first_live_at = coalesce(first_live_at, ?), last_live_at = ?,
    number = coalesce(number, (SELECT 1 + coalesce(max(number), 0) FROM release WHERE job = ?)) WHERE id = ?`).run(now, now, job, id)
}
