import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { domainOf, wantedRecords, zoneSnippet } from '../../src/core/domain'
import { ask, type QuestionType } from '../../src/server/domains/ask'
import { record, startNames, type Names } from '../server/names'
import { said } from './programs'
import { freePort } from '../free-port'
import { started, type RealServer } from './real-servers'

const DOMAIN = 'wren.test'
const LONG = 'x'.repeat(700)
const HOST = { name: 'sites.instant-fit.test', a: ['192.0.2.1'], aaaa: ['2001:db8::1'] }
const SNIPPET = zoneSnippet(wantedRecords(domainOf(`www.${DOMAIN}`), HOST, `site="${'q'.repeat(300)}\\`), DOMAIN)
const HEAD = `@ 3600 IN SOA ns.${DOMAIN}. hostmaster.${DOMAIN}. 1 3600 600 604800 77\n@ 3600 IN NS ns.${DOMAIN}.\nns 3600 IN A 127.0.0.1\n`

let names: Names
let named: RealServer
const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-named-'))
const zoneFile = (name: string, words: string): string => {
  writeFileSync(path.join(folder, name), words)
  return path.join(folder, name)
}
beforeAll(async () => {
  names = await startNames(DOMAIN, [
    record('A', DOMAIN, '203.0.113.9'),
    record('CNAME', `www.${DOMAIN}`, 'sites.instant-fit.test'),
    record('TXT', `long.${DOMAIN}`, LONG),
    record('CAA', DOMAIN, '0 issue "authority.test; x=1"'),
    record('A', `*.wild.${DOMAIN}`, '203.0.113.10'),
  ])
  const port = await freePort()
  const zone = zoneFile(
    'zone',
    `$ORIGIN ${DOMAIN}.\n${HEAD}${SNIPPET}long IN TXT ${'"'.padEnd(256, 'y')}" ${`"${'z'.repeat(255)}" `.repeat(9)}\n`,
  )
  const listening = `listen-on port ${port} { 127.0.0.1; }; listen-on-v6 { none; };`
  const options = `directory "${folder}"; pid-file none; session-keyfile none; recursion no; dnssec-validation no; ${listening}`
  const config = zoneFile('named.conf', `options { ${options} };\ncontrols { };\nzone "${DOMAIN}" { type primary; file "${zone}"; };\n`)
  named = await started('/usr/sbin/named', ['-g', '-c', config], port)
})
afterAll(() => named?.stop())

const dig = (at: string, ...args: string[]): Promise<string> => said('dig', [`@${at}`, '-p', String(names.dnsPort), '+noidnout', ...args])

describe('dig, of BIND, against our name servers', () => {
  test('reads every kind of record that they have, and where a CNAME leads', async () => {
    expect(await dig('127.0.0.3', DOMAIN, 'A', '+short')).toBe('203.0.113.9\n')
    expect(await dig('127.0.0.1', `www.${DOMAIN}`, 'A', '+short')).toBe('sites.instant-fit.test.\n127.0.0.1\n')
    expect(await dig('127.0.0.1', DOMAIN, 'CAA', '+short')).toBe('0 issue "authority.test; x=1"\n')
    expect(await dig('127.0.0.1', `any.wild.${DOMAIN}`, '+short')).toBe('203.0.113.10\n')
    expect(await dig('127.0.0.1', DOMAIN, 'NS', '+short')).toBe('ns.hedgerow.test.\n')
  })

  test('is told with authority by the domain’s own, and for a time by those that keep', async () => {
    expect(await dig('127.0.0.3', DOMAIN, 'A')).toMatch(/flags: qr aa/)
    expect(await dig('127.0.0.1', DOMAIN, 'A')).toMatch(/flags: qr rd ra/)
    expect(await dig('127.0.0.3', `none.${DOMAIN}`, 'A')).toMatch(/status: NXDOMAIN[^]*SOA/)
    expect(await dig('127.0.0.3', DOMAIN, 'MX')).toMatch(/status: NOERROR[^]*ANSWER: 0[^]*SOA/)
    expect(await dig('127.0.0.3', 'elsewhere.invalid', 'A')).toMatch(/status: REFUSED/)
  })

  test('gets by TCP what is too long for UDP', async () => {
    const short = await dig('127.0.0.3', `long.${DOMAIN}`, 'TXT', '+noedns', '+ignore')
    expect(short).toMatch(/flags: qr aa tc/)
    expect((await dig('127.0.0.3', `long.${DOMAIN}`, 'TXT', '+noedns', '+short')).replaceAll(/[" \n]/g, '')).toBe(LONG)
  })
})

describe('our questions, put to BIND’s own server', () => {
  const found = async (type: QuestionType, name: string) => (await ask({ address: '127.0.0.1', port: named.port }, type, name)).found

  test('find in it every record that we ask a registrar to set, as it was asked', async () => {
    expect(await found('A', DOMAIN)).toEqual({ state: 'records', records: [{ name: DOMAIN, type: 'A', value: '192.0.2.1', ttlS: 3600 }] })
    expect(await found('AAAA', DOMAIN)).toMatchObject({ records: [{ value: '2001:db8::1' }] })
    expect(await found('A', `WWW.${DOMAIN}`)).toMatchObject({ records: [{ name: `www.${DOMAIN}`, type: 'CNAME', value: HOST.name }] })
    expect(await found('TXT', `_site-proof.${DOMAIN}`)).toMatchObject({ records: [{ value: `site="${'q'.repeat(300)}\\` }] })
    expect(await found('TXT', `long.${DOMAIN}`)).toMatchObject({ records: [{ value: `${'y'.repeat(255)}${'z'.repeat(255 * 9)}` }] })
  })

  test('tell a name that is not there from one without such records, for how long, and a zone that is not there', async () => {
    expect(await found('A', `none.${DOMAIN}`)).toEqual({ state: 'none', isName: false, ttlS: 77 })
    expect(await found('CAA', DOMAIN)).toEqual({ state: 'none', isName: true, ttlS: 77 })
    expect(await found('A', 'elsewhere.invalid')).toMatchObject({ state: 'failed', why: expect.stringContaining('REFUSED') as string })
  })

  test('end where nobody answers', async () => {
    expect((await ask({ address: '127.0.0.1', port: 1 }, 'A', DOMAIN)).found).toMatchObject({ state: 'failed' })
  })
})

describe('what we ask a registrar to set', () => {
  test('is a piece of a zone that BIND takes', async () => {
    await expect(said('named-checkzone', [DOMAIN, zoneFile('ours', HEAD + SNIPPET)])).resolves.toContain('OK')
  })

  // RFC 1912, 2.4: why a domain itself has numbers in it.
  test('would be none with a CNAME at the domain itself', async () => {
    const cname = zoneFile('cname', `${HEAD}@ IN CNAME sites.instant-fit.test.\n`)
    await expect(said('named-checkzone', [DOMAIN, cname])).rejects.toMatchObject({
      stdout: expect.stringContaining('CNAME and other data') as string,
    })
  })
})
