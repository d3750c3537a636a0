import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { beforeAll, describe, expect, test } from 'vitest'
import type { TestResult } from '../../src/core/replies'
import type { Destination } from '../../src/server/destinations/destination'
import { objectStore, objectStoreDestination } from '../../src/server/destinations/object-store/adapter'
import type { ObjectStoreSettings } from '../../src/server/destinations/object-store/settings'
import { objectStoreTest } from '../../src/server/destinations/object-store/connection-test'
import { makeDestination } from '../../src/server/destinations/shell'
import { testConnection } from '../../src/server/destinations/connection-test/connection-test'
import { siteOfBucket } from '../../src/standins/object-store/site'
import { objectStoreStandIn } from '../../src/standins/object-store/store'
import { destinationContract } from './destination-contract'
import { atAddresses, FIRST, publish, SECOND, serving } from './file-servers'

const key = { id: 'CLIENT-KEY', secret: 'a secret' }
const secret = { keyId: key.id, key: key.secret }
const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-store-'))
let port = 0
let visitors = ''
beforeAll(async () => {
  port = await serving(objectStoreStandIn({ folder, bucket: 'client-site', key }))
  visitors = `http://127.0.0.1:${await serving(siteOfBucket(() => `http://127.0.0.1:${port}`, 'client-site'))}`
})

const settings = (under: string, more: Partial<ObjectStoreSettings> = {}): ObjectStoreSettings => ({
  host: '127.0.0.1',
  port,
  isSecure: false,
  region: 'eu-central-1',
  bucket: 'client-site',
  folder: under,
  ...more,
})
const store = (under: string, more: Partial<ObjectStoreSettings> = {}): Destination =>
  makeDestination(objectStoreDestination(settings(under, more), secret))
const bucket = (under: string): ReturnType<typeof objectStore> => objectStore(settings(under), secret, () => undefined)
const wordsOf = async (under: string): Promise<Record<string, string>> => {
  const server = bucket(under)
  const names = [...(await server.list('')).keys()].filter((name) => !name.startsWith('.'))
  return Object.fromEntries(await Promise.all(names.map(async (name) => [name, String((await server.read(name))?.content)] as const)))
}

destinationContract('an object store', () => ({
  destination: atAddresses((under) => objectStoreDestination(settings(under), secret)),
  visit: async (address, asked) => {
    const at = `${visitors}/${address}${asked.includes('.') || asked.endsWith('/') ? asked : `${asked}/`}`
    const response = await fetch(at, { redirect: 'manual' })
    return { status: response.status, words: await response.text(), sentTo: response.headers.get('location') }
  },
  unplugged: () => store('unplugged', { port: 1 }),
}))

test('objects of others are never touched; one in the way stops it until it is adopted; what is old goes', async () => {
  const others = bucket('others')
  await others.write('über uns (alt)/preise + mehr.txt', Buffer.from('theirs'))
  await others.write('index.html', Buffer.from('welcome'))
  const to = store('others')
  await expect(publish(to, 'r1', FIRST)).rejects.toMatchObject({ fault: 'inTheWay', message: 'index.html' })
  await to.files!.adopt('', 'job', ['index.html'])
  await publish(to, 'r1', FIRST)
  expect(await publish(to, 'r2', SECOND)).toBe(2)
  expect(await wordsOf('others')).toEqual({ ...SECOND, 'über uns (alt)/preise + mehr.txt': 'theirs' })
  expect([...(await others.list('')).keys()].filter((name) => name.startsWith('.site-waiting'))).toEqual([])
})

test('each object says what it is and how long it may be kept; what carries its hash for ever', async () => {
  await publish(store('heads'), 'r1', {
    'index.html': 'home',
    'files/style-0a1b2c3d.css': 'body{}',
    'files/photo-0a1b2c3d-800x600.webp': 'photo',
  })
  const heads = async (name: string): Promise<readonly (string | null)[]> => {
    const { headers } = await fetch(`http://127.0.0.1:${port}/client-site/heads/${name}`)
    return [headers.get('content-type'), headers.get('cache-control')]
  }
  expect(await heads('index.html')).toEqual(['text/html; charset=utf-8', 'no-cache'])
  expect(await heads('files/style-0a1b2c3d.css')).toEqual(['text/css; charset=utf-8', 'public, max-age=31536000, immutable'])
  expect(await heads('files/photo-0a1b2c3d-800x600.webp')).toEqual(['image/webp', 'public, max-age=31536000, immutable'])
})

