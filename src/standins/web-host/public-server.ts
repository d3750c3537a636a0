import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { createBrotliCompress, createGzip } from 'node:zlib'
import { isHashed, type SiteStore } from './store'

const TYPES: Record<string, string> = {
  html: 'text/html; charset=utf-8',
  css: 'text/css; charset=utf-8',
  xml: 'application/xml; charset=utf-8',
  txt: 'text/plain; charset=utf-8',
  svg: 'image/svg+xml',
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

function send(request: IncomingMessage, response: ServerResponse, status: number, file: string, found: Found): void {
  const type = TYPES[file.split('.').at(-1) ?? ''] ?? 'application/octet-stream'
  response.setHeader('content-type', type)
  response.setHeader('cache-control', isHashed(file) ? 'public, max-age=31536000, immutable' : 'no-cache')
  response.setHeader('etag', found.etag)
  response.setHeader('vary', 'accept-encoding')
  response.setHeader('x-content-type-options', 'nosniff')
  if (status === 200 && request.headers['if-none-match'] === found.etag) return void response.writeHead(304).end()
  const encodings = request.headers['accept-encoding'] ?? ''
  const squeeze = /^(text|application\/(xml|json)|image\/(svg|x-icon))/.test(type)
    ? /\bbr\b/.test(encodings)
      ? 'br'
      : /\bgzip\b/.test(encodings)
        ? 'gzip'
        : null
    : null
  if (squeeze) response.setHeader('content-encoding', squeeze)
  else response.setHeader('content-length', found.bytes)
  response.writeHead(status)
  if (request.method === 'HEAD') return void response.end()
  const content = found.open()
  content.on('error', () => response.destroy())
  if (squeeze === 'br') content.pipe(createBrotliCompress()).pipe(response)
  else if (squeeze === 'gzip') content.pipe(createGzip()).pipe(response)
  else content.pipe(response)
}

function end(response: ServerResponse, status: number, words: string, headers: Record<string, string> = {}): void {
  response.writeHead(status, { 'content-type': 'text/plain; charset=utf-8', ...headers }).end(`${words}\n`)
}
