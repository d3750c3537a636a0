import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, readlinkSync } from 'node:fs'
import { request, type IncomingHttpHeaders, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { brotliDecompressSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { controlServer } from '../../src/standins/web-host/control-server'
import { hostIn } from '../../src/standins/web-host/host'
import { publicServer } from '../../src/standins/web-host/public-server'

const TOKEN = 'a-token'
const HTML = '<!doctype html><title>Wren</title>'
const hash = createHash('sha256').update(HTML).digest('hex')
let servers: Server[] = []
let control = 0
let open = 0

const listen = (server: Server): Promise<number> =>
  new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
beforeAll(async () => {
  const host = hostIn(mkdtempSync(path.join(tmpdir(), 'instant-fit-host-')), { plain: 0, secure: 0 })
  servers = [controlServer(host, TOKEN), publicServer(host)]
  ;[control, open] = [await listen(servers[0]!), await listen(servers[1]!)]
  host.ports.plain = open
})
afterAll(() => servers.forEach((s) => s.close()))

type Reply = { status: number; headers: IncomingHttpHeaders; body: Buffer }
function ask(port: number, method: string, url: string, headers: Record<string, string> = {}, body?: string | Buffer): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const sent = request({ host: '127.0.0.1', port, method, path: url, headers }, (response) => {
      const parts: Buffer[] = []
      response
        .on('data', (part: Buffer) => parts.push(part))
        .on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: Buffer.concat(parts) }))
    }).on('error', reject)
    sent.end(body)
  })
}
const tell = (method: string, url: string, body?: unknown, token = TOKEN): Promise<Reply> =>
  ask(
    control,
    method,
    url,
    { authorization: `Bearer ${token}` },
    typeof body === 'string' ? body : body === undefined ? undefined : JSON.stringify(body),
  )
const visit = (label: string, url = '/', headers: Record<string, string> = {}, method = 'GET'): Promise<Reply> =>
  ask(open, method, url, { host: `${label}.localhost:${open}`, ...headers })

test('only whoever has the token is heard', async () => {
  expect((await tell('GET', '/sites/wren', undefined, 'wrong')).status).toBe(401)
  expect((await ask(control, 'GET', '/sites/wren')).status).toBe(401)
})

test('calls that are not JSON, or not calls, are refused in their own words', async () => {
  expect((await tell('PUT', '/sites/wren', '{')).status).toBe(400)
  expect((await tell('DELETE', '/sites/wren')).status).toBe(404)
  expect((await tell('POST', '/sites/nobody/releases', { id: 'r', manifest: {} })).status).toBe(404)
})

test('a site is claimed, told of a release, sent it, and switched to it', async () => {
  expect((await visit('wren')).status).toBe(404)
  expect((await tell('GET', '/sites/wren')).status).toBe(404)
  expect((await tell('PUT', '/sites/wren', { owner: 'job' })).status).toBe(201)
  expect((await tell('PUT', '/sites/wren', { owner: 'other' })).status).toBe(409)
  const told = await tell('POST', '/sites/wren/releases', {
    id: 'r1',
    manifest: { 'index.html': { hash, bytes: HTML.length }, 'about/index.html': { hash, bytes: HTML.length } },
  })
  expect(JSON.parse(told.body.toString())).toEqual({ missing: [hash] })
  expect((await tell('POST', '/sites/wren/releases/r1/activate')).status).toBe(409)
  expect((await tell('PUT', `/blobs/${hash}`, 'something else')).status).toBe(422)
  expect((await tell('PUT', `/blobs/${hash}`, HTML)).status).toBe(201)
  expect((await tell('POST', '/sites/wren/releases/r1/activate')).status).toBe(200)
  expect((await visit('wren')).body.toString()).toBe(HTML)
})

test('text travels compressed where the visitor takes it; HEAD brings no body; a folder leads to its page', async () => {
  const squeezed = await visit('wren', '/', { 'accept-encoding': 'gzip, br' })
  expect(squeezed.headers['content-encoding']).toBe('br')
  expect(brotliDecompressSync(squeezed.body).toString()).toBe(HTML)
  const head = await visit('wren', '/', {}, 'HEAD')
  expect([head.status, head.body.length, head.headers['content-type']]).toEqual([200, 0, 'text/html; charset=utf-8'])
  expect((await visit('wren', '/about')).headers.location).toBe('/about/')
  expect((await visit('wren', '/about/?from=card')).status).toBe(200)
})

