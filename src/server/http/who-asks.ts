import type { Person } from '../../core/people'
import { whoseToken, type By, type Whence } from '../people/sessions'
import { isSameSecret, requestTokenOf } from '../people/tokens'
import { sessionIn } from './cookies'

/** Who asks: the person, and the session by which he is known. */
export type Asking = {
  readonly person: Person
  /** The hash that the session is kept under. */
  readonly session: string
  readonly token: string
}

/** Who sends a request, by the session that it brings; null for nobody. */
export function whoAsks(headers: Headers): Asking | null {
  const token = sessionIn(headers)
  const known = token === null ? null : whoseToken(token)
  return token === null || known === null ? null : { ...known, token }
}

/** Whether a change is asked for by a page that has read what only our own pages can read. */
export function saysToken(request: Request, { token }: Asking): boolean {
  return isSameSecret(request.headers.get('x-request-token') ?? '', requestTokenOf(token))
}

/** Whence a request comes. The address is what the nearest server in front of us says, or the connection's own. */
export function whenceOf(request: Request): Whence {
  const addresses = (request.headers.get('x-forwarded-for') ?? '').split(',')
  return { device: request.headers.get('user-agent'), address: (addresses.at(-1) ?? '').trim().slice(0, 60) || 'this computer' }
}

export function byOf({ person, request }: { readonly person: Person; readonly request: Request }): By {
  return { person, whence: whenceOf(request) }
}
