import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { createBrotliCompress, createGzip } from 'node:zlib'
import { hasAlready, readRange, type ByteRange } from './conditional'
import { isHashed, type SiteStore } from './store'

const TYPES: Record<string, string> = {
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
}

/** Serves each site under its host name: `http://<label>.localhost:<port>/`. */
export function publicServer(store: SiteStore): Server {
  return createServer((request, response) => {
    try {
      serve(store, request, response)
    } catch {
      end(response, 500, 'The server could not answer.')
    }
  })
}

function serve(store: SiteStore, request: IncomingMessage, response: ServerResponse): void {
  if (request.method !== 'GET' && request.method !== 'HEAD') return end(response, 405, 'Only GET and HEAD.', { allow: 'GET, HEAD' })
  const [host = '', port = ''] = (request.headers.host ?? '').toLowerCase().split(':')
  const label = /^([a-z0-9-]+)\.localhost$/.exec(host)?.[1] ?? ''
  const site = label ? store.findSite(label) : null
  const path = readPath(request.url ?? '/')
  if (site?.movedTo) return end(response, 301, 'Moved.', { location: `http://${site.movedTo}.localhost:${port}${path ?? '/'}` })
  if (!site || store.currentRelease(label) === null) return end(response, 404, 'There is no site at this address yet.')
  if (path === null) return end(response, 400, 'That is not an address.')
  const wanted = path.slice(1)
  const file = wanted === '' || wanted.endsWith('/') ? `${wanted}index.html` : wanted
  const on = store.leadsOn(label, file) ?? store.leadsOn(label, `${wanted}/index.html`)
  if (on !== null) return end(response, 301, 'Moved.', { location: on, 'cache-control': 'no-cache' })
  const found = store.findFile(label, file)
  if (found) return send(request, response, 200, file, found)
  if (store.findFile(label, `${wanted}/index.html`)) return end(response, 301, 'Moved.', { location: `${path}/` })
  const missing = store.findFile(label, '404.html')
  return missing ? send(request, response, 404, '404.html', missing) : end(response, 404, 'Not found.')
}

function readPath(url: string): string | null {
  try {
    return decodeURIComponent(new URL(url, 'http://site').pathname)
  } catch {
    return null
  }
}

type Found = NonNullable<ReturnType<SiteStore['findFile']>>

type Squeeze = 'br' | 'gzip' | null

function send(request: IncomingMessage, response: ServerResponse, status: number, file: string, found: Found): void {
  const { method, headers } = request
  const type = TYPES[file.split('.').at(-1) ?? ''] ?? 'application/octet-stream'
  const squeeze = squeezeFor(type, headers)
  // Each coding of a file is another representation, with a tag of its own (RFC 9110, 8.8.3.3).
  const etag = squeeze ? found.etag.replace(/"$/, `-${squeeze}"`) : found.etag
  response.setHeader('content-type', type)
  response.setHeader('cache-control', isHashed(file) ? 'public, max-age=31536000, immutable' : 'no-cache')
  response.setHeader('etag', etag)
  response.setHeader('vary', 'accept-encoding')
  response.setHeader('x-content-type-options', 'nosniff')
  if (status === 200 && hasAlready(headers['if-none-match'], etag)) return void response.writeHead(304).end()
  if (squeeze) {
    response.setHeader('content-encoding', squeeze)
    response.writeHead(status)
    return method === 'HEAD' ? void response.end() : pour(found, null, squeeze, response)
  }
  response.setHeader('accept-ranges', 'bytes')
  // A range counts for GET alone, and where If-Range names this very file (RFC 9110, 14.2 and 13.1.5).
  const isOfThis = headers['if-range'] === undefined || headers['if-range'] === etag
  const part = status === 200 && method === 'GET' && isOfThis ? readRange(headers.range, found.bytes) : null
  if (part === 'outside') return void response.writeHead(416, { 'content-range': `bytes */${found.bytes}` }).end()
  response.setHeader('content-length', part ? part.last - part.first + 1 : found.bytes)
  if (part) response.setHeader('content-range', `bytes ${part.first}-${part.last}/${found.bytes}`)
  response.writeHead(part ? 206 : status)
  return method === 'HEAD' ? void response.end() : pour(found, part, null, response)
}

/** How a file travels: text is squeezed where the visitor takes it, but not where a part of it is asked for. */
function squeezeFor(type: string, headers: IncomingMessage['headers']): Squeeze {
  if (headers.range !== undefined || !/^(text|application\/(xml|json)|image\/(svg|x-icon))/.test(type)) return null
  const encodings = headers['accept-encoding'] ?? ''
  return /\bbr\b/.test(encodings) ? 'br' : /\bgzip\b/.test(encodings) ? 'gzip' : null
}

function pour(found: Found, part: ByteRange | null, squeeze: Squeeze, response: ServerResponse): void {
  const content = found.open(part)
  content.on('error', () => response.destroy())
  if (squeeze === 'br') content.pipe(createBrotliCompress()).pipe(response)
  else if (squeeze === 'gzip') content.pipe(createGzip()).pipe(response)
  else content.pipe(response)
}

function end(response: ServerResponse, status: number, words: string, headers: Record<string, string> = {}): void {
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', ...headers }).end(`${words}\n`)
}
