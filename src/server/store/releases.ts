import * as v from 'valibot'
import { manifestSchema, type Manifest } from '../../core/release'
import { Problem } from '../problems'
import { sql } from './db'

/** A page that went out alone, as it was at a revision. */
const aloneSchema = v.pipe(v.array(v.strictObject({ page: v.string(), revision: v.number() })), v.readonly())
export type Alone = v.InferOutput<typeof aloneSchema>

/** One built state of a site, made for an address; its number counts those that visitors have seen. */
export type Release = {
  readonly id: string
  readonly number: number | null
  readonly revision: number
  /** Pages that went out alone since that revision, in the order in which they did. */
  readonly alone: Alone
  readonly address: string
  readonly manifest: Manifest
  readonly builtAt: string
}
type ReleaseRow = {
  id: string
  number: number | null
  revision: number
  alone: string
  address: string
  manifest: string
  built_at: string
}
const COLUMNS = 'release.id, number, revision, alone, release.address, manifest, built_at'

function toRelease(row: ReleaseRow): Release {
  const { id, number, revision, address } = row
  const alone = v.parse(aloneSchema, JSON.parse(row.alone))
  return { id, number, revision, alone, address, builtAt: row.built_at, manifest: v.parse(manifestSchema, JSON.parse(row.manifest)) }
}

/** The page that went out alone in a release; null where all did. */
export function lastAlone({ alone }: Pick<Release, 'alone'>): string | null {
  return alone.at(-1)?.page ?? null
}

/** A release with when visitors were last switched to it, by whom, and what was noted then. */
export type PublishedRelease = Release & { readonly lastLiveAt: string; readonly person: string | null; readonly note: string }

/** What was noted of a release last: putting it back says nothing new of it. */
const NOTE = `coalesce((SELECT note FROM publication AS noted WHERE noted.release = release.id AND noted.note <> ''
  ORDER BY noted.switch DESC LIMIT 1), '')`

/** Releases that visitors have seen on a destination, newest switch first: the first one is live. */
export function publishedReleases(job: string, destination: string): PublishedRelease[] {
  return sql<[string, string], ReleaseRow & { last: string; person: string | null; note: string }>(
    `SELECT ${COLUMNS}, switched_at AS last, person, ${NOTE} AS note, max(switch) AS newest
     FROM publication JOIN release ON release.id = publication.release
     WHERE publication.job = ? AND destination = ? AND switch IS NOT NULL GROUP BY release.id ORDER BY newest DESC`,
  )
    .all(job, destination)
    .map((row) => ({ ...toRelease(row), lastLiveAt: row.last, person: row.person, note: row.note }))
}

export function getRelease(job: string, id: string): Release {
  const row = sql<[string, string], ReleaseRow>(`SELECT ${COLUMNS} FROM release WHERE job = ? AND id = ?`).get(job, id)
  if (!row) throw new Problem('releaseGone')
  return toRelease(row)
}

export function insertRelease(job: string, release: Omit<Release, 'number' | 'builtAt'>): void {
  sql('INSERT INTO release (id, job, revision, alone, address, manifest, built_at) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
    release.id,
    job,
    release.revision,
    JSON.stringify(release.alone),
    release.address,
    JSON.stringify(release.manifest),
    new Date().toISOString(),
  )
}

/** Gives a release its number, once: the next of those that visitors have seen. One with no file in it is none that anybody saw. */
export function numberRelease(job: string, id: string): void {
  const next = '(SELECT 1 + coalesce(max(number), 0) FROM release WHERE job = ?)'
  sql(`UPDATE release SET number = coalesce(number, ${next}) WHERE id = ? AND manifest <> '{}'`).run(job, id)
}

/** The newest release of one state for an address, if one was built and kept. */
export function findRelease(job: string, { revision, alone, address }: Pick<Release, 'revision' | 'alone' | 'address'>): Release | null {
  const row = sql<[string, number, string, string], ReleaseRow>(
    `SELECT ${COLUMNS} FROM release WHERE job = ? AND revision = ? AND alone = ? AND address = ? ORDER BY rowid DESC LIMIT 1`,
  ).get(job, revision, JSON.stringify(alone), address)
  return row ? toRelease(row) : null
}
