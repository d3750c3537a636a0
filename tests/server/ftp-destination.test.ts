import { X509Certificate } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import type { Socket } from 'node:net'
import path from 'node:path'
import { beforeAll, describe, expect, test } from 'vitest'
import type { TestResult } from '../../src/core/replies'
import type { Destination } from '../../src/server/destinations/destination'
import { ftpDestination } from '../../src/server/destinations/ftp/adapter'
import type { FtpSettings } from '../../src/server/destinations/ftp/settings'
import { ftpTest } from '../../src/server/destinations/ftp/connection-test'
import { makeDestination } from '../../src/server/destinations/shell'
import { testConnection } from '../../src/server/destinations/connection-test/connection-test'
import { selfSigned, type Signed } from '../../src/standins/client-server/certificate'
import { ftpStandIn, type FtpStandIn } from '../../src/standins/client-server/ftp'
import { random } from '../random'
import { destinationContract } from './destination-contract'
import { atAddresses, filesOf, FIRST, folders, othersFilesContract, publish, SECOND, serving, visitFolder } from './file-servers'

const account = { user: 'tolliver', password: 'a password' }
const serve = (more: Partial<FtpStandIn> = {}): Promise<number> => serving(ftpStandIn({ account, folder: folders, ...more }))
const fingerprintOf = ({ cert }: Signed): string => new X509Certificate(cert).fingerprint256

let signed: Signed
let plainPort = 0
let securePort = 0
beforeAll(async () => {
  signed = await selfSigned('127.0.0.1', 30)
  plainPort = await serve()
  securePort = await serve({ tls: signed })
})

const settings = (folder: string, more: Partial<FtpSettings> = {}): FtpSettings => {
  mkdirSync(path.join(folders, folder), { recursive: true })
  return { host: '127.0.0.1', port: plainPort, user: account.user, folder, isSecure: false, certificate: null, ...more }
}
const secret = { password: account.password }
const ftp = (folder: string, more: Partial<FtpSettings> = {}): Destination =>
  makeDestination(ftpDestination(settings(folder, more), secret))
const trusted = (): Partial<FtpSettings> => ({ port: securePort, isSecure: true, certificate: fingerprintOf(signed) })

destinationContract('a server by FTP, encrypted', () => ({
  destination: atAddresses((folder) => ftpDestination(settings(`ftps-${folder}`, trusted()), secret)),
  visit: (address, asked) => visitFolder(`ftps-${address}`, asked),
  unplugged: () => ftp('unplugged', { port: 1 }),
}))
othersFilesContract('FTP', (folder) => ftp(folder))

describe('servers differ', () => {
  test.each<[string, Partial<FtpStandIn>]>([
    ['listings as Windows writes them', { listing: 'windows' }],
    ['listings as the standard has them', { listing: 'standard' }],
    ['what begins with a dot is not listed', { hidesDots: true }],
    ['no renaming over what is there', { refusesRenamingOver: true }],
    ['the second connection by the old command, with an address that is not its own', { passive: 'wrong address' }],
    ['one connection at a time, and no more', { most: 1 }],
  ])('%s', async (kind, more) => {
    const folder = `differs-${kind.replaceAll(/\W/g, '-')}`
    const to = ftp(folder, { port: await serve(more) })
    writeFileSync(path.join(folders, folder, 'Fotos für Oma (2).txt'), 'not ours')
    await publish(to, 'r1', FIRST)
    expect(await publish(to, 'r2', SECOND)).toBe(2)
    expect(filesOf(path.join(folders, folder))).toEqual({ ...SECOND, 'Fotos für Oma (2).txt': 'not ours' })
    expect([...(await to.files!.look('')).there.keys()]).toContain('Fotos für Oma (2).txt')
  })

  test('a second connection that is not let through is said as such', async () => {
    await expect(ftp('closed', { port: await serve({ passive: 'closed' }) }).files!.look('')).rejects.toMatchObject({
      fault: 'down',
      message: expect.stringContaining('second connection'),
    })
  })

  test('a disk that is full, and a folder that may not be written to, are said; what is seen stays whole', async () => {
    const folder = path.join(folders, 'tight')
    mkdirSync(folder)
    const tight = ftp('tight', { port: await serve({ folder, quota: 100_000 }), folder: '/' })
    await publish(tight, 'r1', FIRST)
    await expect(publish(tight, 'r2', { ...SECOND, 'film.mp4': 'x'.repeat(300_000) })).rejects.toMatchObject({ fault: 'full' })
    expect(filesOf(folder)).toMatchObject(FIRST)
    const readOnly = ftp('read-only', { port: await serve({ isReadOnly: true }) })
    await expect(publish(readOnly, 'r1', FIRST)).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('Permission denied'),
    })
    expect(readdirSync(path.join(folders, 'read-only'))).toEqual([])
  })
})

