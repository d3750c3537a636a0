import { DestinationError } from '../destination'
import { call, read } from './adapter'

const QUIET_MS = 10_000

/** Has the host show an answer to whoever asks for a token, on every name that leads to it (RFC 8555, 8.3). */
export function showChallenge(token: string, answer: string): Promise<void> {
  return tell('PUT', `/challenges/${token}`, { answer })
}

export function hideChallenge(token: string): Promise<void> {
  return tell('DELETE', `/challenges/${token}`)
}

/** Gives the host the certificate of a name and its key, both as PEM. */
export function giveCertificate(name: string, chain: string, key: string): Promise<void> {
  return tell('PUT', `/certificates/${name}`, { chain, key })
}

/** Has the host tell browsers for how long to come by HTTPS alone, in seconds. */
export function bindToHttps(name: string, hstsS: number): Promise<void> {
  return tell('PUT', `/sites/${name}/transport`, { hstsS })
}

async function tell(method: string, path: string, body?: object): Promise<void> {
  let response: Response
  try {
    response = await call(method, path, { signal: AbortSignal.timeout(QUIET_MS) }, body && JSON.stringify(body))
  } catch (error) {
    throw new DestinationError('down', 'it does not answer', { cause: error })
  }
  await read(response)
}
