import { readFileSync } from 'node:fs'
import path from 'node:path'

type Designer = { readonly name: string; readonly email: string; readonly password: string }

/** The designer of the demo and of the tests. */
export const DESIGNER = JSON.parse(readFileSync(path.join(import.meta.dirname, 'designer.json'), 'utf8')) as Designer

/** What whoever is signed in says with each request: his session, and the word that our own pages can read. */
export type SignedIn = { readonly cookie: string; readonly 'x-request-token': string }

/** Makes the first account of an application, or signs in where it was made before. */
export async function enter(app: string, designer = DESIGNER): Promise<SignedIn> {
  const first = await ask(`${app}/api/sign-in/first-start`, designer)
  const { email, password } = designer
  const reply = first.status === 409 ? await ask(`${app}/api/sign-in/password`, { email, password }) : first
  return signedInBy(reply)
}

/** What a reply at a door lets somebody say from then on. */
export async function signedInBy(reply: Response): Promise<SignedIn> {
  if (!reply.ok) throw new Error(`${reply.url}: ${reply.status} ${await reply.text()}`)
  const cookies = reply.headers.getSetCookie().map((line) => line.split(';')[0] ?? '')
  const token = cookies.find((cookie) => cookie.startsWith('instant-fit-request='))?.split('=')[1] ?? ''
  return { cookie: cookies.join('; '), 'x-request-token': token }
}

function ask(url: string, body: object): Promise<Response> {
  return fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
}
