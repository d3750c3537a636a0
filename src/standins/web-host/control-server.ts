import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { timingSafeEqual } from 'node:crypto'
import { HostError, type ReleaseNote, type SiteStore } from './store'

/**
 * What a publisher talks to, on a port of its own with a bearer token:
 * GET /sites/:label · PUT /sites/:label · POST /sites/:label/move · POST /sites/:label/releases (answers what is missing) ·
 * PUT /blobs/:sha256 · POST /sites/:label/releases/:id/activate
 */
export function controlServer(store: SiteStore, token: string): Server {
  return createServer((request, response) => {
    answer(store, token, request).then(
      ([status, body]) => reply(response, status, body),
      (error: unknown) => {
        request.resume() // What was not read yet is let through, so that the sender gets the answer and not a broken connection.
        const status = error instanceof HostError ? error.status : 500
        reply(response, status, { error: error instanceof HostError ? error.message : 'the host failed' })
      },
    )
  })
}

async function answer(store: SiteStore, token: string, request: IncomingMessage): Promise<[number, unknown]> {
  if (!isAllowed(request.headers.authorization ?? '', token)) throw new HostError(401, 'the token is wrong')
  const [, first, name = '', third, id, last] = (request.url ?? '').split('/')
  const call = `${request.method} ${first}${third ? `/${third}` : ''}${last ? `/${last}` : ''}`
  switch (call) {
    case 'GET sites': {
      const site = store.findSite(name)
      return site ? [200, { ...site, release: store.currentRelease(name) }] : [404, { error: 'free' }]
    }
    case 'PUT sites':
      return [store.claim(name, ((await readJson(request)) as { owner: string }).owner) ? 201 : 200, {}]
    case 'POST sites/move': {
      store.move(name, ((await readJson(request)) as { to: string }).to)
      return [200, {}]
    }
    case 'POST sites/releases':
      return [200, { missing: store.announce(name, (await readJson(request)) as ReleaseNote) }]
    case 'POST sites/releases/activate': {
      store.activate(name, id ?? '')
      return [200, { release: id }]
    }
    case 'PUT blobs': {
      await store.receive(name, request, Number(request.headers['content-length'] ?? 0))
      return [201, {}]
    }
    default:
      throw new HostError(404, 'no such call')
  }
}

function isAllowed(header: string, token: string): boolean {
  const [given, wanted] = [Buffer.from(header), Buffer.from(`Bearer ${token}`)]
  return given.length === wanted.length && timingSafeEqual(given, wanted)
}

async function readJson(request: IncomingMessage): Promise<unknown> {
  let text = ''
  for await (const chunk of request) {
    text += String(chunk)
    if (text.length > 5_000_000) throw new HostError(413, 'too long')
  }
  try {
    return JSON.parse(text)
  } catch {
    throw new HostError(400, 'not JSON')
  }
}

function reply(response: ServerResponse, status: number, body: unknown): void {
  response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))
}
