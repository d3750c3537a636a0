import { createServer, type IncomingHttpHeaders, type OutgoingHttpHeaders, type Server } from 'node:http'
import { createSecureServer, type Http2SecureServer } from 'node:http2'
import type { Server as HttpsServer } from 'node:https'
import { pipeline } from 'node:stream'
import type { TLSSocket } from 'node:tls'
import Negotiator from 'negotiator'
import { hasAlready, readRange } from './conditional'
import { readPart, sizeOf, type Coding } from './contents'
import { CHALLENGE_PATH } from './challenges'
import type { Host } from './control-server'
import { isHashed, type SiteRecord, type SiteStore } from './store'
import type { ReleaseFile } from './wire'

const TYPES = new Map(
  Object.entries({
    html: 'text/html; charset=utf-8',
    css: 'text/css; charset=utf-8',
    xml: 'application/xml; charset=utf-8',
    txt: 'text/plain; charset=utf-8',
    svg: 'image/svg+xml',
    pdf: 'application/pdf',
    webp: 'image/webp',
    avif: 'image/avif',
    jpg: 'image/jpeg',
    png: 'image/png',
    ico: 'image/x-icon',
    woff2: 'font/woff2',
    woff: 'font/woff',
    ttf: 'font/ttf',
    otf: 'font/otf',
    webmanifest: 'application/manifest+json',
    json: 'application/json',
    vcf: 'text/vcard; charset=utf-8',
  }),
)

/** What is drawn from a file by itself runs nothing and asks for nothing. */
const DRAWING_POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox"

/**
 * What a page says for itself in its head, and what it can only be said by whoever gives it: nobody sets it in a frame of theirs (CSP 3,
 * 6.4.2), other sites are told no more than where a visitor came from (Referrer Policy, 3.5), and nothing on it asks for the visitor's
 * camera, place or purse (Permissions Policy, 5.2).
 */
const PAGE_HEADERS: readonly (readonly [string, string])[] = [
  ['content-security-policy', "frame-ancestors 'self'"],
  ['referrer-policy', 'strict-origin-when-cross-origin'],
  ['permissions-policy', 'camera=(), display-capture=(), geolocation=(), microphone=(), payment=(), usb=()'],
]

/** Where visitors find a host: names under its own by HTTP, names with a certificate by HTTPS. */
export type Ports = { plain: number; secure: number }
export type Shown = Host & { readonly ports: Ports }

/** Serves each site under its host name: `http://<label>.localhost:<port>/`, or a name of its own. */
export function publicServer(host: Shown): Server {
  return patient(createServer((request, response) => answer(host, request, response)))
}

/**
 * The same by HTTPS, for each name that there is a certificate for (RFC 6066, 3: visitors say which they ask for); in one connection for
 * all that a page needs where the visitor speaks HTTP/2 (RFC 9113), which browsers do by HTTPS alone.
 */
export function securePublicServer(host: Shown): Http2SecureServer {
  const noContext = new Error('There is no certificate for this name')
  const server = createSecureServer(
    {
      allowHTTP1: true,
      minVersion: 'TLSv1.2',
      SNICallback: (name, done) => {
        const context = host.certificates.contextOf(name.toLowerCase())
        if (context) done(null, context)
        else done(noContext)
      },
    },
    (request, response) => {
      // HTTP/2 says so in a field of its own (RFC 9113, 8.3.1).
      request.headers.host ??= request.authority
      answer(host, request, response)
    },
  )
  server.on('session', (session) => session.setTimeout(QUIET_MS, () => session.close()))
  // What is said of the older protocol holds for who speaks that here (Node, http2: allowHTTP1).
  patient(server as unknown as HttpsServer)
  return server
}

/** How long a connection that carries many answers may stand without any, in ms. */
const QUIET_MS = 60_000

