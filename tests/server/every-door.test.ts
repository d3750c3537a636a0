import { readdirSync } from 'node:fs'
import path from 'node:path'
import { beforeAll, describe, expect, test, vi } from 'vitest'
import { ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'

type Route = (request: Request, context: { params: Promise<unknown> }) => Promise<Response>
const METHODS = ['GET', 'POST', 'PUT', 'DELETE'] as const
const app = path.join(import.meta.dirname, '..', '..', 'src', 'app')

/** Every route that there is: a new one is asked here too. Doors are for those who are not signed in. */
const FILES = (readdirSync(app, { recursive: true }) as string[]).filter(
  (file) => file.endsWith('route.ts') && !file.startsWith('api/sign-in/'),
)
const routes: { readonly name: string; readonly method: string; readonly route: Route; readonly isJobs: boolean }[] = []
const people: Record<'owner' | 'editor' | 'reader' | 'guest', Headers> = { owner: {}, editor: {}, reader: {}, guest: {} }
let job = ''

beforeAll(async () => {
  ownDataFolder()
  for (const role of ['owner', 'editor', 'reader', 'guest'] as const) people[role] = (await someoneHere(role, `${role} here`)).headers
  for (const file of FILES) {
    const module = (await import(path.join(app, file))) as Partial<Record<(typeof METHODS)[number], Route>>
    for (const method of METHODS) {
      const route = module[method]
      if (route) routes.push({ name: `${method} ${path.dirname(file)}`, method, route, isJobs: file.includes('[job]') })
    }
  }
  const { makeJob } = await import('../../src/server/use-cases/make-job')
  job = makeJob({ template: 'tallow', facts: { name: 'Behind doors' }, brand: {} })
})

/** Asks a route with nothing in its body: whoever may not ask is refused before anybody reads one. */
function ask({ method, route, isJobs }: (typeof routes)[number], headers: Headers): Promise<Response> {
  const request = new Request('http://app/', { method, headers, ...(method === 'GET' ? {} : { body: '{}' }) })
  return route(request, {
    params: Promise.resolve({ ...(isJobs ? { job } : {}), template: 'tallow', kept: 'k', person: 'p', variant: ['x'], file: 'x.woff2' }),
  })
}

const codeOf = async (reply: Response): Promise<string> => ((await reply.json()) as { problem?: { code: string } }).problem?.code ?? 'none'

describe('every route', () => {
  test('answers nobody who is not signed in, or whose session is over', async () => {
    expect(routes.length).toBeGreaterThan(30)
    for (const one of routes)
      for (const headers of [{}, { cookie: 'instant-fit-session=' }, { cookie: `instant-fit-session=${'A'.repeat(43)}` }]) {
        const reply = await ask(one, headers)
        expect([reply.status, await codeOf(reply)], one.name).toEqual([401, 'signedOut'])
      }
  })

  test('changes nothing for a page that cannot say the word of our own pages', async () => {
    const writing = routes.filter(({ method }) => method !== 'GET')
    expect(writing.length).toBeGreaterThan(20)
    for (const one of writing)
      for (const word of ['', 'A'.repeat(43), people.editor['x-request-token'] ?? '']) {
        const reply = await ask(one, { ...people.owner, 'x-request-token': word })
        expect([reply.status, await codeOf(reply)], one.name).toEqual([403, 'requestForeign'])
      }
  })

  test('of a job is for those who may see it, and changes it for those who may change it', async () => {
    const ofJob = routes.filter(({ isJobs }) => isJobs)
    expect(ofJob.length).toBeGreaterThan(15)
    for (const one of ofJob) {
      expect(await codeOf(await ask(one, people.guest)), one.name).toBe('jobGone')
      if (one.method !== 'GET') expect(await codeOf(await ask(one, people.reader)), one.name).toBe('notAllowed')
    }
  })

  test('of people is the owner’s', async () => {
    const ofPeople = routes.filter(({ name }) => name.includes('api/people'))
    expect(ofPeople.length).toBeGreaterThan(4)
    for (const one of ofPeople)
      for (const role of ['editor', 'reader', 'guest'] as const)
        expect(await codeOf(await ask(one, people[role])), one.name).toBe('notAllowed')
  })

  test('of what is no single job’s is changed by those who make jobs', async () => {
    const atAll = routes.filter(({ name, method, isJobs }) => method !== 'GET' && !isJobs && !/api\/(people|account)/.test(name))
    expect(atAll.length).toBeGreaterThan(5)
    for (const one of atAll) {
      // What names a job in its body asks of that job, once it has read which.
      const isReadFirst = one.name.endsWith('one-colour')
      expect(await codeOf(await ask(one, people.guest)), one.name).toBe(isReadFirst ? 'requestWrong' : 'notAllowed')
    }
  })

  test('that names another job in its body asks of that job too', async () => {
    const colour = routes.find(({ name }) => name.endsWith('one-colour'))
    const pages = routes.find(({ name }) => name === 'POST api/jobs/[job]/pages')
    if (!colour || !pages) throw new Error('The routes have other names now')
    const { setGrant } = await import('../../src/server/store/people')
    const { makeJob } = await import('../../src/server/use-cases/make-job')
    const theirs = makeJob({ template: 'tallow', facts: { name: 'The guest’s' }, brand: {} })
    setGrant('person:guest-here', theirs, 'edit')
    const send = (route: Route, body: object, params: object): Promise<Response> =>
      route(new Request('http://app/', { method: 'POST', headers: people.guest, body: JSON.stringify(body) }), {
        params: Promise.resolve(params),
      })
    const logo = { asset: 'x', colour: '#ffffff' }
    expect(await codeOf(await send(colour.route, { ...logo, job }, {}))).toBe('notAllowed')
    expect(await codeOf(await send(colour.route, { ...logo, job: null }, {}))).toBe('notAllowed')
    expect(await codeOf(await send(pages.route, { from: job, page: 'home' }, { job: theirs }))).toBe('jobGone')
    expect(await codeOf(await send(pages.route, { from: theirs, page: 'home' }, { job: theirs }))).toBe('none')
  })

  test('that tells of a job as it changes stops when the session has ended', async () => {
    const events = routes.find(({ name }) => name === 'GET api/jobs/[job]/events')
    if (!events) throw new Error('The route has another name now')
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    try {
      const { id, headers } = await someoneHere('reader', 'soon gone')
      const reader = (await ask(events, headers)).body?.getReader()
      const said = async (): Promise<string | undefined> => new TextDecoder().decode((await reader?.read())?.value)
      expect(await said()).toBe(': open\n\n')
      vi.advanceTimersByTime(20_000)
      expect(await said()).toBe(': still here\n\n')
      const { endSessionsOf } = await import('../../src/server/store/sessions')
      endSessionsOf(id)
      vi.advanceTimersByTime(20_000)
      expect((await reader?.read())?.done).toBe(true)
    } finally {
      vi.useRealTimers()
    }
  })
})
