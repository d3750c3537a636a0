import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, symlinkSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { utils, type Server } from 'ssh2'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { LIST_FILE, type Manifest } from '../../src/core/release'
import { DestinationError, type Adapter, type Destination } from '../../src/server/destinations/destination'
import { fileServerAdapter } from '../../src/server/destinations/file-server/adapter'
import type { FileServer } from '../../src/server/destinations/file-server/file-server'
import { folderDestination, folderServer } from '../../src/server/destinations/folder/adapter'
import { sftpDestination } from '../../src/server/destinations/sftp/adapter'
import { fingerprint } from '../../src/server/destinations/sftp/connect'
import type { SftpSecret, SftpSettings } from '../../src/server/destinations/sftp/settings'
import { makeDestination } from '../../src/server/destinations/shell'
import { sftpStandIn } from '../../src/standins/client-server/sftp'
import { random } from '../random'
import { destinationContract } from './destination-contract'

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
process.env.INSTANT_FIT_FOLDERS = folders

/** Sites at addresses of a destination that has one folder each. */
function atAddresses(adapterOf: (address: string) => Adapter): Destination {
  const made = new Map<string, Destination>()
  const at = (address: string): Destination => {
    const known = made.get(address) ?? makeDestination(adapterOf(address))
    made.set(address, known)
    return known
  }
  let last = ''
  const any = at('any')
  return {
    ...any,
    find: (address) => at(address).find(address),
    claim: (address, owner) => at(address).claim(address, owner),
    announce: (address, release, manifest) => at((last = address)).announce(address, release, manifest),
    send: (hash, content) => at(last).send(hash, content),
    activate: (address, release) => at(address).activate(address, release),
  }
}

const visitFolder = async (address: string, asked: string): Promise<{ status: number; words: string; sentTo: null }> => {
  const file = asked.endsWith('/') ? `${asked}index.html` : asked
  const words = readFileSync(path.join(folders, address, file.includes('.') ? file : `${file}/index.html`), 'utf8')
  return { status: 200, words, sentTo: null }
}

destinationContract('a folder', () => ({
  destination: atAddresses((folder) => folderDestination({ folder })),
  visit: visitFolder,
  unplugged: () => makeDestination(fileServerAdapter('folder', () => Promise.reject(new Error('no disk')))),
}))

const servers: Server[] = []
const hostKeys = utils.generateKeyPairSync('ed25519')
const ourKeys = utils.generateKeyPairSync('ed25519')
const account = { user: 'tolliver', password: 'a password', publicKey: ourKeys.public }
const known = (key: string): string => {
  const parsed = utils.parseKey(key)
  if (parsed instanceof Error) throw parsed
  return fingerprint(parsed.getPublicSSH())
}
let port = 0
const serve = async (folder = folders, quota = Infinity): Promise<number> => {
  const server = sftpStandIn({ hostKey: hostKeys.private, account, folder, quota })
  servers.push(server)
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
}
beforeAll(async () => void (port = await serve()))
afterAll(() => servers.forEach((server) => server.close()))

const settings = (folder: string, more: Partial<SftpSettings> = {}): SftpSettings => ({
  host: '127.0.0.1',
  port,
  user: account.user,
  folder: `/${folder}`,
  hostKey: known(hostKeys.public),
  ...more,
})
const sftp = (folder: string, more: Partial<SftpSettings> = {}, secret: SftpSecret = { password: account.password }): Destination => {
  mkdirSync(path.join(folders, folder), { recursive: true })
  return makeDestination(sftpDestination(settings(folder, more), secret))
}

destinationContract('a server by SFTP', () => ({
  destination: atAddresses((folder) => {
    mkdirSync(path.join(folders, `sftp-${folder}`), { recursive: true })
    return sftpDestination(settings(`sftp-${folder}`), { password: account.password })
  }),
  visit: (address, asked) => visitFolder(`sftp-${address}`, asked),
  unplugged: () => sftp('unplugged', { port: 1 }),
}))

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex')
const manifestOf = (files: Record<string, string>): Manifest =>
  Object.fromEntries(Object.entries(files).map(([name, text]) => [name, { hash: hashOf(text), bytes: Buffer.byteLength(text) }]))

