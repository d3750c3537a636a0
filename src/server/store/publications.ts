import { db, sql } from './db'
import { numberRelease } from './releases'

/** A release put on a destination, and how far that has come. */
export type Publication = {
  readonly id: string
  readonly job: string
  readonly destination: string
  readonly release: string
  readonly address: string
  readonly movedFrom: string | null
  /** Who published it, and what they noted; nobody where that was not kept yet. */
  readonly person: string | null
  readonly note: string
  readonly switchedAt: string | null
  readonly doneAt: string | null
}
type Row = {
  id: string
  job: string
  destination: string
  release: string
  address: string
  moved_from: string | null
  person: string | null
  note: string
  switched_at: string | null
  done_at: string | null
}
const COLUMNS = 'id, job, destination, release, address, moved_from, person, note, switched_at, done_at'

function toPublication({ moved_from, switched_at, done_at, ...row }: Row): Publication {
  return { ...row, movedFrom: moved_from, switchedAt: switched_at, doneAt: done_at }
}

export function insertPublication(publication: Omit<Publication, 'switchedAt' | 'doneAt'>): void {
  const { id, job, destination, release, address, movedFrom, person, note } = publication
  sql(
    `INSERT INTO publication (id, job, destination, release, address, moved_from, person, note, begun_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(id, job, destination, release, address, movedFrom, person, note, new Date().toISOString())
}

/** Of what a job has, a destination that was let go has no part: what is there is its owner's. */
const STILL_OURS = "(destination = 'web-host' OR destination IN (SELECT id FROM destination))"

/** Where the newest switch of a destination is to a release with something in it: where it is to none, the site was taken off there. */
const IS_LIVE = `switch IS NOT NULL AND ${STILL_OURS} AND switch = (SELECT max(switch) FROM publication AS later
  WHERE later.job = publication.job AND later.destination = publication.destination)
  AND NOT EXISTS (SELECT 1 FROM release AS live WHERE live.id = publication.release AND live.manifest = '{}')`

/** What visitors see: not what lies somewhere until somebody puts it up by hand. */
const IS_SEEN = 'destination NOT IN (SELECT id FROM destination WHERE seen = 0)'

export function getPublication(id: string): Publication {
  const row = sql<[string], Row>(`SELECT ${COLUMNS} FROM publication WHERE id = ?`).get(id)
  if (!row) throw new Error(`There is no publication ${id}`)
  return toPublication(row)
}

/** When visitors saw a job's site for the first time; null where they never have. */
export function firstSwitchOf(job: string): string | null {
  return (
    sql<[string], { at: string | null }>(`SELECT min(switched_at) AS at FROM publication WHERE job = ? AND ${IS_SEEN}`).get(job)?.at ?? null
  )
}

/**
 * What visitors of a job's site see now: the newest switch, whatever the clock said; on one destination, or, where none is named, on
 * the one that was published to last and that visitors see.
 */
export function livePublication(job: string, destination: string | null = null): Publication | null {
  const row = sql<[string, string | null, string | null], Row>(
    `SELECT ${COLUMNS} FROM publication WHERE job = ? AND ${IS_LIVE} AND (destination = ? OR ? IS NULL AND ${IS_SEEN})
     ORDER BY switch DESC LIMIT 1`,
  ).get(job, destination, destination)
  return row ? toPublication(row) : null
}

/** Every address that a job's site has been at on a destination. */
export function addressesOf(job: string, destination: string): string[] {
  return sql<[string, string], { address: string }>(
    'SELECT DISTINCT address FROM publication WHERE job = ? AND destination = ? AND switch IS NOT NULL ORDER BY address',
  )
    .all(job, destination)
    .map(({ address }) => address)
}

/** Publications that were begun and neither finished nor given up, oldest first: of all jobs or one, to anywhere or one destination. */
export function openPublications(job: string | null = null, destination: string | null = null): Publication[] {
  return sql<[string | null, string | null, string | null, string | null], Row>(
    `SELECT ${COLUMNS} FROM publication WHERE done_at IS NULL AND given_up IS NULL AND ${STILL_OURS}
     AND (? IS NULL OR job = ?) AND (? IS NULL OR destination = ?) ORDER BY rowid`,
  )
    .all(job, job, destination, destination)
    .map(toPublication)
}

/** Notes that visitors have been switched; said again it changes nothing. The first time a release is seen it gets its number. */
export function noteSwitched({ id, job, release }: Publication): void {
  db().transaction(() => {
    numberRelease(job, release)
    const next = '(SELECT 1 + coalesce(max(switch), 0) FROM publication)'
    sql(`UPDATE publication SET switched_at = ?, switch = ${next} WHERE id = ? AND switch IS NULL`).run(new Date().toISOString(), id)
  })()
}

export function noteDone(id: string): void {
  sql('UPDATE publication SET done_at = ? WHERE id = ?').run(new Date().toISOString(), id)
}

/** Visitors never saw it, and it is not tried again. */
export function giveUp(id: string, why: string): void {
  sql('UPDATE publication SET given_up = ? WHERE id = ? AND switched_at IS NULL').run(why, id)
}

/** What is live of a job, with what is told of its release. */
export type Live = {
  readonly destination: string
  readonly address: string
  readonly switchedAt: string
  readonly number: number | null
  readonly revision: number
}

/** What is live of every job that has been published. */
export function liveOfAll(): Map<string, Live> {
  const rows = sql<[], { job: string; destination: string; address: string; switched_at: string; number: number | null; revision: number }>(
    `SELECT publication.job, destination, publication.address, switched_at, max(switch), number, revision
     FROM publication JOIN release ON release.id = publication.release WHERE ${IS_LIVE} AND ${IS_SEEN}
     GROUP BY publication.job`,
  ).all()
  return new Map(rows.map(({ job, switched_at, ...live }) => [job, { ...live, switchedAt: switched_at }]))
}