// CSP 3, 6.4.2; Referrer Policy, 3.5; Permissions Policy, 5.2; from memory.
test('a page comes with what its head cannot say: no frames of others, little of where visitors were, no camera and no place', async () => {
  const { headers } = await visit('wren')
  expect(headers).toMatchObject({
    'content-security-policy': "frame-ancestors 'self'",
    'referrer-policy': 'strict-origin-when-cross-origin',
    'x-content-type-options': 'nosniff',
  })
  expect(headers['permissions-policy']).toContain('geolocation=()')
  expect((await visit('wren', '/nothing-here/')).headers['x-content-type-options']).toBe('nosniff')
})

test('pages that are seen are counted, not what belongs to them; a site can be left uncounted', async () => {
  const browser = { 'user-agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0' }
  const counted = async (): Promise<unknown> => JSON.parse((await tell('GET', '/sites/wren/visits')).body.toString()) as unknown
  const before = JSON.stringify(await counted())
  await visit('wren', '/', browser, 'HEAD')
  await visit('wren', '/nothing-here/', browser)
  expect(JSON.stringify(await counted())).toBe(before)
  await visit('wren', '/about/?from=card', browser)
  expect(await counted()).toMatchObject({ isCounted: true, days: [{ pages: { '/about/': 1 } }] })
  expect((await tell('PUT', '/sites/wren/visits', { isCounted: false })).status).toBe(200)
  await visit('wren', '/about/', browser)
  expect(await counted()).toMatchObject({ isCounted: false, days: [{ pages: { '/about/': 1 } }] })
  expect((await tell('PUT', '/sites/nobody/visits', { isCounted: true })).status).toBe(404)
})

describe('RFC 9110', () => {
  test('8.8.3 and 13.1.2: a tag for each coding, compared weakly, in lists, and by *', async () => {
    const plain = await visit('wren')
    const squeezed = await visit('wren', '/', { 'accept-encoding': 'br' })
    const etag = plain.headers.etag!
    expect(etag).toMatch(/^"[\x21\x23-\x7e]+"$/) // 8.8.3: opaque-tag, strong.
    expect(squeezed.headers.etag).not.toBe(etag)
    for (const known of [etag, `W/${etag}`, `"other", ${etag}`, '*']) {
      const again = await visit('wren', '/', { 'if-none-match': known })
      expect([again.status, again.body.length, again.headers.etag], known).toEqual([304, 0, etag])
    }
    expect((await visit('wren', '/', { 'if-none-match': squeezed.headers.etag! })).status).toBe(200)
    expect((await visit('wren', '/', { 'if-none-match': '"other"' })).status).toBe(200)
  })

  // 14.1.2 works its examples on 10,000 bytes; these are the same forms on as many as there are here.
  const [last, all] = [HTML.length - 1, HTML.length]
  test.each([
    ['bytes=0-4', 206, `bytes 0-4/${all}`, HTML.slice(0, 5)],
    [`bytes=5-${all + 100}`, 206, `bytes 5-${last}/${all}`, HTML.slice(5)],
    ['bytes=9-', 206, `bytes 9-${last}/${all}`, HTML.slice(9)],
    ['bytes=-5', 206, `bytes ${all - 5}-${last}/${all}`, HTML.slice(-5)],
    [`bytes=-${all + 1}`, 206, `bytes 0-${last}/${all}`, HTML],
    [`bytes=${last}-${last}`, 206, `bytes ${last}-${last}/${all}`, '>'],
    [`bytes=${all}-`, 416, `bytes */${all}`, ''],
    ['bytes=-0', 416, `bytes */${all}`, ''],
    ['bytes=5-4', 200, undefined, HTML],
    ['bytes=0-0,-1', 200, undefined, HTML],
    ['lines=0-4', 200, undefined, HTML],
    ['bytes=', 200, undefined, HTML],
  ])('14.2: %s answers %i', async (range, status, contentRange, body) => {
    const part = await visit('wren', '/', { range })
    expect([part.status, part.headers['content-range'], part.body.toString()]).toEqual([status, contentRange, body])
    if (status !== 416) expect(part.headers['content-length']).toBe(String(body.length))
  })

  test('13.1.5 and 14.2: a range counts for the very file that If-Range names, and for GET alone', async () => {
    const etag = (await visit('wren')).headers.etag!
    const status = async (headers: Record<string, string>, method = 'GET'): Promise<number> =>
      (await visit('wren', '/', { range: 'bytes=0-4', ...headers }, method)).status
    expect(await status({ 'if-range': etag })).toBe(206)
    expect(await status({ 'if-range': `W/${etag}` })).toBe(200)
    expect(await status({ 'if-range': '"other"' })).toBe(200)
    expect(await status({}, 'HEAD')).toBe(200)
    expect((await visit('wren')).headers['accept-ranges']).toBe('bytes')
  })
})

