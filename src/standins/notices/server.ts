import { createServer, type IncomingMessage, type Server } from 'node:http'

/** Asks for an address as a search engine would; null where nothing comes. */
export type Ask = (url: string) => Promise<string | null>
/** What was told, and when; the newest first. */
export type Taken = { readonly at: string; readonly host: string; readonly urls: readonly string[] }

const MOST_BYTES = 4_000_000
const MOST_URLS = 10_000
const MOST_KEPT = 200
const KEY = /^[A-Za-z0-9-]{8,128}$/

/**
 * A search engine that takes notices of change (IndexNow; from memory): it believes a site only where the key lies there, and looks at no
 * page. GET shows what it was told.
 */
export function noticesStandIn(ask: Ask): Server & { readonly taken: readonly Taken[] } {
  const taken: Taken[] = []
  const server = createServer((request, response) => {
    const end = (status: number, words: string, type = 'text/plain'): void =>
      void response.writeHead(status, { 'content-type': `${type}; charset=utf-8` }).end(words)
    if (request.method === 'GET') return end(200, page(taken), 'text/html')
    if (request.method !== 'POST') return end(405, 'POST')
    read(request)
      .then(async (body) => {
        const notice = parse(body)
        if (notice === null) return end(400, 'Not a notice')
        if (!notice.urls.every((url) => hostOf(url) === notice.host) || hostOf(notice.keyLocation) !== notice.host)
          return end(422, 'Not of this host')
        if ((await ask(notice.keyLocation))?.trim() !== notice.key) return end(403, 'The key is not there')
        taken.unshift({ at: new Date().toISOString(), host: notice.host, urls: notice.urls })
        taken.splice(MOST_KEPT)
        return end(200, 'Taken')
      })
      .catch(() => end(400, 'Not a notice'))
  })
  return Object.assign(server, { taken })
}

async function read(request: IncomingMessage): Promise<string> {
  const parts: Buffer[] = []
  let bytes = 0
  for await (const part of request) {
    bytes += (part as Buffer).length
    if (bytes > MOST_BYTES) throw new Error('too long')
    parts.push(part as Buffer)
  }
  return Buffer.concat(parts).toString('utf8')
}

type Notice = { readonly host: string; readonly key: string; readonly keyLocation: string; readonly urls: readonly string[] }

function parse(body: string): Notice | null {
  const { host, key, keyLocation, urlList } = JSON.parse(body) as Record<string, unknown>
  if (typeof host !== 'string' || typeof key !== 'string' || typeof keyLocation !== 'string' || !KEY.test(key)) return null
  if (!Array.isArray(urlList) || urlList.length === 0 || urlList.length > MOST_URLS) return null
  return urlList.every((url) => typeof url === 'string') ? { host, key, keyLocation, urls: urlList } : null
}

function hostOf(url: string): string | null {
  return URL.canParse(url) ? new URL(url).host : null
}

function page(taken: readonly Taken[]): string {
  const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
  const rows = taken.map(
    ({ at, host, urls }) => `<h2>${escaped(host)}</h2><p>${at}</p><ul>${urls.map((url) => `<li>${escaped(url)}</li>`).join('')}</ul>`,
  )
  return (
    '<!doctype html><html lang="en"><meta charset="utf-8"><title>Notices of change</title>' +
    '<style>body{font:16px/1.5 sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem}</style>' +
    `<h1>Notices of change</h1>${rows.join('') || '<p>None yet.</p>'}</html>`
  )
}
