import { describe, expect, test } from 'vitest'
import { caaAllows, caaNames } from './caa'
import { domainOf } from './domain-name'
import { question, type DnsAnswer, type DnsRecord, type DnsLookup } from './dns-answer'
import { isProved, isReady, judgeRecords, type Judged } from './judge'
import { wantedRecords, type HostPlace } from './records'
import { domainMail } from './domain-mail'
import { recordLine } from './domain-view'
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

describe('what is said of a record, word for word', () => {
  const [www, apex, proof] = ['A www.wren.test', 'A wren.test', 'TXT _site-proof.wren.test']
  const a = (name: string, ...values: readonly string[]): DnsAnswer => found(...values.map((one) => rr('A', name, one)))
  const AWAY: DnsAnswer = { state: 'failed', why: 'it did not answer' }
  const said = (key: string, answers: Answers): string => of(judge({ ...RIGHT, ...answers }), key).said

  test.each<[what: string, key: string, answers: Answers, said: string]>([
    ['all is set', apex, {}, 'Set right.'],
    ['nothing is set', proof, { [proof]: NONE }, 'Nothing is set for this name.'],
    ['a number is missing', apex, { [apex]: a('wren.test', '192.0.2.1') }, 'No A record with 192.0.2.1 and 192.0.2.2 is set.'],
    ['one number is another’s', apex, { [apex]: a('wren.test', '203.0.113.9') }, 'A 203.0.113.9 leads to another server: remove it.'],
    [
      'two numbers are another’s',
      apex,
      { [apex]: a('wren.test', '203.0.113.9', '203.0.113.8', '192.0.2.1') },
      'A 203.0.113.9 and 203.0.113.8 leads to another server: remove them.',
    ],
    [
      'a CNAME stands at the domain itself',
      apex,
      { [apex]: found(rr('CNAME', 'wren.test', 'shops.test')) },
      'A CNAME to shops.test is set for the domain itself, which cannot have one: mail may be lost. Remove it, and set the numbers.',
    ],
    [
      'the same, where one number is wanted',
      'AAAA wren.test',
      { 'AAAA wren.test': found(rr('CNAME', 'wren.test', 'shops.test')) },
      'A CNAME to shops.test is set for the domain itself, which cannot have one: mail may be lost. Remove it, and set the number.',
    ],
    ['nothing leads on', 'CNAME www.wren.test', { [www]: NONE, 'AAAA www.wren.test': NONE }, 'Nothing is set for this name.'],
    [
      'it leads elsewhere',
      'CNAME www.wren.test',
      { [www]: found(rr('CNAME', 'www.wren.test', 'shops.test')), 'AAAA www.wren.test': NONE },
      'It is a CNAME to shops.test. Change it to sites.host.test.',
    ],
    [
      'numbers stand where a CNAME is to stand',
      'CNAME www.wren.test',
      { [www]: a('www.wren.test', '203.0.113.9', '203.0.113.8'), 'AAAA www.wren.test': NONE },
      'A 203.0.113.9 and A 203.0.113.8 are set. Remove them first: a CNAME cannot share its name with other records.',
    ],
    [
      'only some of our numbers stand there',
      'CNAME www.wren.test',
      { [www]: a('www.wren.test', '192.0.2.1'), 'AAAA www.wren.test': NONE },
      'A 192.0.2.1 is set. Remove it first: a CNAME cannot share its name with other records.',
    ],
    ['a name server does not say', 'CNAME www.wren.test', { [www]: AWAY }, 'Its name server does not say: it did not answer.'],
    [
      'something else is proved',
      proof,
      { [proof]: found(rr('TXT', '_site-proof.wren.test', 'v=1'), rr('TXT', '_site-proof.wren.test', 'x')) },
      'Something else is set: v=1 and x. Set this one beside it, or in its place.',
    ],
    [
      'a wildcard answers for the proof',
      proof,
      { [proof]: found(rr('CNAME', '_site-proof.wren.test', 'any.test')) },
      'It is answered by a CNAME to any.test, set for this name or by a wildcard. This record goes before a wildcard.',
    ],
  ])('%s', (_, key, answers, wanted) => {
    expect(said(key, answers)).toBe(wanted)
  })

  test('of what was not asked, and of name servers that are not there', () => {
    const { [www]: __, ...rest } = RIGHT
    expect(of(judge(rest), 'CNAME www.wren.test').said).toBe('It was not looked up.')
    const nobody = (fault: string | null): Judged[] =>
      judgeRecords(wantedRecords(domain, HOST, 'p'), { atMs: 0, servers: [], fault, wildcard: [] }, domain, HOST, 'a')
    expect(nobody('the root did not answer')[0]!.said).toBe('Its name servers cannot be found out: the root did not answer.')
    expect(nobody(null)[0]!.said).toMatch(/^No name server says that it knows this domain\. Is it registered/)
  })

  test('of name servers that are not of one mind, and of those that keep what was there', () => {
    const late = judge({ ...RIGHT, [proof]: NONE }, RIGHT, RIGHT)
    expect(of(late, proof).said).toBe('Nothing is set for this name. ns2 has it already: it goes from one to the other within the hour.')
    const cached = judge(RIGHT, { ...RIGHT, [apex]: a('wren.test', '203.0.113.9') })
    expect(of(cached, apex).said).toBe('Set right. 1 of 1 name servers that visitors ask still say what was there before.')
    // One that did not answer is not of another mind.
    expect(of(judge({ ...RIGHT, [proof]: AWAY }, RIGHT, RIGHT), proof).state).toBe('right')
  })

  test('of authorities', () => {
    const caa = (name: string, ...values: string[]): Answers => ({ [`CAA ${name}`]: found(...values.map((one) => rr('CAA', name, one))) })
    const one = judge({ ...RIGHT, ...caa('wren.test', '0 issue "other.test"') }).at(-1)!
    expect(one).toMatchObject({
      role: 'authority',
      instead: null,
      untilMs: null,
      said: 'There: 0 issue "other.test". Set this one beside it.',
    })
    const two = judge({ ...RIGHT, ...caa('wren.test', '0 issue "b.test"', '0 issue "c.test"') }).at(-1)!
    expect(two.said).toBe('There: 0 issue "b.test" and 0 issue "c.test". Set this one beside them.')
    // What visitors' name servers say of authorities is not asked.
    const seen = { atMs: 0, servers: [server('resolver', 'visitors', caa('wren.test', '0 issue "b.test"')), server('ns1', 'own', RIGHT)] }
    const judged = judgeRecords(wantedRecords(domain, HOST, 'p'), { ...seen, fault: null, wildcard: [] }, domain, HOST, 'a')
    expect(judged.some(({ type }) => type === 'CAA')).toBe(false)
  })

  test('proved and ready', () => {
    expect([isReady([]), isProved([])]).toEqual([false, false])
    const judged = judge({ ...RIGHT, [proof]: NONE })
    expect([isReady(judged), isProved(judged)]).toEqual([false, false])
    const open = judge({ ...RIGHT, [apex]: NONE })
    expect([isReady(open), isProved(open)]).toEqual([false, true])
    const kept = judge(RIGHT, { ...RIGHT, [proof]: NONE })
    expect([isReady(kept), isProved(kept)]).toEqual([true, true])
  })

  test('of why each is wanted, and what does instead', () => {
    const challenge = { name: '_acme-challenge.wren.test', value: 'token' }
    const wanted = wantedRecords(domain, { ...HOST, aaaa: [] }, 'p', [challenge])
    expect(wanted.map(({ why, instead }) => [why, instead])).toEqual([
      ['Leads visitors to the site.', 'A 192.0.2.1 and A 192.0.2.2'],
      [
        'Leads those who type it so to our host, which leads them on to www.wren.test. ' +
          'A domain itself takes no CNAME, so it needs the number.',
        'ALIAS or ANAME sites.host.test, where the registrar has one',
      ],
      ['Our host has no number of this kind. A record of it leads some visitors elsewhere.', null],
      ['Proves that whoever sets it looks after this domain, so that nobody else can bring a site here under its name.', null],
      ['Shows the authority that the certificate is asked for by whoever looks after the domain. It can go once it is given.', null],
    ])
    expect(wanted.at(-1)).toMatchObject({ role: 'challenge', type: 'TXT', name: challenge.name, values: ['token'] })
    expect(wantedRecords(domainOf('shop.wren.test'), HOST, 'p')[0]!.instead).toBe('A 192.0.2.1 and A 192.0.2.2 and AAAA 2001:db8::1')
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

  test('is a line as a registrar’s form takes it', () => {
    const judged = judge(RIGHT)
    const line = (key: string) => recordLine(of(judged, key), 'wren.test')
    expect(line('A wren.test')).toMatchObject({ under: '@', typed: HOST.a, state: 'right' })
    expect(line('CNAME www.wren.test')).toMatchObject({ under: 'www', typed: ['sites.host.test.'] })
    expect(line('TXT _site-proof.wren.test')).toMatchObject({ under: '_site-proof', typed: ['site=abc'] })
  })

  test('is a letter, whole', () => {
    const v4 = { ...HOST, aaaa: [] }
    const answers = {
      ...RIGHT,
      'A wren.test': found(rr('A', 'wren.test', '203.0.113.9')),
      'AAAA wren.test': found(rr('AAAA', 'wren.test', '2001:db8::9')),
      'A www.wren.test': NONE,
      'AAAA www.wren.test': NONE,
      'CAA wren.test': found(rr('CAA', 'wren.test', '0 issue "other.test"')),
    }
    const looked = { atMs: 0, servers: [server('ns1', 'own', answers)], fault: null, wildcard: [] }
    const judged = judgeRecords(wantedRecords(domain, v4, 'site=abc'), looked, domain, v4, 'authority.test')
    const { subject, body } = domainMail(domain, judged, 'Wren & Co')
    expect(subject).toBe('Records to set for www.wren.test')
    expect(body.split('\n')).toEqual([
      'Hello,',
      '',
      'the new site of Wren & Co is ready, and is to be found at www.wren.test. ' +
        'You look after that domain: please set these records there.',
      '',
      '  Name:  www   (www.wren.test)',
      '  Type:  CNAME',
      '  Value: sites.host.test.',
      '  Why:   Leads visitors to the site.',
      '',
      '  Name:  @   (wren.test)',
      '  Type:  A',
      '  Value: 192.0.2.1',
      '  Name:  @   (wren.test)',
      '  Type:  A',
      '  Value: 192.0.2.2',
      '  Why:   Leads those who type it so to our host, which leads them on to www.wren.test. ' +
        'A domain itself takes no CNAME, so it needs the number.',
      '  Now:   A 203.0.113.9 leads to another server: remove it.',
      '',
      '  Name:  @   (wren.test)',
      '  Type:  CAA',
      '  Value: 0 issue "authority.test"',
      '  Why:   The domain says which authorities may give certificates for it, and ours is not among them. Without one there is no HTTPS.',
      '  Now:   There: 0 issue "other.test". Set this one beside it.',
      '',
      'Please remove:',
      '',
      '  AAAA of wren.test: AAAA 2001:db8::9 leads to another server: remove it.',
      '',
      'Leave everything else as it is, above all what is there for mail (MX, and TXT records that are not named here). ' +
        'An hour (3600) will do as the time that each may be kept (TTL). ' +
        'I see here when they are set; you need not write back, unless something is unclear.',
      '',
      'Thank you',
    ])
  })

  test('is a letter that names what is open, and nothing that is right', () => {
    const { body } = domainMail(domain, judge({ ...RIGHT, 'TXT _site-proof.wren.test': NONE }), 'Wren & Co')
    expect(body).toContain('Value: site=abc')
    expect(body).toContain('Wren & Co')
    expect(body).not.toContain('CNAME')
  })
})
