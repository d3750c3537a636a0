import type { May, Role } from '../../core/people'
import { sql } from './db'

/** A link that lets somebody in once, until a day. */
export type SignInLink = {
  readonly hash: string
  readonly id: string
  readonly kind: 'sign-in' | 'recovery' | 'invitation'
  /** Whom it lets in; null where it invites somebody new. */
  readonly person: string | null
  readonly email: string | null
  readonly role: Role | null
  /** The one job that a guest is invited to. */
  readonly job: string | null
  readonly may: May | null
  readonly madeBy: string | null
  readonly madeAt: string
  readonly until: string
}
type Row = Omit<SignInLink, 'madeBy' | 'madeAt'> & { readonly made_by: string | null; readonly made_at: string }

const COLUMNS = 'hash, id, kind, person, email, role, job, may, made_by, made_at, until'

export function insertSignInLink(pass: SignInLink): void {
  const { hash, id, kind, person, email, role, job, may, madeBy, madeAt, until } = pass
  sql(`INSERT INTO pass (${COLUMNS}) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`).run(
    hash,
    id,
    kind,
    person,
    email,
    role,
    job,
    may,
    madeBy,
    madeAt,
    until,
  )
}

/** A pass that was not used and holds still. */
export function findSignInLink(hash: string, now: string): SignInLink | null {
  const row = sql<[string, string], Row>(`SELECT ${COLUMNS} FROM pass WHERE hash = ? AND used_at IS NULL AND until > ?`).get(hash, now)
  return row ? toPass(row) : null
}

/** Uses a pass; false where it was used meanwhile. */
export function spendSignInLink(hash: string, now: string): boolean {
  return sql('UPDATE pass SET used_at = ? WHERE hash = ? AND used_at IS NULL AND until > ?').run(now, hash, now).changes > 0
}

/** Invitations that nobody has answered yet. */
export function openInvitations(now: string): readonly SignInLink[] {
  return sql<[string], Row>(`SELECT ${COLUMNS} FROM pass WHERE kind = 'invitation' AND used_at IS NULL AND until > ? ORDER BY made_at, id`)
    .all(now)
    .map(toPass)
}

export function deleteSignInLink(id: string): void {
  sql('DELETE FROM pass WHERE id = ?').run(id)
}

/** What let somebody in by another way than the password is worth nothing once the password is a new one. */
export function deleteSignInLinksOf(person: string): void {
  sql('DELETE FROM pass WHERE person = ?').run(person)
}

function toPass({ made_by, made_at, ...rest }: Row): SignInLink {
  return { ...rest, madeBy: made_by, madeAt: made_at }
}