/** Who is slow to ask, or never does, does not keep a connection for ever. */
function patient<T extends Pick<Server, 'headersTimeout' | 'requestTimeout' | 'keepAliveTimeout'>>(server: T): T {
  server.headersTimeout = 15_000
  server.requestTimeout = 30_000
  server.keepAliveTimeout = 10_000
  return server
}

/** What is asked and how it is answered, in what both versions of the protocol have alike. */
type Asked = {
  readonly method?: string | undefined
  readonly url?: string | undefined
  readonly headers: IncomingHttpHeaders
  readonly socket: object
}
type Answer = NodeJS.WritableStream & {
  readonly headersSent: boolean
  setHeader(name: string, value: string | number): unknown
  writeHead(status: number, headers?: OutgoingHttpHeaders): Answer
  destroy(): unknown
}

function answer(host: Shown, request: Asked, response: Answer): void {
  serve(host, request, response).catch((error: unknown) => {
    console.error(error)
    if (response.headersSent) response.destroy()
    else end(response, 500, 'The server could not answer.')
  })
}

async function serve(host: Shown, request: Asked, response: Answer): Promise<void> {
  const { store } = host
  if (request.method !== 'GET' && request.method !== 'HEAD') return end(response, 405, 'Only GET and HEAD.', { allow: 'GET, HEAD' })
  const asked = (request.headers.host ?? '').toLowerCase().replace(/:\d{1,5}$/, '')
  const name = /^([a-z0-9-]{1,63})\.localhost$/.exec(asked)?.[1] ?? asked
  const path = readPath(request.url ?? '/')
  if (path === null) return end(response, 400, 'That is not an address.')
  const isSecure = (request.socket as Partial<TLSSocket>).encrypted === true
  const found = path.startsWith(CHALLENGE_PATH) ? host.challenges.get(path.slice(CHALLENGE_PATH.length)) : undefined
  if (found !== undefined && !isSecure) return void response.writeHead(200, { 'content-type': 'application/octet-stream' }).end(found)
  const site = name ? store.findSite(name) : null
  const address = encodePath(path)
  if (site && !isSecure && name.includes('.') && host.certificates.has(name)) return moved(response, originOf(host, name) + address)
  if (site && isSecure) bindToHttps(response, site)
  if (site?.movedTo) return moved(response, originOf(host, site.movedTo) + address)
  if (!site || store.currentRelease(name) === null) return end(response, 404, 'There is no site at this address yet.')
  return serveSite(host, name, path, request, response)
}

/** Where a site is found: one with a certificate by HTTPS, any other by HTTP. */
function originOf({ certificates, ports }: Shown, name: string): string {
  const at = (port: number, usual: number): string => (port === usual ? '' : `:${port}`)
  if (!name.includes('.')) return `http://${name}.localhost${at(ports.plain, 80)}`
  return certificates.has(name) ? `https://${name}${at(ports.secure, 443)}` : `http://${name}${at(ports.plain, 80)}`
}

/** Nobody is to keep for ever where a name leads today. */
function moved(response: Answer, location: string): void {
  end(response, 301, 'Moved.', { location, 'cache-control': 'no-cache' })
}

/** RFC 6797, 7.1: said by HTTPS alone. A time of 0 takes back what was said before. */
function bindToHttps(response: Answer, { hstsS }: SiteRecord): void {
  if (hstsS !== undefined) response.setHeader('strict-transport-security', `max-age=${hstsS}`)
}

async function serveSite(host: Shown, name: string, path: string, request: Asked, response: Answer): Promise<void> {
  const { store } = host
  const address = encodePath(path)
  const wanted = path.slice(1)
  const folder = store.findFile(name, `${wanted}/index.html`)
  const file = wanted === '' || wanted.endsWith('/') ? `${wanted}index.html` : wanted
  const found = store.findFile(name, file)
  const on = found?.leadsTo ?? (found ? undefined : folder?.leadsTo)
  if (on !== undefined) return moved(response, on)
  if (found) {
    const isPage = request.method === 'GET' && file.endsWith('.html')
    if (isPage && store.findSite(name)?.isCounted !== false) host.visits.note(name, path, request, new Date())
    return send(store, request, response, 200, file, found)
  }
  if (folder) return end(response, 301, 'Moved.', { location: `${address}/` })
  const missing = store.findFile(name, '404.html')
  return missing ? send(store, request, response, 404, '404.html', missing) : end(response, 404, 'Not found.')
}

