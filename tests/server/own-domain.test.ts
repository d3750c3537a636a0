import { X509Certificate } from 'node:crypto'
import { request } from 'node:https'
import { connect } from 'node:tls'
import { readFileSync } from 'node:fs'
import { afterEach, beforeAll, beforeEach, expect, test, vi } from 'vitest'
import { testSite } from '../pack'
import { askHost } from '../e2e/screen'
import { ownDataFolder } from './log-fixture'
import { NS, record, setZone, startNames, type Names } from './names'
import { BY } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let own: typeof import('../../src/server/use-cases/own-domain')
let looking: typeof import('../../src/server/use-cases/look-at-domain')
let moving: typeof import('../../src/server/use-cases/move-to-domain')
let address: typeof import('../../src/server/use-cases/choose-address')
let publishing: typeof import('../../src/server/use-cases/publish')
let visiting: typeof import('../../src/server/use-cases/look-as-visitor')
let renewing: typeof import('../../src/server/domains/certificates/renew')
let store: typeof import('../../src/server/store/domains')
let names: Names

const DOMAIN = 'wrenandco.test'
const OLD_SITE = [record('A', DOMAIN, '203.0.113.9'), record('A', `www.${DOMAIN}`, '203.0.113.9'), record('MX', DOMAIN, '10 post.test')]
const silent = (): void => undefined
beforeAll(async () => {
  ownDataFolder()
  names = await startNames(DOMAIN, OLD_SITE)
  ;[make, log, own, looking, moving, address, publishing, visiting, renewing, store] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/own-domain'),
    import('../../src/server/use-cases/look-at-domain'),
    import('../../src/server/use-cases/move-to-domain'),
    import('../../src/server/use-cases/choose-address'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/use-cases/look-as-visitor'),
    import('../../src/server/domains/certificates/renew'),
    import('../../src/server/store/domains'),
  ])
})