/** As a publication does it, from the beginning. */
async function publish(to: Destination, release: string, files: Record<string, string>): Promise<number> {
  await to.claim('', 'job')
  const missing = await to.announce('', release, manifestOf(files))
  for (const text of new Set(Object.values(files))) if (missing.includes(hashOf(text))) await to.send(hashOf(text), Buffer.from(text))
  await to.activate('', release)
  return missing.length
}

/** Every file of a folder, but our list. */
function filesOf(folder: string, under = ''): Record<string, string> {
  const found: Record<string, string> = {}
  for (const entry of readdirSync(path.join(folder, under), { withFileTypes: true })) {
    const file = under === '' ? entry.name : `${under}/${entry.name}`
    if (entry.isDirectory()) Object.assign(found, filesOf(folder, file))
    else if (file !== LIST_FILE) found[file] = readFileSync(path.join(folder, file), 'utf8')
  }
  return found
}

const FIRST = { 'index.html': 'uses a.css', 'about/index.html': 'uses a.css', 'a.css': 'a' }
const SECOND = { 'index.html': 'uses b.css', 'news/index.html': 'uses b.css', 'b.css': 'b' }

describe.each([
  ['a folder', (folder: string) => makeDestination(folderDestination({ folder }))],
  ['SFTP', (folder: string) => sftp(folder)],
])('other files on %s', (kind, destinationAt) => {
  const name = (what: string): string => `${kind.replace(' ', '-')}-${what}`

  test('are never touched, and folders that nothing of ours is left in go with the last of it', async () => {
    const folder = path.join(folders, name('others'))
    mkdirSync(path.join(folder, 'mail'), { recursive: true })
    writeFileSync(path.join(folder, 'mail', 'inbox'), 'letters')
    const to = destinationAt(name('others'))
    await publish(to, 'r1', FIRST)
    expect((await to.files!.look('')).there.get('mail/inbox')).toBe(7)
    expect(await publish(to, 'r2', SECOND)).toBe(2)
    expect(filesOf(folder)).toEqual({ ...SECOND, 'mail/inbox': 'letters' })
    expect(existsSync(path.join(folder, 'about'))).toBe(false)
    expect(readdirSync(folder).sort()).toEqual([LIST_FILE, 'b.css', 'index.html', 'mail', 'news'])
  })

  test('that stand where ours go stop it before anything is sent; adopted, they are replaced', async () => {
    const folder = path.join(folders, name('way'))
    mkdirSync(folder, { recursive: true })
    writeFileSync(path.join(folder, 'index.html'), 'welcome from your host')
    const to = destinationAt(name('way'))
    await expect(publish(to, 'r1', FIRST)).rejects.toMatchObject({ fault: 'inTheWay', message: 'index.html' })
    expect(filesOf(folder)).toEqual({ 'index.html': 'welcome from your host' })
    await to.files!.adopt('', 'job', ['index.html'])
    await publish(to, 'r1', FIRST)
    expect(filesOf(folder)).toEqual(FIRST)
  })

  test('that a hand has changed or removed are put right by the next release', async () => {
    const folder = path.join(folders, name('hand'))
    const to = destinationAt(name('hand'))
    await publish(to, 'r1', FIRST)
    writeFileSync(path.join(folder, 'a.css'), 'broken by hand')
    // The very release that is there is whole again too.
    await publish(to, 'r1', FIRST)
    expect(filesOf(folder)).toEqual(FIRST)
    writeFileSync(path.join(folder, 'index.html'), '')
    await publish(to, 'r2', { ...FIRST, 'new.txt': 'new' })
    expect(filesOf(folder)).toEqual({ ...FIRST, 'new.txt': 'new' })
  })

  test('of another site are left alone: a folder is one site’s', async () => {
    const to = destinationAt(name('two'))
    await publish(to, 'r1', FIRST)
    await expect(to.claim('', 'another job')).rejects.toMatchObject({ fault: 'taken' })
    writeFileSync(path.join(folders, name('two'), LIST_FILE), 'not ours')
    await expect(publish(to, 'r2', SECOND)).rejects.toMatchObject({ fault: 'refused' })
    expect(filesOf(path.join(folders, name('two')))).toEqual(FIRST)
  })

  test('behind a link are not followed', async () => {
    const folder = path.join(folders, name('link'))
    mkdirSync(folder, { recursive: true })
    mkdirSync(path.join(folders, name('elsewhere')))
    symlinkSync(path.join(folders, name('elsewhere')), path.join(folder, 'about'))
    await expect(publish(destinationAt(name('link')), 'r1', FIRST)).rejects.toMatchObject({ fault: 'inTheWay', message: 'about' })
    expect(readdirSync(path.join(folders, name('elsewhere')))).toEqual([])
  })
})

