import { browserSupportsWebAuthn, startAuthentication, startRegistration, WebAuthnError } from '@simplewebauthn/browser'
import type { PublicKeyCredentialCreationOptionsJSON, PublicKeyCredentialRequestOptionsJSON } from '@simplewebauthn/browser'
import { passkeyOptions } from '@/core/replies'
import { ApiError, askJson, sendJson } from '../request/api'

/** Why no passkey can be used here; null where one can. A passkey belongs to a name; a number is none (Web Authentication, 5.1.3). */
export function whyNoPasskeys(): string | null {
  if (/^[\d.]+$|^\[/.test(window.location.hostname)) {
    const named = `${window.location.protocol}//localhost:${window.location.port}`
    return `A passkey belongs to a name, and this address is a number. Open ${named} instead.`
  }
  return browserSupportsWebAuthn() ? null : 'This browser has no passkeys. Use your password.'
}

/** Signs in by a passkey; false where the person has thought better of it. */
export function signInByPasskey(): Promise<boolean> {
  return orCalledOff(async () => {
    const optionsJSON = await askJson('/api/sign-in/passkey', {}, passkeyOptions<PublicKeyCredentialRequestOptionsJSON>())
    await sendJson('/api/sign-in/passkey', await startAuthentication({ optionsJSON }), 'PUT')
  })
}

/** Makes a passkey on this device; false where the person has thought better of it. */
export function addPasskey(password: string): Promise<boolean> {
  return orCalledOff(async () => {
    const optionsJSON = await askJson('/api/account/passkeys', { password }, passkeyOptions<PublicKeyCredentialCreationOptionsJSON>())
    await sendJson('/api/account/passkeys', await startRegistration({ optionsJSON }), 'PUT')
  })
}

async function orCalledOff(work: () => Promise<void>): Promise<boolean> {
  const why = whyNoPasskeys()
  if (why !== null) throw new ApiError(0, 'noPasskeys', why)
  try {
    await work()
    return true
  } catch (error) {
    const name = error instanceof WebAuthnError || error instanceof Error ? error.name : ''
    if (name === 'NotAllowedError' || name === 'AbortError') return false
    if (name === 'InvalidStateError') throw new ApiError(0, 'passkeyKnown', 'This device has a passkey for you already.')
    throw error
  }
}
