import { Agent } from 'node:https'
import { axios, Client, crypto } from 'acme-client'
import { findUnsealed, seal } from '../../files/secrets'
import { findAccount, keepAccount } from '../../store/domains'
import { authoritySettings } from '../settings'
import { trusted } from '../trusted'
import { isUnreachable } from './to-problem'

/** How often an authority is asked whether it is done, and after how long, in ms: ever less often. */
const ASKING = { backoffAttempts: 12, backoffMin: 250, backoffMax: 10_000 }

/** How often the client tries again by itself where nothing answers, and after how many seconds: somebody waits. */
const TRYING_AGAIN = {
  httpChallengePort: 80,
  httpsChallengePort: 443,
  tlsAlpnChallengePort: 443,
  retryMaxAttempts: 2,
  retryDefaultDelay: 1,
}

/** Ourselves at the authority: the account is made when it is first needed (RFC 8555, 7.3), its key sealed. */
export async function authorityClient(): Promise<Client> {
  const { directoryUrl } = authoritySettings()
  const ca = trusted()
  Object.assign(axios.defaults, { httpsAgent: ca ? new Agent({ ca }) : undefined, acmeSettings: TRYING_AGAIN })
  const known = knownClient(directoryUrl)
  if (known && (await isStillThere(known))) return known
  const accountKey = (await crypto.createPrivateEcdsaKey()).toString()
  const client = new Client({ directoryUrl, accountKey, ...ASKING })
  await client.createAccount({ termsOfServiceAgreed: true })
  keepAccount(directoryUrl, { url: client.getAccountUrl(), key: seal(accountKey, directoryUrl) })
  return client
}

/** Ourselves as we were; null where there was no account yet, or its key was sealed on another computer. */
function knownClient(directoryUrl: string): Client | null {
  const kept = findAccount(directoryUrl)
  if (!kept) return null
  const accountKey = findUnsealed(kept.key, directoryUrl)
  return accountKey === null ? null : new Client({ directoryUrl, accountUrl: kept.url, accountKey, ...ASKING })
}

/** An authority that began anew knows nobody any more. */
async function isStillThere(client: Client): Promise<boolean> {
  try {
    await client.updateAccount({})
    return true
  } catch (error) {
    if (isUnreachable(error)) throw error
    return false
  }
}
