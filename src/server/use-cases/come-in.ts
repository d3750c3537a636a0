import * as v from 'valibot'
import type { Person } from '../../core/people'
import { Problem } from '../problems'
import { noteRightGuess, noteWrongGuess, refuseGuessing } from '../people/guessing'
import { emailSchema, makePerson, nameSchema, passwordSchema } from '../people/new-person'
import { isPassword } from '../people/password'
import { beginSession, type Whence } from '../people/sessions'
import { noteAudit } from '../store/audit'
import { db } from '../store/db'
import { findPersonByEmail, hasPeople } from '../store/people'
import { endSession, endSessionsOf, findSession } from '../store/sessions'

export const firstStartSchema = v.strictObject({ name: nameSchema, email: emailSchema, password: passwordSchema })
export const signInSchema = v.strictObject({ email: emailSchema, password: passwordSchema })

/** Whether the application is still to be told whose it is. */
export function isFirstStart(): boolean {
  return !hasPeople()
}

/** The first person, who owns the installation; there is one first start. Gives the token of the session that begins. */
export async function firstStart(given: v.InferOutput<typeof firstStartSchema>, whence: Whence): Promise<string> {
  const refuseSecond = (): void => {
    if (hasPeople()) throw new Problem('startedAlready')
  }
  refuseSecond()
  const person = await makePerson(given, 'owner', refuseSecond)
  noteAudit({ person: person.id, what: 'first start', about: person.email, address: whence.address })
  return beginSession(person.id, whence)
}

/** Signs somebody in by email and password; whoever guesses is let guess ever less often. Gives the session's token. */
export async function signIn({ email, password }: v.InferOutput<typeof signInSchema>, whence: Whence): Promise<string> {
  refuseGuessing(email, whence.address)
  const known = findPersonByEmail(email)
  if (!(await isPassword(password, known?.password ?? null)) || !known) {
    noteWrongGuess(email, whence.address)
    noteAudit({ person: known?.id ?? null, what: 'sign-in refused', about: email, address: whence.address })
    throw new Problem('signInWrong')
  }
  noteRightGuess(email)
  return letIn(known, 'with the password', whence)
}

/** Begins a session for somebody who has shown who he is, and notes how. */
export function letIn(person: Pick<Person, 'id'>, how: string, whence: Whence): string {
  noteAudit({ person: person.id, what: 'signed in', about: how, address: whence.address })
  return beginSession(person.id, whence)
}

/** Ends this session, or all of somebody's. */
export function signOut(person: Person, session: string, everywhere: boolean, whence: Whence): void {
  db().transaction(() => {
    const own = findSession(session)
    if (everywhere) endSessionsOf(person.id)
    else if (own) endSession(person.id, own.id)
    noteAudit({ person: person.id, what: 'signed out', about: everywhere ? 'everywhere' : 'here', address: whence.address })
  })()
}
