import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server'
import * as v from 'valibot'
import type { Person } from '../../core/people'
import { Problem } from '../problems'
import { deviceOf } from '../people/device'
import { passwordSchema } from '../people/new-person'
import type { Whence } from '../people/sessions'
import { noteAudit } from '../store/audit'
import { deletePasskey, findPasskey, insertPasskey, keepChallenge, notePasskeyUse, passkeysOf, takeChallenge } from '../store/passkeys'
import { findPerson } from '../store/people'
import { refuseWrongPassword } from './account'
import { letIn } from './come-in'

/** How long a browser has to answer. */
const ANSWER_MS = 300_000

const text = v.pipe(v.string(), v.maxLength(20_000))
export const askForPasskeySchema = v.strictObject({ password: passwordSchema })
/** What a browser answers (Web Authentication Level 3, 5.1.8); what it holds is checked by the library. */
export const answerSchema = v.object({
  id: text,
  rawId: text,
  type: v.literal('public-key'),
  response: v.record(v.string(), v.union([text, v.number(), v.null(), v.array(text)])),
  clientExtensionResults: v.optional(v.looseObject({}), {}),
  authenticatorAttachment: v.optional(text),
})
type Answer = v.InferOutput<typeof answerSchema>

/** Where the application is, as a browser names it: a passkey belongs to one name. */
export type Here = { readonly origin: string; readonly name: string }

/** What a browser is asked for to make a passkey; the person says the password once more. */
export async function askForPasskey(
  me: Person,
  { password }: v.InferOutput<typeof askForPasskeySchema>,
  here: Here,
  whence: Whence,
): Promise<PublicKeyCredentialCreationOptionsJSON> {
  await refuseWrongPassword(me, password, whence)
  const options = await generateRegistrationOptions({
    rpName: 'Instant Fit',
    rpID: here.name,
    userName: me.email,
    userDisplayName: me.name,
    userID: new TextEncoder().encode(me.id),
    attestationType: 'none',
    excludeCredentials: passkeysOf(me.id).map(({ id, transports }) => ({ id, transports: [...transports] })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'preferred' },
  })
  keepChallenge(options.challenge, me.id, untilNow(ANSWER_MS))
  return options
}

/** Takes the passkey that a browser has made. */
export async function takePasskey(me: Person, answer: Answer, here: Here, whence: Whence): Promise<void> {
  const { registrationInfo } = await orWrong(() =>
    verifyRegistrationResponse({
      response: answer as unknown as RegistrationResponseJSON,
      expectedChallenge: (challenge) => takeChallenge(challenge, me.id, untilNow(0)),
      expectedOrigin: here.origin,
      expectedRPID: here.name,
      requireUserVerification: false,
    }),
  )
  if (!registrationInfo) throw new Problem('passkeyWrong', { why: 'it does not prove what it says' })
  const { id, publicKey, counter, transports = [] } = registrationInfo.credential
  insertPasskey({ id, person: me.id, publicKey, counter, transports, name: deviceOf(whence.device), madeAt: untilNow(0) })
  noteAudit({ person: me.id, what: 'passkey added', about: deviceOf(whence.device), address: whence.address })
}

export function removePasskey(me: Person, id: string, whence: Whence): void {
  if (deletePasskey(me.id, id)) noteAudit({ person: me.id, what: 'passkey removed', about: '', address: whence.address })
}

/** What a browser is asked for to sign somebody in, whoever it is. */
export async function askToSignIn(here: Here): Promise<PublicKeyCredentialRequestOptionsJSON> {
  const options = await generateAuthenticationOptions({ rpID: here.name, userVerification: 'preferred' })
  keepChallenge(options.challenge, null, untilNow(ANSWER_MS))
  return options
}

/** Signs in whoever's passkey has answered. Gives the session's token. */
export async function signInByPasskey(answer: Answer, here: Here, whence: Whence): Promise<string> {
  const passkey = findPasskey(answer.id)
  const person = passkey ? findPerson(passkey.person) : null
  if (!passkey || !person) throw new Problem('passkeyWrong', { why: 'nobody here has it any more' })
  const { id, publicKey, counter, transports } = passkey
  const { verified, authenticationInfo } = await orWrong(() =>
    verifyAuthenticationResponse({
      response: answer as unknown as AuthenticationResponseJSON,
      expectedChallenge: (challenge) => takeChallenge(challenge, null, untilNow(0)),
      expectedOrigin: here.origin,
      expectedRPID: here.name,
      credential: { id, publicKey, counter, transports: [...transports] },
      requireUserVerification: false,
    }),
  )
  if (!verified) throw new Problem('passkeyWrong', { why: 'it does not prove what it says' })
  notePasskeyUse(id, authenticationInfo.newCounter, untilNow(0))
  return letIn(person, 'with a passkey', whence)
}

/** The library tells what it does not believe by an error. */
async function orWrong<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof Problem) throw error
    throw new Problem('passkeyWrong', { why: 'its answer is not one to what was asked' }, { cause: error })
  }
}

function untilNow(ms: number): string {
  return new Date(Date.now() + ms).toISOString()
}
