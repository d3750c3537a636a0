import { createReadStream, lstatSync, realpathSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import path from 'node:path'

/** What a file is said to be, by the end of its name (IANA's media types). */
const TYPES = new Map(
  Object.entries({
    '.html': 'text/html; charset=utf-8',
    '.css': 'text/css; charset=utf-8',
    '.txt': 'text/plain; charset=utf-8',
    '.xml': 'application/xml',
    '.json': 'application/json',
    '.webmanifest': 'application/manifest+json',
    '.svg': 'image/svg+xml',
    '.png': 'image/png',
    '.jpg': 'image/jpeg',
    '.webp': 'image/webp',
    '.ico': 'image/x-icon',
    '.woff2': 'font/woff2',
    '.pdf': 'application/pdf',
  }),
)

/** What visitors of the client's own server get: the files of a folder as they lie there, with nothing of ours. */
export function webStandIn(folder: string): Server {
  return createServer((request, response) => {
    const asked = decodeURIComponent(new URL(request.url ?? '/', 'http://any').pathname)
    const found = findFile(folder, asked) ?? findFile(folder, '/404.html')
    const status = found !== null && findFile(folder, asked) === found ? 200 : 404
    if (found === null) return void response.writeHead(404, { 'content-type': 'text/plain' }).end('Not found')
    response.writeHead(status, {
      'content-type': TYPES.get(path.extname(found)) ?? 'application/octet-stream',
      'cache-control': 'no-cache',
    })
    createReadStream(found).pipe(response)
  })
}

/** A file of the folder, or a folder's own page; hidden ones, and what lies elsewhere by a link, are not there. */
function findFile(folder: string, asked: string): string | null {
  if (asked.split('/').some((part) => part.startsWith('.'))) return null
  const file = path.join(folder, path.posix.join('/', asked), asked.endsWith('/') ? 'index.html' : '')
  const stats = lstatSync(file, { throwIfNoEntry: false })
  if (stats?.isDirectory()) return findFile(folder, `${asked}/`)
  if (!stats?.isFile()) return null
  const real = realpathSync(file)
  return real.startsWith(realpathSync(folder) + path.sep) ? real : null
}
