import { createHash } from 'node:crypto'
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { expect, test } from 'vitest'
import { isHashed, SiteStore } from '../../src/standins/web-host/store'
import type { Manifest } from '../../src/standins/web-host/wire'

const folder = (): string => mkdtempSync(path.join(tmpdir(), 'instant-fit-host-'))
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex')
const manifestOf = (files: Record<string, string>): Manifest =>
  Object.fromEntries(Object.entries(files).map(([name, text]) => [name, { hash: hashOf(text), bytes: text.length }]))

async function publish(store: SiteStore, label: string, id: string, files: Record<string, string>): Promise<number> {
  const missing = store.announce(label, { id, manifest: manifestOf(files) })
  for (const text of Object.values(files).filter((t) => missing.includes(hashOf(t))))
    await store.contents.receive(hashOf(text), Readable.from([text]), text.length)
  await store.activate(label, id)
  return missing.length
}
const read = (store: SiteStore, label: string, file: string): string | null => {
  const found = store.findFile(label, file)
  return found && readFileSync(store.contents.file(found.hash), 'utf8')
}

test('visitors see a release only once it is switched to, and then the whole of it', async () => {
  const store = new SiteStore(folder(), null)
  store.claim('wren', 'job1')
  await publish(store, 'wren', 'r1', { 'index.html': 'old', 'about/index.html': 'old about' })
  const missing = store.announce('wren', { id: 'r2', manifest: manifestOf({ 'index.html': 'new', 'about/index.html': 'new about' }) })
  await store.contents.receive(hashOf('new'), Readable.from(['new']), 3)
  expect(missing).toHaveLength(2)
  expect(read(store, 'wren', 'index.html')).toBe('old')
  await expect(store.activate('wren', 'r2')).rejects.toThrow('has not been sent')
  expect(read(store, 'wren', 'index.html')).toBe('old')
  await store.contents.receive(hashOf('new about'), Readable.from(['new about']), 9)
  await store.activate('wren', 'r2')
  expect([read(store, 'wren', 'index.html'), read(store, 'wren', 'about/index.html')]).toEqual(['new', 'new about'])
})

test('only what is missing is asked for, and an earlier release is back without sending anything', async () => {
  const store = new SiteStore(folder(), null)
  store.claim('wren', 'job1')
  expect(await publish(store, 'wren', 'r1', { 'index.html': 'one', 'logo.svg': 'same' })).toBe(2)
  expect(await publish(store, 'wren', 'r2', { 'index.html': 'two', 'logo.svg': 'same' })).toBe(1)
  expect(await publish(store, 'wren', 'r1', { 'index.html': 'one', 'logo.svg': 'same' })).toBe(0)
  expect(read(store, 'wren', 'index.html')).toBe('one')
})

test('a page fetched just before a switch still finds the style sheet it names; a plain file of old does not come back', async () => {
  const store = new SiteStore(folder(), null)
  store.claim('wren', 'job1')
  await publish(store, 'wren', 'r1', { 'index.html': 'one', 'style-0a1b2c3d.css': 'css one', 'notes.txt': 'old notes' })
  await publish(store, 'wren', 'r2', { 'index.html': 'two', 'style-ffffffff.css': 'css two' })
  expect(read(store, 'wren', 'style-0a1b2c3d.css')).toBe('css one')
  expect(read(store, 'wren', 'notes.txt')).toBeNull()
  expect(isHashed('pictures/bench-0a1b2c3d-4x5-50-50-400.webp')).toBe(true)
  expect(isHashed('index.html')).toBe(false)
})

test('content that is not what its hash says is not kept; neither is more than there is room for', async () => {
  const where = folder()
  const store = new SiteStore(where, 20)
  await expect(store.contents.receive(hashOf('right'), Readable.from(['wrong']), 5)).rejects.toThrow('not what its hash says')
  await expect(store.contents.receive(hashOf('x'.repeat(30)), Readable.from(['x'.repeat(30)]), 30)).rejects.toMatchObject({ status: 507 })
  expect(readdirSync(path.join(where, 'blobs'))).toEqual([])
})

test('a name belongs to whoever took it first', () => {
  const store = new SiteStore(folder(), null)
  expect(store.claim('wren', 'job1')).toBe(true)
  expect(store.claim('wren', 'job1')).toBe(false)
  expect(() => store.claim('wren', 'job2')).toThrow('taken')
  for (const bad of ['-a', 'a-', 'A', 'a..b', '.a', '../x', '']) expect(() => store.claim(bad, 'job1'), bad).toThrow('not a host name')
})