/** A server whose line breaks after so many changes, in the middle of the next: half of what was written is there. */
function breaking(root: string, after: number): FileServer {
  const server = folderServer(root, () => undefined)
  let left = after
  const counted = async (act: () => Promise<void>, half: () => void = () => undefined): Promise<void> => {
    if (left-- > 0) return act()
    if (left === -1) half()
    throw new Error('the line broke')
  }
  return {
    ...server,
    write: (file, content) =>
      counted(
        () => server.write(file, content),
        () => writeFileSync(path.join(root, file), content.subarray(0, content.length / 2)),
      ),
    move: (from, to) => counted(() => server.move(from, to)),
    remove: (file) => counted(() => server.remove(file)),
    makeFolder: (folder) => counted(() => server.makeFolder(folder)),
    removeFolder: (folder) => counted(() => server.removeFolder(folder)),
  }
}

test('what a release that was cut off has put there is still ours when another sends the same content elsewhere', async () => {
  const root = path.join(folders, 'elsewhere-again')
  mkdirSync(root)
  const whole = (): Destination => makeDestination(fileServerAdapter('folder', async () => folderServer(root, () => undefined)))
  await publish(whole(), 'r1', { 'index.html': 'home' })
  // Cut off once “one.txt” is in place: the list says what is coming.
  const cut = { ...folderServer(root, () => undefined), move: movesUntil(root, 'two.txt') }
  await expect(
    publish(makeDestination(fileServerAdapter('folder', async () => cut)), 'r2', {
      'index.html': 'home',
      'one.txt': 'same',
      'two.txt': 'two',
    }),
  ).rejects.toThrow()
  expect(existsSync(path.join(root, 'one.txt'))).toBe(true)
  const to = whole()
  await to.claim('', 'job')
  const next = manifestOf({ 'index.html': 'home', 'other.txt': 'same' })
  for (const hash of await to.announce('', 'r3', next)) await to.send(hash, Buffer.from('same'))
  expect((await to.files!.look('')).ours).toHaveProperty(['one.txt'])
  await to.activate('', 'r3')
  expect(filesOf(root)).toEqual({ 'index.html': 'home', 'other.txt': 'same' })
})

/** Moves files until one is to be put into place. */
function movesUntil(root: string, last: string): FileServer['move'] {
  const { move } = folderServer(root, () => undefined)
  return async (from, to) => {
    if (to === last) throw new DestinationError('refused', 'killed here')
    await move(from, to)
  }
}

