import { mkdtempSync, readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import S3rver from 's3rver'
import { beforeAll, expect, test } from 'vitest'
import { objectStore, objectStoreDestination } from '../../src/server/destinations/object-store/adapter'
import { makeDestination } from '../../src/server/destinations/shell'
import { FIRST, publish, SECOND, serving } from '../server/file-servers'

/** Somebody else's implementation of the protocol, from the registry (s3rver 3.7.1), with the key that it comes with. */
const KEY = { keyId: 'S3RVER', key: 'S3RVER' }
/** The bucket shown as a site (Amazon S3, PutBucketWebsite). */
const SITE = readFileSync(require.resolve('s3rver/example/website.xml'), 'utf8')
let port = 0
beforeAll(async () => {
  const directory = mkdtempSync(path.join(tmpdir(), 'instant-fit-s3rver-'))
  const store = new S3rver({ directory, silent: true, vhostBuckets: false, configureBuckets: [{ name: 'their-site', configs: [SITE] }] })
  await store.configureBuckets()
  port = await serving(createServer(store.callback()))
})

test('a site goes to it, again with what changed alone, and what is old is gone', async () => {
  const settings = { host: '127.0.0.1', port, isSecure: false, region: 'us-east-1', bucket: 'their-site', folder: 'www' }
  const to = makeDestination(objectStoreDestination(settings, KEY))
  expect(await publish(to, 'r1', FIRST)).toBe(2)
  expect(await publish(to, 'r2', SECOND)).toBe(2)
  const seen = async (name: string): Promise<readonly [number, string | null, string]> => {
    const response = await fetch(`http://127.0.0.1:${port}/their-site/www/${name}`)
    return [response.status, response.headers.get('content-type'), await response.text()]
  }
  expect(await seen('index.html')).toEqual([200, 'text/html; charset=utf-8', SECOND['index.html']])
  expect((await seen('about/index.html'))[0]).toBe(404)
  expect(await publish(to, 'r2', SECOND)).toBe(0)
  const store = objectStore(settings, KEY, () => undefined)
  const inFolder = new Set([...(await store.list('')).keys()].map((name) => name.split('/')[0]))
  expect(await store.count()).toBe(inFolder.size)
})

test('its site leads on from an address that was left, until a page stands there again', async () => {
  const settings = { host: '127.0.0.1', port, isSecure: false, region: 'us-east-1', bucket: 'their-site', folder: 'moved' }
  const to = makeDestination(objectStoreDestination(settings, KEY))
  const asked = async (): Promise<readonly [number, string | null]> => {
    const { status, headers } = await fetch(`http://127.0.0.1:${port}/their-site/moved/old/`, { redirect: 'manual' })
    return [status, headers.get('location')]
  }
  await publish(to, 'r1', { 'index.html': 'home', 'old/index.html': 'leads on' }, { 'old/index.html': '/moved/new/' })
  expect(await asked()).toEqual([301, '/moved/new/'])
  await publish(to, 'r2', { 'index.html': 'home', 'old/index.html': 'stands again' })
  expect(await asked()).toEqual([200, null])
})
