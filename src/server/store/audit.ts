import { sql } from './db'

/** What is worth knowing of later: who came in, what went live, which secrets and people changed. */
export const AUDITED = [
  'first start',
  'signed in',
  'sign-in refused',
  'signed out',
  'session ended',
  'password changed',
  'email changed',
  'passkey added',
  'passkey removed',
  'link made',
  'link used',
  'invited',
  'invitation taken back',
  'joined',
  'role changed',
  'let go',
  'published',
  'address changed',
  'job deleted',
  'destination added',
  'destination changed',
  'destination let go',
  'withdrawn',
  // As it was called at first: what is written stays as it is.
  'publication planned',
  'publication scheduled',
  'domain added',
  'domain let go',
] as const
export type Audited = (typeof AUDITED)[number]
export type AuditLine = {
  readonly number: number
  readonly at: string
  readonly person: string | null
  readonly what: Audited
  readonly about: string
  readonly address: string
}

export function noteAudit(line: Omit<AuditLine, 'number' | 'at'>): void {
  const { person, what, about, address } = line
  sql('INSERT INTO audit (at, person, what, about, address) VALUES (?, ?, ?, ?, ?)').run(
    new Date().toISOString(),
    person,
    what,
    about.slice(0, 200),
    address,
  )
}

/** The newest lines before a number. */
export function auditLines(before: number, most: number): readonly AuditLine[] {
  return sql<[number, number], AuditLine>(
    'SELECT number, at, person, what, about, address FROM audit WHERE number < ? ORDER BY number DESC LIMIT ?',
  ).all(before, most)
}
