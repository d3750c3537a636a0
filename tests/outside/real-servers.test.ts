import { spawnSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { mkdirSync, mkdtempSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { LIST_FILE } from '../../src/core/release'
import type { SentContents } from '../../src/server/destinations/file-server/sent-contents'
import { ftpDestination } from '../../src/server/destinations/ftp/adapter'
import { ftpTest } from '../../src/server/destinations/ftp/connection-test'
import { sftpDestination } from '../../src/server/destinations/sftp/adapter'
import { sftpTest } from '../../src/server/destinations/sftp/connection-test'
import { makeDestination } from '../../src/server/destinations/shell'
import type { Destination } from '../../src/server/destinations/destination'
import { testConnection, type ConnectionTest } from '../../src/server/destinations/connection-test/connection-test'
import { selfSigned, type Signed } from '../../src/standins/client-server/certificate'
import { countedLine } from '../counted-line'
import { random } from '../random'
import { remembering } from '../remembering'
import { filesOf, FIRST, manifestOf, publish, SECOND, sendTexts } from '../server/file-servers'
import { openSsh, vsftpd, type OpenSsh, type RealServer } from './real-servers'

/** Programs of Debian’s as the other side: OpenSSH’s server, and vsftpd, plain and encrypted (which wants every session of TLS again). */
const root = mkdtempSync(path.join(tmpdir(), 'instant-fit-real-'))
const at = (name: string): string => {
  mkdirSync(path.join(root, name), { recursive: true })
  return path.join(root, name)
}
let ssh: OpenSsh
let plain: RealServer
let secure: RealServer
let signed: Signed
beforeAll(async () => {
  signed = await selfSigned('127.0.0.1', 30)
  ;[ssh, plain, secure] = await Promise.all([openSsh(), vsftpd(at('ftp')), vsftpd(at('ftps'), signed)])
})
afterAll(() => [ssh, plain, secure].forEach((server) => server.stop()))

const ANYBODY = { password: 'anybody@example.com' }
const sftpSettings = (folder: string): Parameters<typeof sftpDestination>[0] => ({
  host: '127.0.0.1',
  port: ssh.port,
  user: ssh.user,
  folder,
  hostKey: ssh.hostKey,
})
const ftpSettings = (isSecure: boolean, folder: string): Parameters<typeof ftpDestination>[0] => ({
  host: '127.0.0.1',
  port: isSecure ? secure.port : plain.port,
  user: 'anonymous',
  folder,
  isSecure,
  certificate: isSecure ? new X509Certificate(signed.cert).fingerprint256 : null,
})

type Place = { readonly to: Destination; readonly folder: string }
const PLACES: readonly (readonly [string, (name: string) => Place])[] = [
  ['OpenSSH by SFTP', (name) => ({ to: makeDestination(sftpDestination(sftpSettings(at(name)), { key: ssh.key })), folder: at(name) })],
  [
    'vsftpd by FTP',
    (name) => ({ to: makeDestination(ftpDestination(ftpSettings(false, name), ANYBODY)), folder: at(path.join('ftp', name)) }),
  ],
  [
    'vsftpd by FTP, encrypted',
    (name) => ({ to: makeDestination(ftpDestination(ftpSettings(true, name), ANYBODY)), folder: at(path.join('ftps', name)) }),
  ],
]

describe.each(PLACES)('%s', (_, placeAt) => {
  test('a site goes there, again with what changed alone, and back; what is not ours stays', async () => {
    const { to, folder } = placeAt('site')
    mkdirSync(path.join(folder, 'alte Fotos'))
    writeFileSync(path.join(folder, 'alte Fotos', 'Größe.txt'), 'theirs')
    expect(await publish(to, 'r1', FIRST)).toBe(2)
    expect(await publish(to, 'r2', SECOND)).toBe(2)
    expect(filesOf(folder)).toEqual({ ...SECOND, 'alte Fotos/Größe.txt': 'theirs' })
    expect((await to.files!.look('')).there.get('alte Fotos/Größe.txt')?.bytes).toBe(6)
    expect(await publish(to, 'r2', SECOND)).toBe(0)
    await publish(to, 'r1', FIRST)
    expect(filesOf(folder)).toEqual({ ...FIRST, 'alte Fotos/Größe.txt': 'theirs' })
  })

  test('two thousand files that are there already are seen, and left', async () => {
    const { to, folder } = placeAt('full')
    for (let i = 0; i < 2000; i++) {
      if (i % 100 === 0) mkdirSync(path.join(folder, `folder ${i / 100}`))
      writeFileSync(path.join(folder, `folder ${Math.floor(i / 100)}`, `file ${i}.txt`), 'theirs')
    }
    await publish(to, 'r1', FIRST)
    expect((await to.files!.look('')).there.size).toBe(2003)
    await publish(to, 'r2', SECOND)
    expect(Object.keys(filesOf(folder))).toHaveLength(2003)
  })

  test('a file of many packets comes whole', async () => {
    const { to, folder } = placeAt('film')
    const film = Buffer.alloc(5_000_000, 'frames of a film ').toString('latin1')
    await publish(to, 'r1', { 'index.html': 'home', 'film.mp4': film })
    expect(statSync(path.join(folder, 'film.mp4')).size).toBe(5_000_000)
    expect(filesOf(folder)['film.mp4']).toBe(film)
  })
})

describe('to OpenSSH', () => {
  const roll = random(28)
  /** Words of which hardly any repeat, so that packing them makes them no shorter than half. */
  const page = (heading: string): string =>
    `<h1>${heading}</h1>${Array.from({ length: 4000 }, () => Math.floor(roll() * 1e9).toString(36)).join(' ')}`
  const body = page('')
  const withHeading = (heading: string): string => body.replace('<h1></h1>', `<h1>${heading}</h1>`)

  test('of a page that was changed only the change travels, and only where what is there is as we left it', async () => {
    const folder = at('alike')
    const line = await countedLine(ssh.port)
    const { kept, note } = remembering()
    const go = async (release: string, files: Record<string, string>, meanwhile: () => void = () => undefined): Promise<number> => {
      const before = line.bytes()
      const to = makeDestination(sftpDestination({ ...sftpSettings(folder), port: line.port }, { key: ssh.key }, kept))
      await to.claim('', 'job')
      const delivery = await to.deliver('', release, manifestOf(files))
      meanwhile()
      await sendTexts(delivery, Object.values(files))
      await delivery.activate()
      note(Object.values(files).map((text) => Buffer.from(text)))
      expect(filesOf(folder)).toEqual(files)
      return line.bytes() - before
    }
    const first = { 'index.html': withHeading('as it was'), 'about/index.html': page('about') }
    const whole = await go('r1', first)
    const some = { ...first, 'index.html': withHeading('changed') }
    expect(await go('r2', some)).toBeLessThan(whole / 4)
    // Somebody else has touched it since it was looked at: nothing of it is taken over.
    const index = path.join(folder, 'index.html')
    const spoil = (seconds: number): void => {
      writeFileSync(index, 'x'.repeat(statSync(index).size))
      utimesSync(index, seconds, seconds)
    }
    expect(await go('r3', { ...some, 'index.html': withHeading('again') }, () => spoil(1_000_000_000))).toBeGreaterThan(body.length / 2)
    // Somebody has taken it away.
    await go('r3 again', some)
    await go('r3', { ...some, 'index.html': withHeading('again') }, () => rmSync(index))
    // The same before: that it was touched is seen, though its size is what it was.
    spoil(1_100_000_000)
    await go('r4', { ...some, 'index.html': withHeading('again') })
    line.stop()
  })

  test('a list that is not what it was by its sum is no list of ours, and one that we do not have any more is fetched', async () => {
    const folder = at('lists')
    const { kept } = remembering()
    const to = (now: SentContents): Destination => makeDestination(sftpDestination(sftpSettings(folder), { key: ssh.key }, now))
    await publish(to(kept), 'r1', FIRST)
    const list = kept.list()!
    expect((await to({ ...kept, list: () => null }).find(''))?.release).toBe('r1')
    // Torn on our own disk.
    expect((await to({ ...kept, list: () => list.subarray(0, -40) }).find(''))?.release).toBe('r1')
    writeFileSync(path.join(folder, LIST_FILE), list.toString('utf8').replace('"r1"', '"r7"').replace('"sum":"', '"sum":"0'))
    await expect(to(kept).find('')).rejects.toMatchObject({ fault: 'refused', message: expect.stringContaining('cannot be read') })
  })
})

test('the key that is shown is the one that OpenSSH’s own tool names', () => {
  const scanned = spawnSync('ssh-keyscan', ['-p', String(ssh.port), '-t', 'ed25519', '127.0.0.1'], { encoding: 'utf8' }).stdout
  const named = spawnSync('ssh-keygen', ['-l', '-f', '-'], { input: scanned, encoding: 'utf8' }).stdout
  expect(named).toContain(ssh.hostKey)
})

test('each is tried to the last step but the visit, for nobody serves those folders', async () => {
  const stepsOf = async ({ parts, close }: ConnectionTest): Promise<readonly string[]> => {
    const results = await testConnection(parts, () => undefined)
    close()
    return results.map(({ step, state }) => `${step}: ${state}`)
  }
  const nowhere = 'http://127.0.0.1:1'
  const last = ['folder: done', 'write: done', 'read back: failed', 'remove: not reached']
  const sftpSteps = await stepsOf(sftpTest(sftpSettings(at('tried')), { key: ssh.key }, nowhere, () => undefined))
  expect(sftpSteps).toEqual(['name: done', 'port: done', 'greeting: done', 'host key: done', 'login: done', ...last])
  const ftpSteps = await stepsOf(ftpTest(ftpSettings(true, ''), ANYBODY, nowhere, () => undefined))
  expect(ftpSteps).toEqual(['name: done', 'port: done', 'greeting: done', 'certificate: done', 'login: done', ...last])
})
