import { createReadStream, lstatSync, realpathSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import path from 'node:path'
import { contentType } from 'mime-types'

/** What visitors of the client's own server get: the files of a folder as they lie there, with nothing of ours. */
export function webStandIn(folder: string): Server {
  return createServer((request, response) => {
    const asked = decodeURIComponent(new URL(request.url ?? '/', 'http://any').pathname)
    const found = findFile(folder, asked) ?? findFile(folder, '/404.html')
    const status = found !== null && findFile(folder, asked) === found ? 200 : 404
    if (found === null) return void response.writeHead(404, { 'content-type': 'text/plain' }).end('Not found')
    response.writeHead(status, {
      'content-type': contentType(path.basename(found)) || 'application/octet-stream',
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
