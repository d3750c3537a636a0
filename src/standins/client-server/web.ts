import { lstatSync, readFileSync, realpathSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import path from 'node:path'
import { contentType } from 'mime-types'

type Found = { readonly file: string; readonly content: Buffer; readonly isOfFolder?: boolean }

/** What visitors of the client's own server get: the files of a folder as they lie there, with nothing of ours. */
export function webStandIn(folder: string): Server {
  return createServer((request, response) => {
    const asked = addressOf(request.url ?? '/')
    const own = findFile(folder, asked)
    // What a folder shows leads on from its own address, as servers do it: without the slash its links would lead elsewhere.
    if (own?.isOfFolder && !asked.endsWith('/')) return void response.writeHead(301, { location: `${encodeURI(asked)}/` }).end()
    const found = own ?? wrongAddress(folder, asked)
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

/** The page for wrong addresses of the site that an address would be of: one may stand in a folder. */
function wrongAddress(folder: string, asked: string): Found | null {
  const parts = asked.split('/').filter((part) => part !== '')
  const folders = parts.map((_, i) => parts.slice(0, parts.length - i).join('/'))
  return [...folders.map((one) => `/${one}/404.html`), '/404.html'].reduce<Found | null>(
    (found, page) => found ?? findFile(folder, page),
    null,
  )
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
    if (stats.isDirectory()) {
      const page = findFile(folder, `${asked}/`)
      return page && { ...page, isOfFolder: true }
    }
    const real = realpathSync(file)
    if (!stats.isFile() || !real.startsWith(realpathSync(folder) + path.sep)) return null
    return { file: real, content: readFileSync(real) }
  } catch {
    return null
  }
}
