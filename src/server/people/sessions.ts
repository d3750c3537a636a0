import { nanoid } from 'nanoid'
import type { Person } from '../../core/people'
import { isReadOnly } from '../store/db'
import { findPerson } from '../store/people'
import { endSession, endSessionsBefore, findSession, insertSession, noteSeen } from '../store/sessions'
import { deviceOf } from './device'
import { hashOfToken, newToken } from './tokens'

/** How long a session lasts that nobody uses, and how long at most. OWASP ASVS 4.0.3, 3.3.2 (level 1): 30 days. */
const IDLE_MS = 14 * 86_400_000
export const LONGEST_MS = 30 * 86_400_000
/** How often it is noted that a session is in use. */
const NOTE_MS = 60_000

/** Whence a request comes, as far as it says. */
export type Whence = { readonly device: string | null; readonly address: string }

/** Who does something, and whence. */
export type By = { readonly person: Person; readonly whence: Whence }

/** Begins a session; its token is told once, to the device that has signed in. */
export function beginSession(person: string, { device, address }: Whence): string {
  const token = newToken()
  const at = new Date().toISOString()
  endSessionsBefore(new Date(Date.now() - LONGEST_MS).toISOString())
  insertSession({ hash: hashOfToken(token), id: nanoid(12), person, begunAt: at, seenAt: at, device: deviceOf(device), address })
  return token
}

/** Whose token it is; null where its session is over. */
export function whoseToken(token: string): { readonly person: Person; readonly session: string } | null {
  const session = findSession(hashOfToken(token))
  if (!session) return null
  const [now, seen, begun] = [Date.now(), Date.parse(session.seenAt), Date.parse(session.begunAt)]
  const person = findPerson(session.person)
  if (!person || now - seen > IDLE_MS || now - begun > LONGEST_MS) {
    if (!isReadOnly()) endSession(session.person, session.id)
    return null
  }
  if (now - seen > NOTE_MS && !isReadOnly()) noteSeen(session.hash, new Date(now).toISOString())
  const { id, name, email, role } = person
  return { person: { id, name, email, role }, session: session.hash }
}
