import { describe, expect, test } from 'vitest'
import { caaAllows, caaNames } from './caa'
import { domainOf } from './domain-name'
import { question, type DnsAnswer, type DnsRecord, type DnsLookup } from './dns-answer'
import { isProved, isReady, judgeRecords, type Judged } from './judge'
import { wantedRecords, type HostPlace } from './records'
import { domainMail } from './domain-mail'
import { nameUnder, zoneSnippet, zoneValue } from './zone'

const HOST: HostPlace = { name: 'sites.host.test', a: ['192.0.2.1', '192.0.2.2'], aaaa: ['2001:db8::1'] }
const domain = domainOf('www.wren.test')
const NONE: DnsAnswer = { state: 'none', isName: true, ttlS: 60 }
const rr = (type: string, name: string, value: string, ttlS = 300): DnsRecord => ({ type, name, value, ttlS })
const found = (...records: DnsRecord[]): DnsAnswer => ({ state: 'records', records })

type Answers = Readonly<Record<string, DnsAnswer>>
const RIGHT: Answers = {
  'A www.wren.test': found(rr('CNAME', 'www.wren.test', HOST.name), ...HOST.a.map((one) => rr('A', HOST.name, one))),
  'AAAA www.wren.test': found(rr('CNAME', 'www.wren.test', HOST.name), rr('AAAA', HOST.name, '2001:db8::1')),
  'A wren.test': found(...HOST.a.map((one) => rr('A', 'wren.test', one))),
  'AAAA wren.test': found(rr('AAAA', 'wren.test', '2001:db8::1')),
  'TXT _site-proof.wren.test': found(rr('TXT', '_site-proof.wren.test', 'site=abc')),
}
const server = (name: string, kind: 'own' | 'visitors', answers: Answers): DnsLookup['servers'][number] => ({
  name,
  kind,
  answers: new Map(Object.entries(answers)),
})
const judge = (own: Answers, visitors: Answers = own, second: Answers = own): Judged[] =>
  judgeRecords(
    wantedRecords(domain, HOST, 'site=abc'),
    {
      atMs: 0,
      servers: [server('ns1', 'own', own), server('ns2', 'own', second), server('resolver', 'visitors', visitors)],
      fault: null,
      wildcard: [],
    },
    domain,
    HOST,
    'authority.test',
  )
const of = (judged: readonly Judged[], key: string): Judged => judged.find(({ type, name }) => question(type, name) === key)!

