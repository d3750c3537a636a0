import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Person, Role } from '../../core/people'
import { judgePassword } from '../../core/password'
import { fitWords, findFactFault } from '../../core/site'
import { Problem } from '../problems'
import { findPersonByEmail, insertPerson } from '../store/people'
import { hashPassword } from './password'

const MOST_NAME = 80
export const nameSchema = v.pipe(v.string(), v.trim(), v.maxLength(MOST_NAME))
export const emailSchema = v.pipe(v.string(), v.trim(), v.maxLength(200))
/** Any text at all; whether it will do is judged in words. */
export const passwordSchema = v.pipe(v.string(), v.maxLength(1000))

/** Somebody new, with an account of his own. `stillFree` is asked in the moment of writing, and says what has come between. */
export async function makePerson(
  given: { name: string; email: string; password: string },
  role: Role,
  between: () => void,
): Promise<Person> {
  const name = fittingName(given.name)
  const email = freeEmail(given.email)
  const password = await fittingPassword(given.password, [name, email])
  between()
  const person = { id: `person:${nanoid(12)}`, name, email, role }
  insertPerson({ ...person, password }, new Date().toISOString())
  return person
}

export function fittingName(typed: string): string {
  const name = fitWords(typed).trim()
  if (name === '') throw new Problem('nameWrong', { fault: 'An account needs a name, as others here know you.' })
  return name
}

/** An email that nobody else here has. */
export function freeEmail(email: string, mine: string | null = null): string {
  const fault = email === '' ? 'An account needs an email address; you sign in with it.' : findFactFault('email', email)
  if (fault) throw new Problem('nameWrong', { fault })
  const other = findPersonByEmail(email)
  if (other && other.id !== mine) throw new Problem('emailTaken', { email })
  return email
}

/** A password as it is kept, where it is hard enough to guess. */
export async function fittingPassword(password: string, mine: readonly string[]): Promise<string> {
  const { fault } = judgePassword(password, [...mine, 'Instant Fit'])
  if (fault) throw new Problem('nameWrong', { fault })
  return hashPassword(password)
}
