import { hash, verify } from '@node-rs/argon2'
import PQueue from 'p-queue'
import { kept } from '../files/kept'
import { newToken } from './tokens'

/** Argon2id (2, RFC 9106) with 128 MiB and four passes: a quarter to half a second; well above OWASP's least of 19 MiB and two. */
const COSTS = { algorithm: 2, memoryCost: 131_072, timeCost: 4, parallelism: 1 } as const

/** Two at a time: however many guess, memory and processors are left for those who work. */
const queue = (): PQueue => kept('password-queue', () => new PQueue({ concurrency: 2 }))

export function hashPassword(password: string): Promise<string> {
  return queue().add(() => hash(inOneForm(password), COSTS))
}

/** Whether it is the password; where nobody is known, as much work is done, so that the time does not tell. */
export async function isPassword(password: string, kept: string | null): Promise<boolean> {
  const known = kept ?? (await nobodys())
  const right = await queue().add(() => verify(known, inOneForm(password)))
  return right && kept !== null
}

function nobodys(): Promise<string> {
  return kept('nobodys-password', () => hashPassword(newToken()))
}

/** A letter typed on one keyboard as one character and on another as two is the same letter (NIST SP 800-63B, 5.1.1.2: NFKC). */
function inOneForm(password: string): string {
  return password.normalize('NFKC')
}
