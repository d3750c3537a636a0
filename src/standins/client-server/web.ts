import { lstatSync, readFileSync, realpathSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import path from 'node:path'
import { contentType } from 'mime-types'

type Found = { readonly file: string; readonly content: Buffer }

/** What visitors of the client's own server get: the files of a folder as they lie there, with nothing of ours. */
export function webStandIn(folder: string): Server {
  return createServer((request, response) => {
    const own = findFile(folder, addressOf(request.url ?? '/'))
    const found = own ?? findFile(folder, '/404.html')
    if (found === null) return void response.writeHead(404, { 'content-type': 'text/plain' }).end('Not found')
    response
      .writeHead(own ? 200 : 404, {
        'content-type': contentType(path.basename(found.file)) || 'application/octet-stream',
        'cache-control': 'no-cache',
      })
      .end(found.content)
  })
}

/** The path that is asked for; what is written so that nothing can be read from it leads to a name that no file has. */
function addressOf(url: string): string {
  try {
    return decodeURIComponent(new URL(url, 'http://any').pathname)
  } catch {
    return '/.'
  }
}

/**
 * A file of the folder, or a folder's own page, with what is in it; hidden ones, and what lies elsewhere by a link, are not there. One that
 * is moved or removed while it is looked for is not there either.
 */
function findFile(folder: string, asked: string): Found | null {
  if (asked.includes('\0') || asked.split('/').some((part) => part.startsWith('.'))) return null
  const file = path.join(folder, path.posix.join('/', asked), asked.endsWith('/') ? 'index.html' : '')
  try {
    const stats = lstatSync(file)
    if (stats.isDirectory()) return findFile(folder, `${asked}/`)
    const real = realpathSync(file)
    if (!stats.isFile() || !real.startsWith(realpathSync(folder) + path.sep)) return null
    return { file: real, content: readFileSync(real) }
  } catch {
    return null
  }
}
