import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { acmeServer } from '../../src/standins/authority/acme-server'
import { serving } from '../server/file-servers'
import { ownDataFolder } from '../server/log-fixture'
import { record, setZone, startNames, type Names } from '../server/names'
import { said } from './programs'
import { freePort } from '../free-port'
import { started, type RealServer } from './real-servers'

const DOMAIN = 'wren.test'
const BOTH = [DOMAIN, `www.${DOMAIN}`]
const silent = (): void => undefined
const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-authority-'))
let names: Names
let order: typeof import('../../src/server/domains/certificates/order')
let own: typeof import('../../src/server/destinations/web-host/own-names')
let pebble: RealServer | undefined

const file = (name: string, words: string): string => {
  writeFileSync(path.join(folder, name), words, { mode: 0o755 })
  return path.join(folder, name)
}
beforeAll(async () => {
  ownDataFolder()
  names = await startNames(
    DOMAIN,
    BOTH.map((name) => record('A', name, '127.0.0.1')),
  )
  order = await import('../../src/server/domains/certificates/order')
  own = await import('../../src/server/destinations/web-host/own-names')
})
afterAll(() => pebble?.stop())

/**
 * Pebble, Debian's: an authority made for tests of clients of RFC 8555. It refuses one nonce in ten at random, as authorities may; that the
 * client gives up, after six in a row, comes once in ten thousand runs or so.
 */
async function startPebble(): Promise<string> {
  const [port, management] = [await freePort(), await freePort()]
  const { cert, key } = await names.issuer.ownServer(['localhost', '127.0.0.1'])
  const config = {
    pebble: {
      listenAddress: `127.0.0.1:${port}`,
      managementListenAddress: `127.0.0.1:${management}`,
      certificate: file('pebble.pem', cert),
      privateKey: file('pebble.key', key),
      httpPort: names.host.ports.plain,
      tlsPort: names.host.ports.secure,
      ocspResponderURL: '',
    },
  }
  const env = { PEBBLE_VA_NOSLEEP: '1', PEBBLE_WFE_NONCEREJECT: '10' }
  const args = ['-strict', '-config', file('pebble.json', JSON.stringify(config)), '-dnsserver', `127.0.0.3:${names.dnsPort}`]
  pebble = await started('/usr/bin/pebble', args, port, env)
  return `https://localhost:${port}/dir`
}

describe('an authority that is not ours', () => {
  beforeAll(async () => void (process.env.AUTHORITY_DIRECTORY = await startPebble()))
  afterAll(() => void (process.env.AUTHORITY_DIRECTORY = names.directoryUrl))

  test('gives a certificate for what our host shows it', async () => {
    const { chain, key, notAfter } = await order.certificateByHttp(BOTH, silent)
    expect(notAfter.getTime()).toBeGreaterThan(Date.now())
    await own.giveCertificate(DOMAIN, chain, key)
    const text = await said('openssl', ['x509', '-noout', '-ext', 'subjectAltName', '-in', file('given.pem', chain)])
    for (const name of BOTH) expect(text).toContain(`DNS:${name}`)
  })

  test('gives one for what is shown by DNS', async () => {
    const name = 'elsewhere.test'
    names.zones.register(name)
    const asked = await order.askByDns([name])
    await expect(order.certificateByDns([name], asked, silent)).rejects.toThrow(/_acme-challenge/)
    const again = await order.askByDns([name])
    setZone(
      names.zones,
      name,
      again.challenges.map((one) => record('TXT', one.name, one.value)),
    )
    expect((await order.certificateByDns([name], again, silent)).chain).toContain('BEGIN CERTIFICATE')
  })

  test('says why it gives none', async () => {
    names.zones.register('away.test')
    setZone(names.zones, 'away.test', [record('A', 'away.test', '127.0.0.9')])
    await expect(order.certificateByHttp(['away.test'], silent)).rejects.toThrow(/127\.0\.0\.9|refused|connect/i)
  })
})

describe('our authority', () => {
  test('gives a certificate to a client that is not ours: dehydrated, with openssl and curl', async () => {
    const well = path.join(folder, 'well-known')
    mkdirSync(well)
    const port = await serving(
      createServer((request, response) => {
        const token = path.basename(request.url ?? '')
        response.end(/^[\w-]+$/.test(token) ? readFileSync(path.join(well, token)) : '')
      }),
    )
    const settings = { origin: '', looking: { dns: [`127.0.0.3:${names.dnsPort}`], httpPort: port, caaName: 'authority.test' }, days: 90 }
    const authority = acmeServer(names.issuer, await names.issuer.ownServer(['localhost']), settings)
    settings.origin = `https://localhost:${await serving(authority)}`
    const config = file(
      'dehydrated.conf',
      [
        `CA="${settings.origin}/directory"`,
        `WELLKNOWN="${well}"`,
        `BASEDIR="${folder}"`,
        `CURL_OPTS="--cacert ${names.rootFile}"`,
        'KEY_ALGO=prime256v1',
        '',
      ].join('\n'),
    )
    await said('dehydrated', ['--config', config, '--register', '--accept-terms'])
    await said('dehydrated', ['--config', config, '--cron', ...BOTH.flatMap((name) => ['--domain', name])])
    const verified = await said('openssl', [
      ...['verify', '-purpose', 'sslserver', '-x509_strict'].concat('-CAfile', names.rootFile, '-verify_hostname', `www.${DOMAIN}`),
      path.join(folder, 'certs', DOMAIN, 'cert.pem'),
    ])
    expect(verified).toContain('OK')
  })

  test('is believed by curl and openssl at our host, name by name', async () => {
    const { chain, key } = await order.certificateByHttp(BOTH, silent)
    for (const name of BOTH) await own.giveCertificate(name, chain, key)
    const { secure } = names.host.ports
    const at = (name: string): string[] => [
      '--silent',
      '--show-error',
      '--cacert',
      names.rootFile,
      '--resolve',
      `${name}:${secure}:127.0.0.1`,
    ]
    expect(await said('curl', [...at(DOMAIN), `https://${DOMAIN}:${secure}/`])).toContain('no site at this address')
    // By one line for all that a page needs where that is spoken, and as ever where it is not (RFC 9113, 3.2; RFC 7301).
    const spoken = (version: string): Promise<string> =>
      said('curl', [...at(DOMAIN), version, '--output', '/dev/null', '--write-out', '%{http_version}', `https://${DOMAIN}:${secure}/`])
    expect([await spoken('--http2'), await spoken('--http1.1')]).toEqual(['2', '1.1'])
    await expect(said('curl', [...at('other.test'), `https://other.test:${secure}/`])).rejects.toThrow()
    const shown = await said('openssl', [
      ...'s_client -brief -verify_return_error'.split(' '),
      ...`-CAfile ${names.rootFile} -connect 127.0.0.1:${secure} -servername www.${DOMAIN} -verify_hostname www.${DOMAIN}`.split(' '),
    ])
    expect(shown).toContain('Verification: OK')
    expect(shown).toContain(`Verified peername: www.${DOMAIN}`)
  })
})