let job = ''
let count = 0
let host = { domain: '', records: OLD_SITE }
/** A job of one page, with a domain of its own that leads elsewhere. */
beforeEach(async () => {
  const { document } = testSite({ name: 'Wren & Co' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal'))
  job = make.createJob({ ...document, pages: { legal: { ...page, segment: '' } }, sections })
  const domain = `wren${++count}.test`
  host = { domain, records: OLD_SITE.map((one) => ({ ...one, name: one.name.replace(DOMAIN, domain) })) }
  names.zones.register(domain)
  setZone(names.zones, domain, host.records)
  names.forget()
})

// What has a certificate still is renewed with every other.
afterEach(() => {
  store.dropDomain(job)
})

const publish = async () => publishing.publish(job, { revision: log.jobState(job).revision }, silent, BY)
const states = async (): Promise<Record<string, string>> =>
  Object.fromEntries((await looking.lookAtDomain(job)).records.map(({ type, name, state }) => [`${type} ${name}`, state]))
const proofOf = (): string => store.findDomain(job)!.proof
/** What whoever looks after the domain sets, when the mail has come. */
const rightRecords = (): ReturnType<typeof record>[] => [
  record('A', host.domain, '127.0.0.1'),
  record('CNAME', `www.${host.domain}`, 'sites.instant-fit.test'),
  record('TXT', `_site-proof.${host.domain}`, proofOf()),
  record('MX', host.domain, '10 post.test'),
]
const setRight = (more: ReturnType<typeof record>[] = []): void => {
  setZone(names.zones, host.domain, [...rightRecords(), ...more])
  names.forget()
}

type Got = { readonly status: number; readonly location: string | undefined; readonly text: string; readonly hsts: string | undefined }
/** What a visitor gets by HTTPS who believes the authority alone. */
const visit = (name: string, path = '/'): Promise<Got> =>
  new Promise((resolve, reject) => {
    const asked = {
      host: '127.0.0.1',
      port: names.host.ports.secure,
      servername: name,
      path,
      headers: { host: name },
      ca: readFileSync(names.rootFile, 'utf8'),
      agent: false as const,
    }
    request(asked, (response) => {
      let text = ''
      response.setEncoding('utf8').on('data', (part: string) => (text += part))
      const { location, 'strict-transport-security': hsts } = response.headers
      response.on('end', () => resolve({ status: response.statusCode ?? 0, location, text, hsts }))
    })
      .on('error', reject)
      .end()
  })

test('a site goes to its own domain with a certificate, and old addresses lead there', async () => {
  await address.chooseAddress(job, 'wren-live', BY)
  await publish()
  own.addDomain(job, `https://www.${host.domain}/`, BY)
  expect(await states()).toEqual({
    [`CNAME www.${host.domain}`]: 'wrong',
    [`A ${host.domain}`]: 'wrong',
    [`TXT _site-proof.${host.domain}`]: 'missing',
  })
  await expect(moving.moveToDomain(job, silent, BY)).rejects.toMatchObject({ code: 'domainNotReady' })
  setRight()
  const look = await looking.lookAtDomain(job)
  expect(look.records.map(({ state }) => state)).toEqual(['right', 'right', 'right'])
  // Between the records and the site, visitors of the domain are led to where the site is.
  expect(await askHost(`http://www.${host.domain}:${names.host.ports.plain}`, '/')).toMatchObject({
    status: 301,
    headers: { location: `http://wren-live.localhost:${names.host.ports.plain}/` },
  })
  const steps: string[] = []
  const view = await moving.moveToDomain(job, ({ step }) => steps.push(step), BY)
  expect(steps).toEqual(['looking', 'asking', 'proving', 'giving'])
  expect(view).toMatchObject({ isAddress: true, fault: null })
  const origin = `https://www.${host.domain}:${names.host.ports.secure}`
  expect(await publish()).toMatchObject({ origin })
  const page = await visit(`www.${host.domain}`)
  expect(page.status).toBe(200)
  expect(page.text).toContain(`<link rel="canonical" href="${origin}/"`)
  expect(await visit(host.domain, '/x?y')).toMatchObject({ status: 301, location: `${origin}/x` })
  for (const name of [`www.${host.domain}`, host.domain])
    expect(await askHost(`http://${name}:${names.host.ports.plain}`, '/')).toMatchObject({ status: 301 })
  expect(await askHost(`http://wren-live.localhost:${names.host.ports.plain}`, '/')).toMatchObject({ headers: { location: `${origin}/` } })
  // As a visitor, by real DNS and the authority's certificate: every file is what was sent.
  expect((await visiting.lookAsVisitor(job, 'web-host', silent)).faults).toEqual([])
})

test('what was set is right at once, and waits for name servers that keep what they were told', async () => {
  own.addDomain(job, host.domain, BY)
  await looking.lookAtDomain(job)
  setZone(names.zones, host.domain, rightRecords())
  const look = await looking.lookAtDomain(job)
  const apex = look.records.find(({ type }) => type === 'A')!
  expect(apex.state).toBe('cached')
  const seconds = (apex.untilMs! - look.atMs) / 1000
  expect(seconds).toBeGreaterThan(200)
  expect(seconds).toBeLessThanOrEqual(300)
  expect(look.isReady).toBe(true)
})

test('a domain that leads elsewhere still can have its certificate first, shown by DNS', async () => {
  own.addDomain(job, host.domain, BY)
  await moving.changeDomain(job, { act: 'ask by DNS' })
  const { records } = await looking.lookAtDomain(job)
  const challenges = records.filter(({ role }) => role === 'challenge')
  expect(challenges.map(({ name }) => name).sort()).toEqual([`_acme-challenge.${host.domain}`, `_acme-challenge.www.${host.domain}`])
  await expect(moving.certifyByDns(job, silent)).rejects.toMatchObject({ code: 'domainNotReady' })
  const shown = challenges.map(({ name, values }) => record('TXT', name, values[0]!))
  setZone(names.zones, host.domain, [...host.records, ...shown])
  names.forget()
  const view = await moving.certifyByDns(job, silent)
  expect(view?.certificate).not.toBeNull()
  expect(view?.isAskedByDns).toBe(false)
  // It leads elsewhere: the site does not go there for all that.
  await expect(moving.moveToDomain(job, silent, BY)).rejects.toMatchObject({ code: 'domainNotReady' })
  setRight()
  const steps: string[] = []
  await moving.moveToDomain(job, ({ step }) => steps.push(step), BY)
  expect(steps).toEqual(['looking'])
})

test('other authorities named by CAA are seen before ours is asked, and by it', async () => {
  own.addDomain(job, host.domain, BY)
  setRight([record('CAA', host.domain, '0 issue "somebody-else.test"')])
  expect((await states())[`CAA ${host.domain}`]).toBe('wrong')
  await expect(moving.moveToDomain(job, silent, BY)).rejects.toMatchObject({ code: 'domainNotReady' })
  await expect((await import('../../src/server/domains/certificates/order')).certificateByHttp([host.domain], silent)).rejects.toThrow(
    /CAA/,
  )
  setRight([record('CAA', host.domain, '0 issue "somebody-else.test"'), record('CAA', host.domain, '0 issue "authority.test"')])
  expect((await states())[`CAA ${host.domain}`]).toBeUndefined()
})

test('name servers that fail, and a domain that nobody registered, are told apart', async () => {
  own.addDomain(job, host.domain, BY)
  names.zones.setFails(host.domain, true)
  names.forget()
  const failing = (await looking.lookAtDomain(job)).records[0]!
  names.zones.setFails(host.domain, false)
  expect(failing).toMatchObject({ state: 'unknown', said: expect.stringContaining('SERVFAIL') as string })
  own.addDomain(job, 'nobody-has-this.test', BY)
  const nobody = (await looking.lookAtDomain(job)).records[0]!
  expect(nobody).toMatchObject({ state: 'unknown', said: expect.stringContaining('registered') as string })
})

// RFC 1912, 2.8: a name server that is listed for a domain and does not answer for it itself.
test('a name server that is listed and does not know the domain itself is named, and believed in nothing', async () => {
  own.addDomain(job, host.domain, BY)
  setRight()
  setZone(names.zones, 'hedgerow.test', [record('A', NS, '127.0.0.1')])
  names.forget()
  const lame = (await looking.lookAtDomain(job)).records[0]!
  setZone(names.zones, 'hedgerow.test', [record('A', NS, '127.0.0.3')])
  names.forget()
  expect(lame).toMatchObject({ state: 'unknown', said: expect.stringContaining('listed') as string })
  expect((await states())[`A ${host.domain}`]).toBe('right')
})

test('a wildcard that answers for the proof, and a CNAME at the domain itself, are named', async () => {
  own.addDomain(job, host.domain, BY)
  setZone(names.zones, host.domain, [record('CNAME', host.domain, 'elsewhere.test'), record('CNAME', `*.${host.domain}`, 'parked.test')])
  names.forget()
  const { records, wildcard } = await looking.lookAtDomain(job)
  const said = new Map(records.map(({ type, name, said: words }) => [`${type} ${name}`, words]))
  expect(said.get(`A ${host.domain}`)).toContain('is set for the domain itself')
  expect(said.get(`TXT _site-proof.${host.domain}`)).toContain('wildcard')
  expect(wildcard).toContain('parked.test')
})

test('a domain is one job’s, and is not let go while visitors are at it', async () => {
  own.addDomain(job, host.domain, BY)
  const other = make.createJob(log.jobState(job).document)
  expect(() => own.addDomain(other, `www.${host.domain}`, BY)).toThrow(expect.objectContaining({ code: 'domainTaken' }))
  setRight()
  await moving.moveToDomain(job, silent, BY)
  await publish()
  expect(() => own.removeDomain(job, BY)).toThrow(expect.objectContaining({ code: 'domainInUse' }))
  await address.chooseAddress(job, 'wren-again', BY)
  await publish()
  // Back on our host: the domain leads there, as long as its records lead here.
  expect(await visit(host.domain)).toMatchObject({ status: 301, location: `http://wren-again.localhost:${names.host.ports.plain}/` })
  own.removeDomain(job, BY)
  expect(own.domainView(job)).toBeNull()
})

test('a certificate is renewed once two thirds of its time are over, and the host shows the new one', async () => {
  own.addDomain(job, host.domain, BY)
  setRight()
  await moving.moveToDomain(job, silent, BY)
  const serial = (): Promise<string> =>
    new Promise((resolve, reject) => {
      const socket = connect({ port: names.host.ports.secure, servername: host.domain, ca: readFileSync(names.rootFile) }, () => {
        resolve(new X509Certificate(socket.getPeerCertificate().raw).serialNumber)
        socket.destroy()
      }).on('error', reject)
    })
  const first = await serial()
  const { notAfter } = store.findDomain(job)!
  const daysBefore = (days: number): Date => new Date(Date.parse(notAfter!) - days * 86_400_000)
  expect(await renewing.renewDue(daysBefore(31))).toEqual([])
  expect(await serial()).toBe(first)
  expect(await renewing.renewDue(daysBefore(29))).toContain(host.domain)
  expect(await serial()).not.toBe(first)
  // One that cannot be renewed says why, and goes on being shown.
  setZone(names.zones, host.domain, [record('A', host.domain, '127.0.0.9')])
  names.forget()
  await renewing.renewDue(daysBefore(-61))
  expect(own.domainView(job)?.fault).toMatch(/gave no certificate/)
  // It is not tried again at once, nor an hour later than that for ever: each time twice as late.
  const said = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  const from = daysBefore(-61).getTime()
  const tried: number[] = []
  for (let hour = 0; hour < 16; hour++) {
    said.mockClear()
    await renewing.renewDue(new Date(from + hour * 3_600_000))
    if (said.mock.calls.some(([words]) => String(words).includes(`${host.domain} could not be renewed`))) tried.push(hour)
  }
  said.mockRestore()
  expect(tried).toEqual([1, 3, 7, 15])
})

test('browsers are told to come by HTTPS alone where that is chosen, and untold', async () => {
  own.addDomain(job, host.domain, BY)
  setRight()
  await moving.moveToDomain(job, silent, BY)
  await publish()
  expect((await visit(host.domain)).hsts).toBeUndefined()
  await moving.changeDomain(job, { act: 'hsts', on: true })
  expect((await visit(host.domain)).hsts).toBe('max-age=31536000')
  await moving.changeDomain(job, { act: 'hsts', on: false })
  expect((await visit(host.domain)).hsts).toBe('max-age=0')
})

test('an authority that does not answer changes nothing', async () => {
  own.addDomain(job, host.domain, BY)
  setRight()
  const { AUTHORITY_DIRECTORY } = process.env
  process.env.AUTHORITY_DIRECTORY = 'https://localhost:1/directory'
  await expect(moving.moveToDomain(job, silent, BY)).rejects.toMatchObject({ code: 'authorityDown' })
  process.env.AUTHORITY_DIRECTORY = AUTHORITY_DIRECTORY
  expect(own.domainView(job)).toMatchObject({ isAddress: false, certificate: null })
})
