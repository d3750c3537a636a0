import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { pipeline } from 'node:stream'
import Negotiator from 'negotiator'
import { hasAlready, readRange } from './conditional'
import { readPart, sizeOf, type Coding } from './contents'
import { isHashed, type SiteStore } from './store'
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

/** Serves each site under its host name: `http://<label>.localhost:<port>/`. */
export function publicServer(store: SiteStore): Server {
  const server = createServer((request, response) => {
    serve(store, request, response).catch((error: unknown) => {
      console.error(error)
      if (response.headersSent) response.destroy()
      else end(response, 500, 'The server could not answer.')
    })
  })
  // Who is slow to ask, or never does, does not keep a connection for ever.
  server.headersTimeout = 15_000
  server.requestTimeout = 30_000
  server.keepAliveTimeout = 10_000
  return server
}

async function serve(store: SiteStore, request: IncomingMessage, response: ServerResponse): Promise<void> {
  if (request.method !== 'GET' && request.method !== 'HEAD') return end(response, 405, 'Only GET and HEAD.', { allow: 'GET, HEAD' })
  const [host = '', port = ''] = (request.headers.host ?? '').toLowerCase().split(':')
  const label = /^([a-z0-9-]+)\.localhost$/.exec(host)?.[1] ?? ''
  const site = label ? store.findSite(label) : null
  const path = readPath(request.url ?? '/')
  if (path === null) return end(response, 400, 'That is not an address.')
  const address = encodePath(path)
  if (site?.movedTo) return end(response, 301, 'Moved.', { location: `http://${site.movedTo}.localhost:${port}${address}` })
  if (!site || store.currentRelease(label) === null) return end(response, 404, 'There is no site at this address yet.')
  const wanted = path.slice(1)
  const folder = store.findFile(label, `${wanted}/index.html`)
  const file = wanted === '' || wanted.endsWith('/') ? `${wanted}index.html` : wanted
  const found = store.findFile(label, file)
  const on = found?.leadsTo ?? (found ? undefined : folder?.leadsTo)
  if (on !== undefined) return end(response, 301, 'Moved.', { location: on, 'cache-control': 'no-cache' })
  if (found) return send(store, request, response, 200, file, found)
  if (folder) return end(response, 301, 'Moved.', { location: `${address}/` })
  const missing = store.findFile(label, '404.html')
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
  request: IncomingMessage,
  response: ServerResponse,
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
function codingFor(type: string, request: IncomingMessage): Coding | null {
  if (request.headers.range !== undefined || !/^(text|application\/(xml|json|manifest)|image\/(svg|x-icon))/.test(type)) return null
  const taken = new Negotiator(request).encodings(['br', 'gzip'])
  return taken.includes('br') ? 'br' : taken.includes('gzip') ? 'gzip' : null
}

function end(response: ServerResponse, status: number, words: string, headers: Record<string, string> = {}): void {
  response
    .writeHead(status, { 'content-type': 'text/plain; charset=utf-8', 'x-content-type-options': 'nosniff', ...headers })
    .end(`${words}\n`)
}
