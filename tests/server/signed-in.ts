import type { Role } from '../../src/core/people'

/** What whoever is signed in says with a request to a route. */
export type Headers = Readonly<Record<string, string>>

/** Somebody with a session, in the test's own data folder; the password is not hashed, since nobody types it. */
export async function someoneHere(role: Role = 'owner', name = 'Mara Quill'): Promise<{ readonly id: string; readonly headers: Headers }> {
  const [{ insertPerson }, { beginSession }, { requestTokenOf }] = await Promise.all([
    import('../../src/server/store/people'),
    import('../../src/server/people/sessions'),
    import('../../src/server/people/tokens'),
  ])
  const id = `person:${name.replaceAll(' ', '-').toLowerCase()}`
  insertPerson(
    { id, name, email: `${name.split(' ')[0]?.toLowerCase() ?? 'x'}@quill.example`, role, password: 'no hash' },
    new Date().toISOString(),
  )
  const token = beginSession(id, { device: null, address: 'a test' })
  return { id, headers: { cookie: `instant-fit-session=${token}`, 'x-request-token': requestTokenOf(token) } }
}