test('odd paths are answered in words, never by a failure', async () => {
  const odd = [
    '/%00',
    '/%ff',
    '/a%0d%0ab',
    '//evil.example/',
    '/\\evil.example',
    '/..%2f..%2fsite.json',
    `/${'a'.repeat(5000)}`,
    '/%E2%98%83',
    '*',
  ]
  for (const path of odd) expect([400, 404], path).toContain((await visit('wren', path)).status)
  expect((await visit('wren', '/about%2f')).status).toBe(200)
  expect((await visit('wren', 'http://wren.localhost/')).status).toBe(400)
  expect((await visit('constructor')).status).toBe(404)
})

test('12.5.3: a coding that is refused is not sent; what is compressed says how long it is', async () => {
  expect((await visit('wren', '/', { 'accept-encoding': 'br;q=0, gzip' })).headers['content-encoding']).toBe('gzip')
  expect((await visit('wren', '/', { 'accept-encoding': 'br;q=0, identity' })).headers['content-encoding']).toBeUndefined()
  expect((await visit('wren', '/', { 'accept-encoding': '*' })).headers['content-encoding']).toBe('br')
  const [got, head] = [await visit('wren', '/', { 'accept-encoding': 'br' }), await visit('wren', '/', { 'accept-encoding': 'br' }, 'HEAD')]
  expect(got.headers['content-length']).toBe(String(got.body.length))
  expect(head.headers['content-length']).toBe(got.headers['content-length'])
})

test('a thousand visitors who leave half way leave no file open', async () => {
  const large = Buffer.alloc(3_000_000, 7)
  const sum = createHash('sha256').update(large).digest('hex')
  await tell('PUT', '/sites/large', { owner: 'job' })
  await tell('POST', '/sites/large/releases', { id: 'r1', manifest: { 'a.png': { hash: sum, bytes: large.length } } })
  expect((await ask(control, 'PUT', `/blobs/${sum}`, { authorization: `Bearer ${TOKEN}` }, large)).status).toBe(201)
  expect((await tell('POST', '/sites/large/releases/r1/activate')).status).toBe(200)
  const openFiles = (): number => readdirSync('/proc/self/fd').filter((fd) => isContent(fd)).length
  const isContent = (fd: string): boolean => {
    try {
      return readlinkSync(`/proc/self/fd/${fd}`).includes(sum)
    } catch {
      return false
    }
  }
  const leave = (): Promise<void> =>
    new Promise((resolve) => {
      const sent = request({ host: '127.0.0.1', port: open, path: '/a.png', headers: { host: `large.localhost:${open}` } }, (response) =>
        response.once('data', () => {
          response.destroy()
          resolve()
        }),
      )
      sent.on('error', () => resolve())
      sent.end()
    })
  for (let i = 0; i < 20; i++) await Promise.all(Array.from({ length: 50 }, leave))
  await expect.poll(openFiles).toBe(0)
})

test('visitors of an address that was left are sent on to the new one, page by page', async () => {
  await tell('PUT', '/sites/robin', { owner: 'job' })
  expect((await tell('POST', '/sites/wren/move', { to: 'robin' })).status).toBe(200)
  const sent = await visit('wren', '/about/')
  expect([sent.status, sent.headers.location]).toEqual([301, `http://robin.localhost:${open}/about/`])
})
