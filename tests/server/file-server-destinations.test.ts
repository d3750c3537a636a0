import { existsSync, mkdirSync, readFileSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { utils } from 'ssh2'
import { beforeAll, describe, expect, test } from 'vitest'
import { isHashedName } from '../../src/core/release'
import { DestinationError, type Destination } from '../../src/server/destinations/destination'
import { fileServerAdapter } from '../../src/server/destinations/file-server/adapter'
import type { FileServer } from '../../src/server/destinations/file-server/file-server'
import { moveOver } from '../../src/server/destinations/file-server/replace'
import { folderDestination, folderServer } from '../../src/server/destinations/folder/adapter'
import { sftpDestination } from '../../src/server/destinations/sftp/adapter'
import { fingerprint } from '../../src/server/destinations/sftp/connect'
import type { SftpSecret, SftpSettings } from '../../src/server/destinations/sftp/settings'
import { makeDestination } from '../../src/server/destinations/shell'
import { sftpStandIn } from '../../src/standins/client-server/sftp'
import { random } from '../random'
import { destinationContract } from './destination-contract'
import {
  atAddresses,
  filesOf,
  FIRST,
  folders,
  hashOf,
  manifestOf,
  othersFilesContract,
  publish,
  SECOND,
  serving,
  visitFolder,
} from './file-servers'

othersFilesContract('a folder', (folder) => makeDestination(folderDestination({ folder })))
destinationContract('a folder', () => ({
  destination: atAddresses((folder) => folderDestination({ folder })),
  visit: visitFolder,
  unplugged: () => makeDestination(fileServerAdapter('folder', () => Promise.reject(new Error('no disk')))),
}))

const hostKeys = utils.generateKeyPairSync('ed25519')
const ourKeys = utils.generateKeyPairSync('ed25519')
const account = { user: 'tolliver', password: 'a password', publicKey: ourKeys.public }
const known = (key: string): string => {
  const parsed = utils.parseKey(key)
  if (parsed instanceof Error) throw parsed
  return fingerprint(parsed.getPublicSSH())
}
let port = 0
const serve = (folder = folders, quota = Infinity): Promise<number> =>
  serving(sftpStandIn({ hostKey: hostKeys.private, account, folder, quota }))
beforeAll(async () => void (port = await serve()))

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

othersFilesContract('SFTP', (folder) => sftp(folder))
destinationContract('a server by SFTP', () => ({
  destination: atAddresses((folder) => {
    mkdirSync(path.join(folders, `sftp-${folder}`), { recursive: true })
    return sftpDestination(settings(`sftp-${folder}`), { password: account.password })
  }),
  visit: (address, asked) => visitFolder(`sftp-${address}`, asked),
  unplugged: () => sftp('unplugged', { port: 1 }),
}))

/**
 * A server whose line breaks after so many changes, in the middle of the next: half of what was written is there. It renames over what is
 * there, or refuses to.
 */
function breaking(root: string, after: number, renamesOver = true): FileServer {
  const server = folderServer(root, () => undefined)
  let left = after
  const counted = async <T>(act: () => Promise<T>, half: () => void = () => undefined): Promise<T> => {
    if (left-- > 0) return act()
    if (left === -1) half()
    throw new Error('the line broke')
  }
  const remove: FileServer['remove'] = (file) => counted(() => server.remove(file))
  const rename: FileServer['move'] = (from, to) =>
    counted(() => {
      if (!renamesOver && existsSync(path.join(root, to))) throw new DestinationError('refused', 'a file of that name is there')
      return server.move(from, to)
    })
  return {
    ...server,
    write: (file, content) =>
      counted(
        () => server.write(file, content),
        () => writeFileSync(path.join(root, file), content.subarray(0, content.length / 2)),
      ),
    move: (from, to) => (renamesOver ? rename(from, to) : moveOver({ rename, remove }, from, to)),
    remove,
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
  const { missing, send, activate } = await to.deliver('', 'r3', next)
  for (const hash of missing) await send(hash, Buffer.from('same'))
  expect((await to.files!.look('')).ours).toHaveProperty(['one.txt'])
  await activate()
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

/** All of what is there but sheets of earlier releases that pages in somebody's browser may still ask for. */
const but = (there: Record<string, string>, next: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(there).filter(([file]) => file in next || !isHashedName(file)))

test('wherever the line breaks, no visitor sees a page without what it shows, and the next try ends whole', async () => {
  const roll = random(2026)
  const root = path.join(folders, 'breaking')
  mkdirSync(root)
  let now: Record<string, string> = {}
  let broke = 0
  for (let round = 0; round < 150; round++) {
    // Of one release in two they have names of their own, and go straight to their places.
    const sheet = `sheet-${Math.floor(roll() * 6)}${roll() < 0.5 ? '-0a1b2c3d' : ''}.css`
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
      const [, uses] = /^\S+ of \d+ uses (sheet-\d(?:-0a1b2c3d)?\.css)$/.exec(words) ?? []
      expect(uses, `${file}, round ${round}`).toBeDefined()
      expect(filesOf(root)[uses!], `${file}, round ${round}`).toBe(uses)
    }
    // Sometimes the same release is tried again, sometimes another is published over what was left half done.
    if (!isDone && roll() < 0.5) {
      await publish(makeDestination(fileServerAdapter('folder', async () => folderServer(root, () => undefined))), `r${round}`, next)
      expect(but(filesOf(root), next)).toEqual(next)
    }
    now = next
  }
  await publish(makeDestination(fileServerAdapter('folder', async () => folderServer(root, () => undefined))), 'last', now)
  expect(but(filesOf(root), now)).toEqual(now)
  expect(broke).toBeGreaterThan(50)
})

test('what went straight to its place is ours however it came there: torn it comes anew, and with no page of its own it goes', async () => {
  const root = path.join(folders, 'straight')
  mkdirSync(root)
  const [photo, font] = ['files/photo-0a1b2c3d.webp', 'fonts/words-1a1b2c3d.woff2']
  const to = (server: FileServer): Destination => makeDestination(fileServerAdapter('folder', async () => server))
  const whole = (): Destination => to(folderServer(root, () => undefined))
  await publish(whole(), 'r1', { 'index.html': 'home' })
  /** Breaks off in the middle of a file. */
  const tearing = (torn: string): FileServer => {
    const server = folderServer(root, () => undefined)
    const write: FileServer['write'] = async (file, content) => {
      if (file !== torn) return server.write(file, content)
      writeFileSync(path.join(root, file), content.subarray(0, 3))
      throw new Error('the line broke')
    }
    return { ...server, write }
  }
  const next = { 'index.html': 'shows it', [photo]: 'a photo', [font]: 'letters' }
  await expect(publish(to(tearing(font)), 'r2', next)).rejects.toMatchObject({ fault: 'down' })
  expect(filesOf(root)).toMatchObject({ 'index.html': 'home', [photo]: 'a photo', [font]: 'let' })
  expect((await whole().find(''))?.release).toBe('r1')
  // What has come is not sent again, and nothing of it is in anybody's way.
  expect(await publish(whole(), 'r2', next)).toBe(1)
  expect(filesOf(root)).toEqual(next)
  await expect(publish(to(tearing('files/other-2a1b2c3d.webp')), 'r3', { ...next, 'files/other-2a1b2c3d.webp': 'other' })).rejects.toThrow()
  await publish(whole(), 'r4', { ...next, 'index.html': 'shows it again' })
  expect(filesOf(root)).toEqual({ ...next, 'index.html': 'shows it again' })
})

test('one file that was put into place when the line broke is known by its time, though the list says nothing of it', async () => {
  const root = path.join(folders, 'one-file')
  mkdirSync(root)
  const whole = folderServer(root, () => undefined)
  const to = (server: FileServer): Destination => makeDestination(fileServerAdapter('folder', async () => server))
  const site = (heading: string): Record<string, string> => ({ 'index.html': heading, 'about/index.html': 'about' })
  await publish(to(whole), 'r1', site('as it was'))
  // So long ago that the clock has gone on since.
  utimesSync(path.join(root, 'index.html'), 1_000_000_000, 1_000_000_000)
  await publish(to(whole), 'r2', site('as it was'))
  const writesOnce = (): FileServer['write'] => {
    let lists = 0
    return async (file, content) => {
      if (file.endsWith('/list') && ++lists > 0) throw new Error('the line broke')
      return whole.write(file, content)
    }
  }
  await expect(publish(to({ ...whole, write: writesOnce() }), 'r3', site('as it is.'))).rejects.toMatchObject({ fault: 'down' })
  expect(filesOf(root)).toMatchObject(site('as it is.'))
  // A line that is there again goes on from where it broke.
  let lists = 0
  const write: FileServer['write'] = async (file, content) => {
    if (file.endsWith('/list') && ++lists === 1) throw new Error('the line broke')
    return whole.write(file, content)
  }
  await publish(to(whole), 'r3', site('as it is.'))
  utimesSync(path.join(root, 'index.html'), 1_100_000_000, 1_100_000_000)
  await publish(to(whole), 'r3', site('as it is.'))
  await publish(to({ ...whole, write }), 'r4', site('as is now.'))
  expect((await to(whole).find(''))?.release).toBe('r4')
  expect(filesOf(root)).toEqual(site('as is now.'))
  await expect(publish(to({ ...whole, write: writesOnce() }), 'r5', site('as it is.'))).rejects.toMatchObject({ fault: 'down' })
  // Back to what the list says is there, of the same size.
  expect(await publish(to(whole), 'r4', site('as is now.'))).toBe(1)
  expect(filesOf(root)).toEqual(site('as is now.'))
})

test('on a server that copies where others rename, and so gives files new times, nothing is taken for changed by a hand', async () => {
  const root = path.join(folders, 'copying')
  mkdirSync(root)
  let now = 1_000_000_000
  const copying = (): Destination =>
    makeDestination(
      fileServerAdapter('folder', async () => {
        const server = folderServer(root, () => undefined)
        const move: FileServer['move'] = async (from, to) => {
          await server.move(from, to)
          utimesSync(path.join(root, to), ++now, now)
        }
        return { ...server, move }
      }),
    )
  const site = { 'index.html': 'home', 'about/index.html': 'about' }
  await publish(copying(), 'r1', site)
  expect(await publish(copying(), 'r1', site)).toBe(0)
  expect(await publish(copying(), 'r2', { ...site, 'index.html': 'changed' })).toBe(1)
  expect(await publish(copying(), 'r3', { ...site, 'index.html': 'again' })).toBe(1)
  // What has not been moved since is known by its time.
  writeFileSync(path.join(root, 'about', 'index.html'), 'spoil')
  expect(await publish(copying(), 'r3', { ...site, 'index.html': 'again' })).toBe(1)
  expect(filesOf(root)).toEqual({ ...site, 'index.html': 'again' })
})

test('where a server renames over no file, a line that breaks between two renamings loses no list, and the next try is whole', async () => {
  const roll = random(7)
  const root = path.join(folders, 'no-renaming-over')
  mkdirSync(root)
  const files = (round: number): Record<string, string> => ({ 'index.html': `home ${round}`, 'about/index.html': `about ${round}` })
  let broke = 0
  for (let round = 0; round < 150; round++) {
    const to = makeDestination(fileServerAdapter('folder', async () => breaking(root, Math.floor(roll() * 25), false)))
    await publish(to, `r${round}`, files(round)).catch((error: unknown) => {
      expect(error, `round ${round}`).toMatchObject({ fault: 'down' })
      broke++
    })
    if (roll() < 0.3) {
      await publish(makeDestination(fileServerAdapter('folder', async () => breaking(root, Infinity, false))), `r${round}`, files(round))
      expect(filesOf(root), `round ${round}`).toEqual(files(round))
    }
  }
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
    const at = await serving(sftpStandIn({ hostKey: hostKeys.private, account: login, folder: folders }))
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