describe('who the server is', () => {
  const refusal = (more: Partial<FtpSettings>): Promise<unknown> => ftp('who', { port: securePort, isSecure: true, ...more }).find('')

  test('a certificate that nobody vouches for, that has run out, or that is another than the trusted one is told nothing', async () => {
    await expect(refusal({})).rejects.toMatchObject({ fault: 'refused', message: expect.stringContaining('signed it itself') })
    await expect(refusal({ certificate: fingerprintOf(await selfSigned('127.0.0.1', 30)) })).rejects.toMatchObject({
      fault: 'refused',
      message: expect.stringContaining('another certificate'),
    })
    const old = await selfSigned('127.0.0.1', -2)
    const port = await serve({ tls: old })
    expect((await tried({ port, isSecure: true })).find(({ state }) => state === 'failed')).toMatchObject({
      step: 'certificate',
      said: expect.stringMatching(/signed it itself|run out/),
    })
    // Trusted by hand it is taken: what is asked is that it is the same.
    expect(await refusal({ port, certificate: fingerprintOf(old) })).toBeNull()
  })

  test('a login that does not fit is refused in words without a secret', async () => {
    const to = makeDestination(ftpDestination(settings('who'), { password: 'not the password' }))
    await expect(to.find('')).rejects.toMatchObject({ fault: 'refused', message: expect.stringMatching(/do not fit \(530/) })
    await expect(to.find('')).rejects.not.toThrow(/not the password/)
  })
})

async function tried(more: Partial<FtpSettings>, onCertificate: (found: string) => void = () => undefined): Promise<readonly TestResult[]> {
  const { parts, close } = ftpTest(settings('tried', more), secret, 'http://127.0.0.1:1', onCertificate)
  try {
    return await testConnection(parts, () => undefined)
  } finally {
    close()
  }
}

test('a connection is tried step by step, and says of what the first fault comes', async () => {
  const faultIn = async (more: Partial<FtpSettings>): Promise<TestResult> => {
    const failed = (await tried(more)).find(({ state }) => state === 'failed')
    expect(failed).toBeDefined()
    return failed!
  }
  expect(await faultIn({ host: 'no-such-host.invalid' })).toMatchObject({ step: 'name', advice: expect.stringContaining('spelling') })
  expect(await faultIn({ port: 1 })).toMatchObject({ step: 'port', advice: expect.stringContaining('mostly on port 21') })
  expect(await faultIn({ port: await serve({ most: 0 }) })).toMatchObject({ step: 'greeting', said: expect.stringContaining('421') })
  expect(await faultIn({ isSecure: true })).toMatchObject({ step: 'certificate', said: expect.stringContaining('could not be encrypted') })
  expect(await faultIn({ user: 'nobody' })).toMatchObject({ step: 'login', said: expect.stringContaining('“nobody”') })
  expect(await faultIn({ folder: 'not-there' })).toMatchObject({ step: 'folder', advice: expect.stringContaining('public_html') })
  expect(await faultIn({ port: await serve({ passive: 'closed' }) })).toMatchObject({
    step: 'folder',
    said: expect.stringContaining('second connection'),
  })
  expect(await faultIn({ port: await serve({ isReadOnly: true }) })).toMatchObject({
    step: 'write',
    said: expect.stringContaining('Permission'),
  })
  // Nothing answers at the public address: what was written is taken away again.
  expect(await faultIn({})).toMatchObject({ step: 'read back' })
  expect(readdirSync(path.join(folders, 'tried'))).toEqual([])
  let shown = ''
  await tried({ port: securePort, isSecure: true }, (found) => (shown = found))
  expect(shown).toBe(fingerprintOf(signed))
})

test('a server that hangs up in the middle of anything leaves whole pages there, and the next try ends whole', async () => {
  const roll = random(41)
  const folder = 'hangs-up'
  let left = Infinity
  const server = ftpStandIn({ account, folder: folders })
  const lines = new Set<Socket>()
  server.on('connection', (socket: Socket) => {
    lines.add(socket)
    socket.on('close', () => lines.delete(socket))
    socket.on('data', () => (--left < 0 ? lines.forEach((line) => line.destroy()) : undefined))
  })
  const port = await serving(server)
  let broke = 0
  for (let round = 0; round < 60; round++) {
    const sheet = `sheet-${round % 5}.css`
    const page = `uses ${sheet}, round ${round}`
    const next = { 'index.html': page, 'about/index.html': page, [sheet]: sheet }
    // Fewer words than the server hears in a whole publication, twice: a call that failed is tried once more.
    left = Math.floor(roll() * 120)
    await publish(ftp(folder, { port }), `r${round}`, next).catch((error: unknown) => {
      expect(error, `round ${round}`).toMatchObject({ fault: 'down' })
      broke++
    })
    for (const [file, words] of Object.entries(filesOf(path.join(folders, folder)))) {
      if (!file.endsWith('.html')) continue
      const uses = /^uses (sheet-\d\.css), round \d+$/.exec(words)?.[1] ?? 'a whole page'
      expect(existsSync(path.join(folders, folder, uses)), `${file}, round ${round}`).toBe(true)
    }
    left = Infinity
    if (roll() < 0.3) {
      await publish(ftp(folder, { port }), `r${round}`, next)
      expect(filesOf(path.join(folders, folder)), `round ${round}`).toEqual(next)
      expect(readFileSync(path.join(folders, folder, sheet), 'utf8')).toBe(sheet)
    }
  }
  expect(broke).toBeGreaterThan(15)
})
