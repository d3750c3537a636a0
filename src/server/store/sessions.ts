import { sql } from './db'

/** One device that somebody is signed in on. `hash` is of its token, which only that device has. */
export type Session = {
  readonly hash: string
  readonly id: string
  readonly person: string
  readonly begunAt: string
  readonly seenAt: string
  readonly device: string
  readonly address: string
}
type Row = Omit<Session, 'begunAt' | 'seenAt'> & { readonly begun_at: string; readonly seen_at: string }

const COLUMNS = 'hash, id, person, begun_at, seen_at, device, address'

export function insertSession({ hash, id, person, begunAt, seenAt, device, address }: Session): void {
  sql(`INSERT INTO session (${COLUMNS}) VALUES (?, ?, ?, ?, ?, ?, ?)`).run(hash, id, person, begunAt, seenAt, device, address)
}

export function findSession(hash: string): Session | null {
  const row = sql<[string], Row>(`SELECT ${COLUMNS} FROM session WHERE hash = ?`).get(hash)
  return row ? toSession(row) : null
}

/** Somebody's sessions, the one used last first. */
export function sessionsOf(person: string): readonly Session[] {
  return sql<[string], Row>(`SELECT ${COLUMNS} FROM session WHERE person = ? ORDER BY seen_at DESC, id`).all(person).map(toSession)
}

export function noteSeen(hash: string, at: string): void {
  sql('UPDATE session SET seen_at = ? WHERE hash = ?').run(at, hash)
}

export function endSession(person: string, id: string): boolean {
  return sql('DELETE FROM session WHERE person = ? AND id = ?').run(person, id).changes > 0
}

/** Ends all of somebody's sessions, but for one. */
export function endSessionsOf(person: string, butFor: string | null = null): void {
  sql('DELETE FROM session WHERE person = ? AND hash IS NOT ?').run(person, butFor)
}

/** Ends what nobody has used since a day. */
export function endSessionsBefore(seenAt: string): void {
  sql('DELETE FROM session WHERE seen_at < ?').run(seenAt)
}

function toSession({ begun_at, seen_at, ...rest }: Row): Session {
  return { ...rest, begunAt: begun_at, seenAt: seen_at }
}
