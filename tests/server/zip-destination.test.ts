import { existsSync, mkdirSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { beforeAll, expect, test } from 'vitest'
import { makeDestination } from '../../src/server/destinations/shell'
import { zipDestination } from '../../src/server/destinations/zip/adapter'
import { readSiteZip, writeSiteZip } from '../../src/server/destinations/zip/site-zip'
import { destinationContract } from './destination-contract'
import { atAddresses, folders, hashOf, manifestOf, publish } from './file-servers'

const file = (name: string): string => path.join(folders, `${name}.zip`)
const opened = (name: string): Record<string, string> =>
  Object.fromEntries(Object.entries(unzipSync(readFileSync(file(name)))).map(([at, bytes]) => [at, Buffer.from(bytes).toString('utf8')]))
const zip = (folder: string) => makeDestination(zipDestination({ folder }))

destinationContract('a zip', () => ({
  destination: atAddresses((folder) => zipDestination({ folder })),
  visit: async (address, asked) => {
    const at = asked.endsWith('/') ? `${asked}index.html` : asked.includes('.') ? asked : `${asked}/index.html`
    return { status: 200, words: opened(address)[at.slice(1)]!, sentTo: null }
  },
  unplugged: () => makeDestination({ ...zipDestination({ folder: 'unplugged' }), ...gone() }),
}))
/** No disk. */
const gone = () => {
  const fail = (): Promise<never> => Promise.reject(new Error('no disk'))
  return { find: fail, deliver: fail }
}

beforeAll(() => mkdirSync(folders, { recursive: true }))

test('only what changed is sent, nothing but the site lies in it, and any program opens it', async () => {
  const to = zip('changed')
  expect(await publish(to, 'r1', { 'index.html': 'home', 'about/index.html': 'about' })).toBe(2)
  expect(await publish(to, 'r2', { 'index.html': 'new home', 'about/index.html': 'about' })).toBe(1)
  expect(opened('changed')).toEqual({ 'index.html': 'new home', 'about/index.html': 'about' })
  const first = readFileSync(file('changed'))
  expect(await publish(zip('changed'), 'r2', { 'about/index.html': 'about', 'index.html': 'new home' })).toBe(0)
  expect(readFileSync(file('changed'))).toEqual(first)
  expect(readdirSync(folders).filter((name) => name.startsWith('.waiting-changed'))).toEqual([])
})

test('one that is somebody else’s, or leads elsewhere, is never written over', async () => {
  writeFileSync(file('foreign'), zipSync({ 'readme.txt': strToU8('not ours') }))
  await expect(zip('foreign').claim('', 'job')).rejects.toMatchObject({ fault: 'inTheWay' })
  expect(opened('foreign')).toEqual({ 'readme.txt': 'not ours' })
  await publish(zip('taken'), 'r1', { 'index.html': 'home' })
  await expect(zip('taken').claim('', 'another job')).rejects.toMatchObject({ fault: 'taken' })
  symlinkSync(path.join(folders, 'elsewhere'), file('linked'))
  await expect(zip('linked').claim('', 'job')).rejects.toMatchObject({ fault: 'inTheWay' })
  expect(existsSync(path.join(folders, 'elsewhere'))).toBe(false)
})

test('what was torn on the way is asked for again, and the zip of before stays until all of it is there', async () => {
  const to = zip('torn')
  await publish(to, 'r1', { 'index.html': 'home' })
  const next = { 'index.html': 'new', 'a.html': 'a' }
  const delivery = await to.deliver('', 'r2', manifestOf(next))
  expect(delivery.missing).toHaveLength(2)
  await delivery.send(hashOf('a'), Buffer.from('a'))
  writeFileSync(path.join(folders, '.waiting-torn.zip', hashOf('new')), 'ne')
  await expect(delivery.activate()).rejects.toMatchObject({ fault: 'refused' })
  expect(opened('torn')).toEqual({ 'index.html': 'home' })
  // Another start: what came whole is not sent again.
  expect((await zip('torn').deliver('', 'r2', manifestOf(next))).missing).toEqual([hashOf('new')])
})

test('whose it is stands in its comment; a zip that was cut short, or says something else, is none', () => {
  const site = { said: { owner: 'job', release: 'r1' }, files: new Map([['index.html', strToU8('home')]]) }
  const whole = writeSiteZip(site)
  expect(readSiteZip(whole)?.said).toEqual(site.said)
  for (const bytes of [whole.subarray(0, -3), whole.subarray(40), Buffer.from(''), Buffer.from(zipSync({}))])
    expect(readSiteZip(bytes)).toBeNull()
})