test('a name that could be mistaken for another’s is not free (UTS 39, 4; examples from memory)', () => {
  const at = folder()
  const store = new SiteStore(at, null)
  store.claim('tolliver-and-wren', 'job1')
  store.claim('modern', 'job1')
  store.claim('xn--caf-dma', 'job1')
  for (const alike of [
    'tol1iver-and-wren',
    'tolliverandwren',
    'tolliver-and-vvren',
    'rnodern',
    'm0dern',
    'cafe',
    'xn--tlliver-and-wren-mkn',
  ]) {
    expect(store.findAlike(alike), alike).not.toBeNull()
    expect(() => store.claim(alike, 'job2'), alike).toThrow('taken')
    // What is somebody's own is not mistaken for somebody else's.
    expect(() => store.claim(alike, 'job1'), alike).not.toThrow()
  }
  for (const other of ['tolliver', 'wren', 'tolliver-and-wrens', 'mode', 'caff']) {
    expect(store.findAlike(other), other).toBeNull()
    expect(store.claim(other, 'job2'), other).toBe(true)
  }
  expect(new SiteStore(at, null).findAlike('w-ren')).toBe('wren')
})

test('no path leads out of a site’s folder', async () => {
  const where = folder()
  const store = new SiteStore(where, null)
  store.claim('wren', 'job1')
  await publish(store, 'wren', 'r1', { 'index.html': 'one' })
  expect(() => store.announce('wren', { id: 'r2', manifest: { '../../evil': { hash: hashOf('x'), bytes: 1 } } })).toThrow('cannot be used')
  expect(() => store.announce('wren', { id: '../r', manifest: {} })).toThrow('cannot be used')
  for (const bad of ['//evil.example/', 'javascript:alert(1)', '/a\r\nset-cookie: b=c', '/é', ''])
    expect(() => store.announce('wren', { id: 'r3', manifest: { 'a.html': { hash: hashOf('x'), bytes: 1, leadsTo: bad } } }), bad).toThrow(
      'cannot be led to',
    )
  for (const bad of ['../site.json', '../../wren/site.json', '/etc/passwd', 'a/../../site.json', '.', '..'])
    expect(store.findFile('wren', bad), bad).toBeNull()
  expect(existsSync(path.join(where, 'evil'))).toBe(false)
})

test('a content that was torn on the disk is never shown, is asked for again, and then is whole', async () => {
  const where = folder()
  const store = new SiteStore(where, null)
  store.claim('wren', 'job1')
  const files = { 'index.html': 'one', 'notes.txt': 'some notes' }
  await publish(store, 'wren', 'r1', files)
  const torn = path.join(where, 'blobs', hashOf('some notes'))
  writeFileSync(torn, '')
  expect(store.contents.has(hashOf('some notes'), 10)).toBe(false)
  expect(store.announce('wren', { id: 'r2', manifest: manifestOf(files) })).toEqual([hashOf('some notes')])
  // One of the same length is found out before anybody is switched to it, and is then asked for too.
  writeFileSync(torn, 'same noteZ')
  expect(store.announce('wren', { id: 'r2', manifest: manifestOf(files) })).toEqual([])
  await expect(store.activate('wren', 'r2')).rejects.toMatchObject({ status: 409 })
  expect(await publish(store, 'wren', 'r2', files)).toBe(1)
  expect(read(store, 'wren', 'notes.txt')).toBe('some notes')
})

test('a hash that is a path, a name that is none and a move to somebody else’s site are refused', async () => {
  const store = new SiteStore(folder(), null)
  store.claim('wren', 'job1')
  store.claim('robin', 'job2')
  const passwd = { 'index.html': { hash: '../../../../etc/passwd', bytes: 1 } }
  expect(() => store.announce('wren', { id: 'r1', manifest: passwd })).toThrow('not a SHA-256')
  for (const to of ['../x', 'a b', 'x\r\nset-cookie: a=b', '']) expect(() => store.move('wren', to), to).toThrow('not a host name')
  expect(() => store.move('wren', 'robin')).toThrow('somebody else')
  expect(() => store.move('wren', 'nobody')).toThrow('no such site')
  for (const name of ['constructor', '__proto__', 'toString']) expect(store.findFile('wren', name)).toBeNull()
})