test('a bucket of more than a thousand objects is listed whole', async () => {
  const many = bucket('many')
  const names = Array.from({ length: 1_100 }, (_, i) => `page-${String(i).padStart(4, '0')}.txt`)
  for (let i = 0; i < names.length; i += 50) await Promise.all(names.slice(i, i + 50).map((name) => many.write(name, Buffer.from(name))))
  await many.write('sub/one.txt', Buffer.from('one'))
  await many.write('sub/two/three.txt', Buffer.from('three'))
  expect([...(await many.list('')).keys()].sort()).toEqual([...names, 'sub/one.txt', 'sub/two/three.txt'])
  // What lies in the folder itself: as many files, and one folder.
  expect(await many.count()).toBe(names.length + 1)
  expect(await bucket('nothing-here').count()).toBe(0)
})

test('a store that is full says so, and what is seen stays whole', async () => {
  const tight = objectStoreStandIn({
    folder: mkdtempSync(path.join(tmpdir(), 'instant-fit-tight-')),
    bucket: 'client-site',
    key,
    quota: 100_000,
  })
  const at = await serving(tight)
  const to = store('tight', { port: at })
  await publish(to, 'r1', FIRST)
  await expect(publish(to, 'r2', { ...SECOND, 'film.mp4': 'x'.repeat(300_000) })).rejects.toMatchObject({ fault: 'full' })
  expect(await (await fetch(`http://127.0.0.1:${at}/client-site/tight/index.html`)).text()).toBe(FIRST['index.html'])
})

describe('what a store refuses is said in words', () => {
  const refusal = (more: Partial<ObjectStoreSettings>, others: Partial<typeof secret> = {}): Promise<unknown> =>
    makeDestination(objectStoreDestination(settings('refused', more), { ...secret, ...others })).find('')

  test('the key, its secret, the bucket, and clocks that are apart', async () => {
    await expect(refusal({}, { keyId: 'OTHER' })).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('ID of the key'),
    })
    await expect(refusal({}, { key: 'wrong' })).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('does not fit'),
    })
    await expect(refusal({ bucket: 'not-there' })).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('no bucket'),
    })
    const late = objectStoreStandIn({ folder, bucket: 'client-site', key, clockOff: -86_400_000 })
    await expect(refusal({ port: await serving(late) })).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('clock'),
    })
  })

  test('step by step, with what to do', async () => {
    const faultIn = async (
      more: Partial<ObjectStoreSettings>,
      others: Partial<typeof secret> = {},
      origin = visitors,
    ): Promise<TestResult> => {
      const { parts, close } = objectStoreTest(settings('', more), { ...secret, ...others }, origin)
      const results = await testConnection(parts, () => undefined)
      close()
      return results.find(({ state }) => state === 'failed') ?? results.at(-1)!
    }
    expect(await faultIn({ host: 'no-such-host.invalid' })).toMatchObject({ step: 'name' })
    expect(await faultIn({ port: 1 })).toMatchObject({ step: 'port', advice: expect.stringContaining('443') })
    expect(await faultIn({}, { key: 'wrong' })).toMatchObject({ step: 'login', advice: expect.stringContaining('Copy the ID') })
    expect(await faultIn({ bucket: 'not-there' })).toMatchObject({ step: 'login', advice: expect.stringContaining('bucket') })
    expect(await faultIn({ isSecure: true })).toMatchObject({ step: 'login', advice: expect.stringContaining('encrypted') })
    expect(await faultIn({ folder: 'unseen' })).toMatchObject({ step: 'read back', said: expect.stringContaining('404') })
    expect(await faultIn({})).toMatchObject({ step: 'remove', state: 'done' })
  })
})
