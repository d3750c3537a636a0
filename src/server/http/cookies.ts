import { own } from '../../core/own'
import { parseCookie, stringifySetCookie } from 'cookie'
import { requestTokenOf } from '../people/tokens'
import { LONGEST_MS } from '../people/sessions'

/** Over https the names say that no other host can have set them (RFC 6265bis, 4.1.3.2). */
const NAMES = { session: 'instant-fit-session', request: 'instant-fit-request' } as const

/** The token of a request's session; null where it brings none. */
export function sessionIn(headers: Headers): string | null {
  const cookies = parseCookie(headers.get('cookie') ?? '')
  return own(cookies, `__Host-${NAMES.session}`) ?? own(cookies, NAMES.session) ?? null
}

/**
 * What a browser keeps of a session: its token, which no script can read, and what our pages say with each change, which they have to read.
 * An empty token takes both away.
 */
export function sessionCookies(request: Request, token: string): readonly string[] {
  const secure = isSecure(request)
  const common = { path: '/', sameSite: 'lax', secure, maxAge: token === '' ? 0 : LONGEST_MS / 1000 } as const
  const prefix = secure ? '__Host-' : ''
  return [
    stringifySetCookie({ name: prefix + NAMES.session, value: token, httpOnly: true, ...common }),
    stringifySetCookie({ name: prefix + NAMES.request, value: token === '' ? '' : requestTokenOf(token), ...common }),
  ]
}

function isSecure(request: Request): boolean {
  return request.headers.get('x-forwarded-proto') === 'https' || new URL(request.url).protocol === 'https:'
}

/** The reply to somebody who has just come in, or gone out: nothing but what the browser is to keep. */
export function replyWithSession(request: Request, token: string, body: object = {}): Response {
  const headers = new Headers({ 'content-type': 'application/json', 'cache-control': 'no-store' })
  for (const cookie of sessionCookies(request, token)) headers.append('set-cookie', cookie)
  return new Response(JSON.stringify(body), { headers })
}