describe('records of a domain', () => {
  test('lead www by a CNAME, the domain itself by numbers, and prove whose it is', () => {
    const wanted = wantedRecords(domain, HOST, 'site=abc')
    expect(wanted.map(({ type, name, values }) => [type, name, values])).toEqual([
      ['CNAME', 'www.wren.test', [HOST.name]],
      ['A', 'wren.test', HOST.a],
      ['AAAA', 'wren.test', HOST.aaaa],
      ['TXT', '_site-proof.wren.test', ['site=abc']],
    ])
    expect(wanted[1]?.instead).toContain('ALIAS')
    expect(wantedRecords(domainOf('shop.wren.test'), HOST, 'p').map(({ name }) => name)).toEqual([
      'shop.wren.test',
      '_site-proof.shop.wren.test',
    ])
  })

  test('that are set are right, at every name server', () => {
    const judged = judge(RIGHT)
    expect(judged.map(({ state }) => state)).toEqual(['right', 'right', 'right', 'right'])
    expect(isReady(judged) && isProved(judged)).toBe(true)
  })

  test('are right however they lead here: by an ALIAS’s numbers, or by numbers where a CNAME was asked for', () => {
    const flat = { 'A www.wren.test': found(...HOST.a.map((one) => rr('A', 'www.wren.test', one))), 'AAAA www.wren.test': NONE }
    expect(of(judge({ ...RIGHT, ...flat }), 'CNAME www.wren.test').state).toBe('right')
  })

  test('that still stand from before are named, with what is to go', () => {
    const old = { 'A www.wren.test': found(rr('A', 'www.wren.test', '203.0.113.9')), 'AAAA www.wren.test': NONE }
    expect(of(judge({ ...RIGHT, ...old }), 'CNAME www.wren.test')).toMatchObject({
      state: 'wrong',
      said: expect.stringMatching(/A 203\.0\.113\.9.*Remove/) as string,
    })
    // Beside our own number the one that is to go is spoken of alone.
    const ours = HOST.a.map((one) => rr('A', 'www.wren.test', one))
    const besides = { 'A www.wren.test': found(...ours, rr('A', 'www.wren.test', '203.0.113.9')), 'AAAA www.wren.test': NONE }
    expect(of(judge({ ...RIGHT, ...besides }), 'CNAME www.wren.test').said).toMatch(/^A 203\.0\.113\.9 is set\. Remove it first/)
    const elsewhere = {
      'A www.wren.test': found(rr('CNAME', 'www.wren.test', 'shops.test')),
      'AAAA www.wren.test': found(rr('CNAME', 'www.wren.test', 'shops.test')),
    }
    expect(of(judge({ ...RIGHT, ...elsewhere }), 'CNAME www.wren.test').said).toContain('CNAME to shops.test')
    const oneMore = { 'A wren.test': found(...HOST.a.map((one) => rr('A', 'wren.test', one)), rr('A', 'wren.test', '203.0.113.9')) }
    expect(of(judge({ ...RIGHT, ...oneMore }), 'A wren.test')).toMatchObject({
      state: 'wrong',
      said: expect.stringContaining('203.0.113.9') as string,
    })
    const oneLess = { 'A wren.test': found(rr('A', 'wren.test', HOST.a[0]!)) }
    expect(of(judge({ ...RIGHT, ...oneLess }), 'A wren.test').state).toBe('missing')
  })

  // RFC 1034, 3.6.2; RFC 1912, 2.4; RFC 2181, 10.1
  test('cannot be a CNAME at the domain itself', () => {
    const cname = found(rr('CNAME', 'wren.test', HOST.name), ...HOST.a.map((one) => rr('A', HOST.name, one)))
    expect(of(judge({ ...RIGHT, 'A wren.test': cname, 'AAAA wren.test': cname }), 'A wren.test')).toMatchObject({
      state: 'wrong',
      said: expect.stringContaining('set for the domain itself, which cannot have one') as string,
    })
  })

  test('of a kind that our host has no number of must not be there', () => {
    const [v4, answers] = [
      { ...HOST, aaaa: [] },
      { ...RIGHT, 'AAAA wren.test': found(rr('AAAA', 'wren.test', '2001:db8::9')) },
    ]
    const judgeV4 = (one: Answers): Judged[] =>
      judgeRecords(
        wantedRecords(domain, v4, 'site=abc'),
        { atMs: 0, servers: [server('ns1', 'own', one)], fault: null, wildcard: [] },
        domain,
        v4,
        'a',
      )
    expect(of(judgeV4(answers), 'AAAA wren.test')).toMatchObject({ state: 'wrong', values: [] })
    // Where none is there, nothing is said of it.
    expect(of(judgeV4({ ...RIGHT, 'AAAA wren.test': NONE }), 'AAAA wren.test')).toBeUndefined()
  })

  test('are right though some name server still keeps what was there, until a time', () => {
    const old = { 'A wren.test': found(rr('A', 'wren.test', '203.0.113.9', 120)), 'TXT _site-proof.wren.test': NONE }
    const judged = judge(RIGHT, { ...RIGHT, ...old })
    expect(of(judged, 'A wren.test')).toMatchObject({ state: 'cached', untilMs: 120_000 })
    expect(of(judged, 'TXT _site-proof.wren.test')).toMatchObject({ state: 'cached', untilMs: 60_000 })
    expect(isReady(judged)).toBe(true)
  })

  test('are awaited from whichever name server keeps the old longest, in any order, and from none that did not answer', () => {
    const old = (ttlS: number): Answers => ({ ...RIGHT, 'A wren.test': found(rr('A', 'wren.test', '203.0.113.9', ttlS)) })
    const silent: Answers = { ...RIGHT, 'A wren.test': { state: 'failed', why: 'it did not answer' } }
    const asked = (...visitors: readonly Answers[]): Judged =>
      of(
        judgeRecords(
          wantedRecords(domain, HOST, 'site=abc'),
          {
            atMs: 1000,
            servers: [server('ns1', 'own', RIGHT), ...visitors.map((one, i) => server(`resolver ${i}`, 'visitors', one))],
            fault: null,
            wildcard: [],
          },
          domain,
          HOST,
          'authority.test',
        ),
        'A wren.test',
      )
    for (const order of [
      [old(900), old(30), RIGHT],
      [RIGHT, old(30), old(900)],
    ]) {
      expect(asked(...order)).toMatchObject({ state: 'cached', untilMs: 901_000, said: expect.stringContaining('2 of 3') as string })
    }
    expect(asked(silent, RIGHT)).toMatchObject({ state: 'right', untilMs: null, said: 'Set right. resolver 0 did not answer.' })
    // Several records of one answer are kept for as long as the first of them to go (RFC 2181, 5.2).
    const uneven = found(rr('A', 'wren.test', '203.0.113.9', 600), rr('A', 'wren.test', '203.0.113.8', 40))
    expect(asked({ ...RIGHT, 'A wren.test': uneven }).untilMs).toBe(41_000)
  })

  test('that one of the domain’s own name servers has and another has not are on their way', () => {
    const late = of(judge({ ...RIGHT, 'TXT _site-proof.wren.test': NONE }, RIGHT, RIGHT), 'TXT _site-proof.wren.test')
    expect(late).toMatchObject({ state: 'missing', said: expect.stringContaining('ns2 has it already') as string })
  })

  test('are not known where its name servers fail, or there are none', () => {
    const fails: DnsAnswer = { state: 'failed', why: 'it failed (SERVFAIL)' }
    const failing = Object.fromEntries(Object.keys(RIGHT).map((key) => [key, fails]))
    expect(judge(failing).every(({ state, said }) => state === 'unknown' && said.includes('SERVFAIL'))).toBe(true)
    const nobody = judgeRecords(wantedRecords(domain, HOST, 'p'), { atMs: 0, servers: [], fault: null, wildcard: [] }, domain, HOST, 'a')
    expect(nobody[0]).toMatchObject({ state: 'unknown', said: expect.stringContaining('registered') as string })
    expect(isReady(nobody)).toBe(false)
  })
})

