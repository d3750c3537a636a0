import * as v from 'valibot'
import { mayEditJobs, type Person } from '../../core/people'
import type { AccountView, AuditRow } from '../../core/replies'
import { Problem } from '../problems'
import { noteRightGuess, noteWrongGuess, refuseGuessing } from '../people/guessing'
import { emailSchema, fittingName, fittingPassword, freeEmail, nameSchema, passwordSchema } from '../people/new-person'
import { isPassword } from '../people/password'
import type { Whence } from '../people/sessions'
import { auditLines, noteAudit } from '../store/audit'
import { db } from '../store/db'
import { deleteSignInLinksOf, openInvitations } from '../store/sign-in-links'
import { passkeysOf } from '../store/passkeys'
import { changePerson, findPerson, grantsOf, listPeople, namesOfPeople } from '../store/people'
import { endSession, endSessionsOf, sessionsOf } from '../store/sessions'
import { lastCheck } from './check'
import { listJobLines } from './list-jobs'

const AUDIT_AT_ONCE = 50

export function accountView(me: Person, session: string): AccountView {
  return {
    me,
    sessions: sessionsOf(me.id).map(({ id, device, address, seenAt, hash }) => ({ id, device, address, seenAt, isThis: hash === session })),
    passkeys: passkeysOf(me.id).map(({ id, name, madeAt, usedAt }) => ({ id, name, madeAt, usedAt })),
    people: me.role === 'owner' ? peopleView(me) : null,
  }
}

function peopleView(me: Person): AccountView['people'] {
  return {
    all: listPeople().map((person) => ({ ...person, grants: mayEditJobs(person) ? [] : grantsOf(person.id) })),
    invitations: openInvitations(new Date().toISOString()).map(({ id, email, role, job, may, until }) => ({
      id,
      email: email ?? '',
      role: role ?? 'guest',
      job,
      may,
      until,
    })),
    jobs: listJobLines(me)
      .filter(({ shelf }) => shelf !== 'bin')
      .map(({ id, name }) => ({ id, name })),
    audit: auditPage(Number.MAX_SAFE_INTEGER),
    check: lastCheck(),
  }
}

/** What was done before a line of the audit list, newest first, a page at a time. */
export function auditPage(before: number): readonly AuditRow[] {
  const names = namesOfPeople()
  return auditLines(before, AUDIT_AT_ONCE).map((line) => ({ ...line, person: line.person && (names.get(line.person) ?? line.person) }))
}

export const changeSchema = v.variant('part', [
  v.strictObject({ part: v.literal('name'), value: nameSchema }),
  v.strictObject({ part: v.literal('email'), value: emailSchema, password: passwordSchema }),
  v.strictObject({ part: v.literal('password'), value: passwordSchema, password: passwordSchema }),
])

/**
 * Changes somebody's own name, or, with the password, what he signs in with. A new password ends every other session, and what else would
 * let him in without it.
 */
export async function changeAccount(
  me: Person,
  session: string,
  change: v.InferOutput<typeof changeSchema>,
  whence: Whence,
): Promise<void> {
  if (change.part === 'name') return changePerson(me.id, { name: fittingName(change.value) })
  await refuseWrongPassword(me, change.password, whence)
  if (change.part === 'email') {
    const email = freeEmail(change.value, me.id)
    changePerson(me.id, { email })
    return noteAudit({ person: me.id, what: 'email changed', about: `${me.email} to ${email}`, address: whence.address })
  }
  const password = await fittingPassword(change.value, [me.name, me.email])
  db().transaction(() => {
    changePerson(me.id, { password })
    endSessionsOf(me.id, session)
    deleteSignInLinksOf(me.id)
    noteAudit({ person: me.id, what: 'password changed', about: 'other sessions ended', address: whence.address })
  })()
}

/** Whoever changes a secret says the password once more: a screen left open is not enough. */
export async function refuseWrongPassword(me: Person, password: string, whence: Whence): Promise<void> {
  refuseGuessing(me.email, whence.address)
  if (await isPassword(password, findPerson(me.id)?.password ?? null)) return noteRightGuess(me.email)
  noteWrongGuess(me.email, whence.address)
  throw new Problem('passwordWrong')
}

export function endOneSession(me: Person, id: string, whence: Whence): void {
  if (endSession(me.id, id)) noteAudit({ person: me.id, what: 'session ended', about: '', address: whence.address })
}
