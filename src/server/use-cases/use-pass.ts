import * as v from 'valibot'
import type { Person } from '../../core/people'
import { Problem } from '../problems'
import { fittingPassword, makePerson, nameSchema, passwordSchema } from '../people/new-person'
import { beginSession, type Whence } from '../people/sessions'
import { hashOfToken } from '../people/tokens'
import { noteAudit } from '../store/audit'
import { db } from '../store/db'
import { deleteSignInLinksOf, findSignInLink, spendSignInLink, type SignInLink } from '../store/sign-in-links'
import { changePerson, findPerson, findPersonByEmail, listPeople, setGrant } from '../store/people'
import { endSessionsOf } from '../store/sessions'
import { letIn } from './come-in'
import { makePass } from './invite'

/** What a link is for, as its page says it. */
export type PassView = { readonly kind: SignInLink['kind']; readonly name: string; readonly email: string }

/** What a link lets one do; looking does not use it up. Null where it lets nobody in any more. */
export function lookAtPass(token: string): PassView | null {
  const pass = findSignInLink(hashOfToken(token), new Date().toISOString())
  const person = pass?.person ? findPerson(pass.person) : null
  if (!pass || (pass.person !== null && !person)) return null
  return { kind: pass.kind, name: person?.name ?? '', email: person?.email ?? pass.email ?? '' }
}

export const usePassSchema = v.strictObject({
  token: v.pipe(v.string(), v.maxLength(100)),
  name: v.optional(nameSchema),
  password: v.optional(passwordSchema),
})

/** Lets in whoever has the link, once: as he is, with a new password, or as somebody new. Gives the session's token. */
export async function usePass({ token, name = '', password = '' }: v.InferOutput<typeof usePassSchema>, whence: Whence): Promise<string> {
  const hash = hashOfToken(token)
  const pass = findSignInLink(hash, new Date().toISOString())
  if (!pass) throw new Problem('passGone')
  const take = (): void => {
    if (!spendSignInLink(hash, new Date().toISOString())) throw new Problem('passGone')
  }
  if (pass.person === null) return join(pass, { name, password }, take, whence)
  const person = findPerson(pass.person)
  if (!person) throw new Problem('passGone')
  const changed = pass.kind === 'recovery' ? await fittingPassword(password, [person.name, person.email]) : null
  return db().transaction(() => {
    take()
    if (changed !== null) {
      changePerson(person.id, { password: changed })
      endSessionsOf(person.id)
      deleteSignInLinksOf(person.id)
      noteAudit({ person: person.id, what: 'password changed', about: 'by a link', address: whence.address })
    }
    return letIn(person, 'by a link', whence)
  })()
}

async function join(pass: SignInLink, given: { name: string; password: string }, take: () => void, whence: Whence): Promise<string> {
  const person = await makePerson({ ...given, email: pass.email ?? '' }, pass.role ?? 'guest', take)
  if (pass.job !== null && pass.may !== null) setGrant(person.id, pass.job, pass.may)
  noteAudit({ person: person.id, what: 'joined', about: person.email, address: whence.address })
  return beginSession(person.id, whence)
}

/** A link for somebody who cannot sign in, made by whoever runs this computer: to set a new password, or to come in once. */
export function makeLink(email: string, kind: 'recovery' | 'sign-in', hours: number): string | null {
  const person = findPersonByEmail(email)
  if (!person) return null
  noteAudit({ person: person.id, what: 'link made', about: kind, address: 'this computer' })
  return makePass({ kind, person: person.id, email: null, role: null, job: null, may: null, madeBy: null, hours })
}

/** Everybody who can sign in, for whoever runs this computer. */
export function listEverybody(): readonly Person[] {
  return listPeople()
}