describe('CAA', () => {
  const caa = (...values: string[]): { value: string }[] => values.map((value) => ({ value }))
  // RFC 8659, 4.2 to 4.5, and its examples.
  test.each([
    [caa(), true],
    [caa('0 issue "ca1.example.net"'), false],
    [caa('0 issue "ca1.example.net"', '0 issue "authority.test"'), true],
    [caa('0 issue "authority.test; account=230123"'), true],
    [caa('0 issue ";"'), false],
    [caa('0 iodef "mailto:security@example.com"'), true],
    [caa('0 issuewild "ca1.example.net"'), true],
    [caa('128 tbs "unknown"'), false],
    [caa('0 tbs "unknown"'), true],
  ])('%j lets our authority: %s', (records, wanted) => {
    expect(caaAllows(records, 'authority.test')).toBe(wanted)
  })

  test('counts at the first name upwards that has any', () => {
    expect(caaNames('www.wren.test')).toEqual(['www.wren.test', 'wren.test', 'test'])
    const upper = judge({ ...RIGHT, 'CAA wren.test': found(rr('CAA', 'wren.test', '0 issue "other.test"')) })
    expect(upper.filter(({ type }) => type === 'CAA')).toMatchObject([
      { name: 'wren.test', state: 'wrong', values: ['0 issue "authority.test"'] },
    ])
    const lower = judge({
      ...RIGHT,
      'CAA wren.test': found(rr('CAA', 'wren.test', '0 issue "authority.test"')),
      'CAA www.wren.test': found(rr('CAA', 'www.wren.test', '0 issue "other.test"')),
    })
    expect(lower.filter(({ type }) => type === 'CAA').map(({ name }) => name)).toEqual(['www.wren.test'])
  })
})

describe('what is handed over', () => {
  test('is a piece of a zone file', () => {
    expect(
      zoneSnippet(wantedRecords(domain, HOST, 'site=abc'), 'wren.test')
        .split('\n')
        .slice(0, 4),
    ).toEqual(['$ORIGIN wren.test.', '$TTL 3600', 'www          IN  CNAME  sites.host.test.', '@            IN  A      192.0.2.1'])
    expect(nameUnder('sites.host.test', 'wren.test')).toBe('sites.host.test.')
    expect(zoneValue('TXT', `a"b\\${'x'.repeat(300)}`)).toBe(`"a\\"b\\\\${'x'.repeat(251)}" "${'x'.repeat(49)}"`)
  })

  test('is a letter that names what is open, and nothing that is right', () => {
    const { body } = domainMail(domain, judge({ ...RIGHT, 'TXT _site-proof.wren.test': NONE }), 'Wren & Co')
    expect(body).toContain('Value: site=abc')
    expect(body).toContain('Wren & Co')
    expect(body).not.toContain('CNAME')
  })
})
