import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { May, Person, Role } from '../../core/people'
import { findFactFault } from '../../core/site'
import { Problem } from '../problems'
import { emailSchema } from '../people/new-person'
import type { Whence } from '../people/sessions'
import { hashOfToken, newToken } from '../people/tokens'
import { noteAudit } from '../store/audit'
import { db } from '../store/db'
import { getJob } from '../store/jobs'
import { deleteSignInLink, insertSignInLink, type SignInLink } from '../store/sign-in-links'
import { changePerson, findPerson, findPersonByEmail, letPersonGo, listPeople, setGrant } from '../store/people'

const HOUR_MS = 3_600_000
const may = v.picklist(['edit', 'read'] as const)
const roles = v.picklist(['owner', 'editor', 'reader', 'guest'] as const)
/** Somebody for all jobs, or for one. */
export const inviteSchema = v.union([
  v.strictObject({ email: emailSchema, role: v.picklist(['owner', 'editor', 'reader'] as const) }),
  v.strictObject({ email: emailSchema, job: v.string(), may }),
])
export const changePersonSchema = v.union([v.strictObject({ role: roles }), v.strictObject({ job: v.string(), may: v.nullable(may) })])

/** Invites somebody by a link, which is told once; somebody who has an account here is let at the job at once, and there is no link. */
export function invite(by: Person, given: v.InferOutput<typeof inviteSchema>, whence: Whence): string | null {
  const { email } = given
  const fault = email === '' ? 'An invitation needs an email address.' : findFactFault('email', email)
  if (fault) throw new Problem('nameWrong', { fault })
  const job = 'job' in given ? getJob(given.job).id : null
  const known = findPersonByEmail(email)
  if (known && !('job' in given)) throw new Problem('emailTaken', { email })
  noteAudit({ person: by.id, what: 'invited', about: email, address: whence.address })
  if (known && 'job' in given) {
    setGrant(known.id, given.job, given.may)
    return null
  }
  return makePass({
    kind: 'invitation',
    person: null,
    email,
    job,
    role: 'job' in given ? 'guest' : given.role,
    may: 'job' in given ? given.may : null,
    madeBy: by.id,
    hours: 7 * 24,
  })
}

export function takeInvitationBack(by: Person, id: string, whence: Whence): void {
  deleteSignInLink(id)
  noteAudit({ person: by.id, what: 'invitation taken back', about: '', address: whence.address })
}

/** Gives somebody another role, or lets him at a job or no more. */
export function changeOther(by: Person, id: string, change: v.InferOutput<typeof changePersonSchema>, whence: Whence): void {
  const other = findPerson(id)
  if (!other) throw new Problem('personGone')
  if ('role' in change) {
    if (other.role === 'owner' && change.role !== 'owner') refuseLastOwner()
    changePerson(id, { role: change.role })
  } else setGrant(id, getJob(change.job).id, change.may)
  const about = 'role' in change ? `${other.email}: ${change.role}` : `${other.email}: ${change.may ?? 'not'} on one job`
  noteAudit({ person: by.id, what: 'role changed', about, address: whence.address })
}

/** Lets somebody go: he is signed out everywhere, and what he did stays under his name. */
export function letGoOf(by: Person, id: string, whence: Whence): void {
  const other = findPerson(id)
  if (!other) throw new Problem('personGone')
  if (other.role === 'owner') refuseLastOwner()
  db().transaction(() => {
    letPersonGo(id, new Date().toISOString())
    noteAudit({ person: by.id, what: 'let go', about: other.email, address: whence.address })
  })()
}

function refuseLastOwner(): void {
  if (listPeople().filter(({ role }) => role === 'owner').length < 2) throw new Problem('ownerLast')
}

type NewPass = Pick<SignInLink, 'kind' | 'person' | 'email' | 'job' | 'madeBy'> & { role: Role | null; may: May | null; hours: number }

/** A link's token; only its hash is kept. */
export function makePass({ hours, ...pass }: NewPass): string {
  const token = newToken()
  const now = Date.now()
  const until = new Date(now + hours * HOUR_MS).toISOString()
  insertSignInLink({ ...pass, hash: hashOfToken(token), id: nanoid(12), madeAt: new Date(now).toISOString(), until })
  return token
}
