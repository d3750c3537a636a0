import * as v from 'valibot'
import { beforeAll, expect, test } from 'vitest'
import { problemOf, PROBLEMS, toProblem, type ProblemCode } from '../../src/server/problems'
import { readRoute, writeRoute } from '../../src/server/http/route'
import { connectionTestSchema } from '../../src/server/use-cases/try-destination'
import { ownDataFolder } from './log-fixture'
import { someoneHere } from './signed-in'

let signedIn: Record<string, string>
beforeAll(async () => {
  ownDataFolder()
  signedIn = { ...(await someoneHere()).headers }
})

const DETAILS = {
  name: 'logo.png',
  size: 60,
  limit: 40,
  found: 'a PDF file',
  advice: 'Export it.',
  fault: 'the reason',
  said: 'That is no name',
  where: 'Client’s server',
  paths: 'index.html',
  width: 9,
  height: 9,
  base: 3,
  revision: 2,
  place: 'heading',
  design: 'hero/x',
  count: 2,
  why: 'the reason',
  asked: 1,
  now: 2,
  seen: 'Nothing was switched.',
  path: 'index.html',
  address: 'site.localhost',
  wait: '4 seconds',
  file: 'instant-fit.sqlite',
  known: 3,
  email: 'a@b.example',
}

test.each(Object.keys(PROBLEMS) as ProblemCode[])('the problem %s has a status and a whole sentence', async (code) => {
  const route = readRoute(() => {
    throw problemOf({ code, details: DETAILS, faults: [] })
  })
  const response = await route(new Request('http://a/', { headers: signedIn }))
  expect(response.status).toBeGreaterThanOrEqual(400)
  const { problem } = (await response.json()) as { problem: { code: string; sentence: string } }
  expect(problem.code).toBe(code)
  expect(problem.sentence).not.toMatch(/undefined|\[object/)
  expect(problem.sentence.length).toBeGreaterThan(8)
})

test('a full disk is told as one, whoever met it; anything else tells nothing of the inside', () => {
  expect(toProblem(Object.assign(new Error('x'), { code: 'ENOSPC' })).code).toBe('diskFull')
  expect(toProblem(Object.assign(new Error('x'), { code: 'SQLITE_FULL' })).code).toBe('diskFull')
  expect(toProblem(new Error('secret path')).message).not.toContain('secret')
})

const echo = writeRoute(v.strictObject({ name: v.string() }), ({ body, params }) => ({ ...body, ...params }))
const post = (body: string, headers: Record<string, string> = {}): Promise<Response> =>
  echo(new Request('http://a/', { method: 'POST', body, headers: { ...signedIn, ...headers } }), { params: Promise.resolve({ job: 'j' }) })
const sentence = async (response: Response): Promise<string> =>
  ((await response.json()) as { problem: { sentence: string } }).problem.sentence

test('a body that is not JSON, or not what was asked for, is refused with the place', async () => {
  expect(await sentence(await post('{'))).toContain('it is not JSON')
  expect(await sentence(await post('{"name":3}'))).toContain('name: ')
  expect(await sentence(await post('{"name":"x"}', { 'content-length': '99999999' }))).toContain('longer than 8 MB')
  expect(await (await post('{"name":"x"}')).json()).toEqual({ name: 'x', job: 'j' })
})

test('what somebody typed is told in words for people, of the form that it is most like', async () => {
  const site = { origin: 'https://client.example' }
  const login = { host: 'files.example', port: 22, user: 'client', folder: 'www' }
  const connection = { kind: 'sftp', settings: login, secret: { password: 'magpies' } }
  const said = async (asked: object): Promise<string> => {
    const trial = writeRoute(connectionTestSchema, () => ({}))
    return sentence(await trial(new Request('http://a/', { method: 'POST', body: JSON.stringify(asked), headers: signedIn })))
  }
  const typed = (part: object): object => ({ ...site, connection: { ...connection, settings: { ...login, ...part } } })
  expect(await said(typed({ host: '' }))).toBe('The name of the server is missing: it stands in the mail with the login.')
  expect(await said(typed({ host: 'ftp://files.example' }))).toMatch(/^A server is written by its name alone/)
  for (const port of [0, null, 70_000]) expect(await said(typed({ port })), String(port)).toBe('A port is a number from 1 to 65535.')
  expect(await said({ ...site, connection: { ...connection, secret: { password: '' } } })).toBe('The password is missing.')
  expect(await said({ ...site, connection: { kind: 'folder', settings: { folder: '../up' } } })).toMatch(/^A folder is written as names/)
  expect(await said({ origin: '', connection })).toMatch(/^An address begins with https?/)
  // What no form of ours sends is told with its place.
  expect(await said({ ...site, connection: { ...connection, secret: 7 } })).toContain('connection.secret: ')
})

test('a change that another site’s page asks for is refused', async () => {
  expect(await sentence(await post('{"name":"x"}', { 'sec-fetch-site': 'cross-site' }))).toContain('another site')
  expect((await post('{"name":"x"}', { 'sec-fetch-site': 'same-origin' })).status).toBe(200)
})
