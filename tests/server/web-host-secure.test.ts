import { createHash } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import { connect, type ClientHttp2Session, type IncomingHttpHeaders, type OutgoingHttpHeaders } from 'node:http2'
import { request } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { brotliDecompressSync } from 'node:zlib'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { selfSigned } from '../../src/standins/client-server/certificate'
import { hostIn } from '../../src/standins/web-host/host'
import { securePublicServer, type Shown } from '../../src/standins/web-host/public-server'

const NAME = 'wren.test'
const FILES = new Map([
  ['index.html', `<!doctype html><title>Wren</title>${'<p>words</p>'.repeat(200)}`],
  ['about/index.html', '<!doctype html><title>About</title>'],
  ['404.html', '<!doctype html><title>Gone</title>'],
  ['pictures/bench-0a1b2c3d.jpg', 'j'.repeat(300_000)],
])
let host: Shown
let session: ClientHttp2Session
let close: () => void

beforeAll(async () => {
  host = hostIn(mkdtempSync(path.join(tmpdir(), 'instant-fit-host-')), { plain: 0, secure: 0 })
  const { cert, key } = await selfSigned(NAME, 30)
  host.certificates.keep(NAME, { chain: cert, key })
  host.store.claim(NAME, 'job')
  const entries = [...FILES].map(
    ([file, text]) => [file, { hash: createHash('sha256').update(text).digest('hex'), bytes: text.length }] as const,
  )
  host.store.announce(NAME, { id: 'release', manifest: Object.fromEntries(entries) })
  for (const [file, { hash, bytes }] of entries) await host.store.contents.receive(hash, Readable.from([FILES.get(file)!]), bytes)
  await host.store.activate(NAME, 'release')
  const server = securePublicServer(host)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  host.ports.secure = (server.address() as AddressInfo).port
  session = connect(`https://${NAME}:${host.ports.secure}`, { host: '127.0.0.1', servername: NAME, ca: cert })
  // As browsers do: a whole line takes more than one answer may (RFC 9113, 5.2).
  session.once('connect', () => session.setLocalWindowSize(4_000_000))
  close = () => {
    session.close()
    server.close()
  }
})
afterAll(() => close())

type Reply = { readonly status: number; readonly headers: IncomingHttpHeaders; readonly body: Buffer }
function ask(url: string, headers: OutgoingHttpHeaders = {}): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const stream = session.request({ ':path': url, ...headers })
    const parts: Buffer[] = []
    let found: IncomingHttpHeaders & { readonly ':status'?: number | undefined } = {}
    stream
      .on('response', (said) => (found = said))
      .on('data', (part: Buffer) => parts.push(part))
      .on('end', () => resolve({ status: found[':status'] ?? 0, headers: found, body: Buffer.concat(parts) }))
      .on('error', reject)
      .end()
  })
}

test('by HTTP/2 a visitor gets what is given by HTTP/1.1, many answers on one line (RFC 9113)', async () => {
  const [home, about, picture, gone] = await Promise.all([
    ask('/', { 'accept-encoding': 'br' }),
    ask('/about'),
    ask('/pictures/bench-0a1b2c3d.jpg'),
    ask('/nowhere'),
  ])
  expect(brotliDecompressSync(home.body).toString()).toBe(FILES.get('index.html'))
  expect(home.headers).toMatchObject({
    'content-encoding': 'br',
    'cache-control': 'no-cache',
    'referrer-policy': 'strict-origin-when-cross-origin',
  })
  expect([about.status, about.headers.location]).toEqual([301, '/about/'])
  expect([picture.body.length, picture.headers['cache-control']]).toEqual([300_000, 'public, max-age=31536000, immutable'])
  expect([gone.status, gone.body.toString()]).toEqual([404, FILES.get('404.html')])
  expect((await ask('/', { 'if-none-match': String((await ask('/')).headers.etag) })).status).toBe(304)
  const part = await ask('/pictures/bench-0a1b2c3d.jpg', { range: 'bytes=0-9' })
  expect([part.status, part.headers['content-range'], part.body.length]).toEqual([206, 'bytes 0-9/300000', 10])
  expect((await ask('/', { ':method': 'HEAD' })).body).toHaveLength(0)
  expect((await ask('/', { ':method': 'POST' })).status).toBe(405)
})

test('who speaks the older protocol is answered by the same port', async () => {
  const status = await new Promise((resolve, reject) => {
    request(
      { host: '127.0.0.1', port: host.ports.secure, servername: NAME, rejectUnauthorized: false, headers: { host: NAME } },
      (response) => {
        response.resume().on('end', () => resolve([response.statusCode, response.httpVersion]))
      },
    )
      .on('error', reject)
      .end()
  })
  expect(status).toEqual([200, '1.1'])
})

test('who stops half way through a picture takes nothing from the others on the same line', async () => {
  const halted = session.request({ ':path': '/pictures/bench-0a1b2c3d.jpg' })
  await new Promise<void>((resolve) => halted.once('data', () => resolve()))
  halted.pause()
  expect((await ask('/about/')).status).toBe(200)
  const gone = new Promise<void>((resolve) => halted.once('close', () => resolve()))
  halted.destroy()
  await gone
  expect((await ask('/')).status).toBe(200)
})

test('a page counts as seen, whichever way it was asked for', async () => {
  const agent = { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0' }
  await ask('/about/', { ...agent, referer: `https://${NAME}:${host.ports.secure}/` })
  await ask('/about/', { ...agent, referer: 'https://news.example/today' })
  expect(host.visits.of(NAME)[0]).toMatchObject({ pages: { '/about/': 2 }, referrers: { 'news.example': 1 } })
})
