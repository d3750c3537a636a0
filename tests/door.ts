import { enter, signedInBy, type SignedIn } from '../scripts/enter'
import type { Door } from '../scripts/seed'

/** As whom each application of the tests is asked, by its origin. */
const known = new Map<string, SignedIn>()

/** Makes an application's first account, and remembers what whoever is signed in there says. */
export async function openDoor(app: string): Promise<SignedIn> {
  const as = await enter(app)
  known.set(app, as)
  return as
}

/** The door of an application that was opened here, or before the tests. */
export function doorOf(app: string): Door {
  const as = known.get(app) ?? (JSON.parse(process.env.RIG_SIGNED_IN ?? '{}') as SignedIn)
  return { app, as }
}

/** Asks an application as its designer. */
export function askApp(url: string, init: RequestInit = {}): Promise<Response> {
  return fetch(url, { ...init, headers: { ...doorOf(new URL(url).origin).as, ...(init.headers as Record<string, string> | undefined) } })
}

/** Somebody else, whom the designer of an application invites to all its jobs. */
export async function joinDoor(app: string, name: string): Promise<SignedIn> {
  const json = { method: 'POST', headers: { 'content-type': 'application/json' } }
  const invited = await askApp(`${app}/api/people`, { ...json, body: JSON.stringify({ email: `${name}@quill.example`, role: 'editor' }) })
  const { token } = (await invited.json()) as { token: string }
  const given = { token, name, password: 'copper kettle over the moor' }
  return signedInBy(await fetch(`${app}/api/sign-in/link`, { ...json, body: JSON.stringify(given) }))
}

/** What a browser keeps of being signed in: cookies, which are a host's on whatever port. */
export function browserState({ cookie }: SignedIn) {
  const cookies = cookie.split('; ').map((pair) => {
    const [name = '', value = ''] = pair.split('=')
    return { name, value, domain: '127.0.0.1', path: '/', expires: -1, httpOnly: false, secure: false, sameSite: 'Lax' as const }
  })
  return { cookies, origins: [] }
}