test('wherever the line breaks, no visitor sees a page without what it shows, and the next try ends whole', async () => {
  const roll = random(2026)
  const root = path.join(folders, 'breaking')
  mkdirSync(root)
  let now: Record<string, string> = {}
  let broke = 0
  for (let round = 0; round < 150; round++) {
    const sheet = `sheet-${Math.floor(roll() * 6)}.css`
    const pages = ['index.html', 'about/index.html', 'news/one/index.html', 'news/index.html'].filter(
      (page) => page === 'index.html' || roll() < 0.6,
    )
    const next = { ...Object.fromEntries(pages.map((page) => [page, `${page} of ${round} uses ${sheet}`])), [sheet]: sheet }
    const to = makeDestination(fileServerAdapter('folder', async () => breaking(root, Math.floor(roll() * 14))))
    const isDone = await publish(to, `r${round}`, next).then(
      () => true,
      () => false,
    )
    if (!isDone) broke++
    // What a visitor is given: pages that are whole, each with the sheet that it uses.
    for (const [file, words] of Object.entries(filesOf(root))) {
      if (!file.endsWith('.html')) continue
      const [, uses] = /^\S+ of \d+ uses (sheet-\d\.css)$/.exec(words) ?? []
      expect(uses, `${file}, round ${round}`).toBeDefined()
      expect(filesOf(root)[uses!], `${file}, round ${round}`).toBe(uses)
    }
    // Sometimes the same release is tried again, sometimes another is published over what was left half done.
    if (!isDone && roll() < 0.5) {
      await publish(makeDestination(fileServerAdapter('folder', async () => folderServer(root, () => undefined))), `r${round}`, next)
      expect(filesOf(root)).toEqual(next)
    }
    now = next
  }
  await publish(makeDestination(fileServerAdapter('folder', async () => folderServer(root, () => undefined))), 'last', now)
  expect(filesOf(root)).toEqual(now)
  expect(broke).toBeGreaterThan(50)
})

describe('by SFTP', () => {
  test('a key opens the door as a password does; neither that fits is said, and no secret is in what is said', async () => {
    expect(await sftp('door', {}, { key: ourKeys.private }).find('')).toBeNull()
    const wrong = sftp('door', {}, { password: 'not the password' })
    await expect(wrong.find('')).rejects.toMatchObject({ fault: 'refused', message: 'the user name and the password or key do not fit' })
    await expect(sftp('door', {}, { key: 'no key at all' }).find('')).rejects.toMatchObject({
      message: expect.stringContaining('key cannot be read'),
    })
  })

  test('a login that was refused is tried anew the next time, as when the other side has mended it', async () => {
    const login = { user: account.user, password: 'mended later' }
    const server = sftpStandIn({ hostKey: hostKeys.private, account: login, folder: folders })
    servers.push(server)
    const at = await new Promise<number>((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
    const to = sftp('mended', { port: at })
    await expect(to.find('')).rejects.toMatchObject({ fault: 'refused' })
    login.password = account.password
    expect(await to.find('')).toBeNull()
  })

  test('a host that shows another key than the one that is known is told nothing', async () => {
    const other = known(utils.generateKeyPairSync('ed25519').public)
    await expect(sftp('key', { hostKey: other }).find('')).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('another key'),
    })
  })

  test('a disk that is full is said, and what is seen stays whole', async () => {
    const folder = path.join(folders, 'full')
    const tight = sftp('full', { port: await serve(folder, 100_000), folder: '/' })
    await publish(tight, 'r1', FIRST)
    await expect(publish(tight, 'r2', { ...SECOND, 'film.mp4': 'x'.repeat(300_000) })).rejects.toMatchObject({ fault: 'full' })
    expect(filesOf(folder)).toMatchObject(FIRST)
  })

  test('files of many packets come whole', async () => {
    const film = Buffer.alloc(3_000_000, 'frames of a film ').toString('latin1')
    await publish(sftp('film'), 'r1', { 'index.html': 'home', 'film.mp4': film })
    expect(statSync(path.join(folders, 'film', 'film.mp4')).size).toBe(3_000_000)
    expect(hashOf(readFileSync(path.join(folders, 'film', 'film.mp4'), 'latin1'))).toBe(hashOf(film))
  })
})