/** The path that is asked for, decoded; null where it is none. What is not a path of this server at all has none either. */
function readPath(target: string): string | null {
  if (!target.startsWith('/')) return null
  try {
    return decodeURIComponent(target.replace(/[?#].*$/s, ''))
  } catch {
    return null
  }
}

function encodePath(path: string): string {
  return path.split('/').map(encodeURIComponent).join('/')
}

async function send(
  store: SiteStore,
  request: Asked,
  response: Answer,
  status: number,
  file: string,
  { hash, bytes }: ReleaseFile,
): Promise<void> {
  const { method, headers } = request
  const type = TYPES.get(file.split('.').at(-1) ?? '') ?? 'application/octet-stream'
  const coding = codingFor(type, request)
  // Each coding of a file is another representation, with a tag of its own (RFC 9110, 8.8.3.3).
  const etag = coding ? `"${hash.slice(0, 32)}-${coding}"` : `"${hash.slice(0, 32)}"`
  response.setHeader('content-type', type)
  response.setHeader('cache-control', isHashed(file) ? 'public, max-age=31536000, immutable' : 'no-cache')
  response.setHeader('etag', etag)
  response.setHeader('vary', 'accept-encoding')
  response.setHeader('x-content-type-options', 'nosniff')
  if (type.startsWith('text/html')) for (const [name, value] of PAGE_HEADERS) response.setHeader(name, value)
  if (type === 'image/svg+xml') response.setHeader('content-security-policy', DRAWING_POLICY)
  if (status === 200 && hasAlready(headers['if-none-match'], etag)) return void response.writeHead(304).end()
  // A content that is not in its full length here is not shown: better no page than half of one.
  if (!store.contents.has(hash, bytes)) throw new Error(`The content of ${file}, ${hash}, is damaged`)
  const from = coding ? await store.contents.squeezed(hash, coding) : store.contents.file(hash)
  const length = coding ? (sizeOf(from) ?? 0) : bytes
  if (coding) response.setHeader('content-encoding', coding)
  else response.setHeader('accept-ranges', 'bytes')
  // A range counts for GET alone, and where If-Range names this very file (RFC 9110, 14.2 and 13.1.5).
  const isOfThis = headers['if-range'] === undefined || headers['if-range'] === etag
  const part = status === 200 && method === 'GET' && isOfThis && !coding ? readRange(headers.range, length) : null
  if (part === 'outside') return void response.writeHead(416, { 'content-range': `bytes */${length}` }).end()
  response.setHeader('content-length', part ? part.last - part.first + 1 : length)
  if (part) response.setHeader('content-range', `bytes ${part.first}-${part.last}/${length}`)
  response.writeHead(part ? 206 : status)
  if (method === 'HEAD' || length === 0) return void response.end()
  // A visitor who leaves half way lets go of the file too.
  pipeline(readPart(from, part), response, () => undefined)
}

/** How a file travels: text is squeezed where the visitor takes it (RFC 9110, 12.5.3), but not where a part of it is asked for. */
function codingFor(type: string, request: Asked): Coding | null {
  if (request.headers.range !== undefined || !/^(text|application\/(xml|json|manifest)|image\/(svg|x-icon))/.test(type)) return null
  const taken = new Negotiator(request).encodings(['br', 'gzip'])
  return taken.includes('br') ? 'br' : taken.includes('gzip') ? 'gzip' : null
}

function end(response: Answer, status: number, words: string, headers: Record<string, string> = {}): void {
  response
    .writeHead(status, { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff', ...headers })
    .end(`${words}\n`)
}
