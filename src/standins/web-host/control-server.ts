import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { timingSafeEqual } from 'node:crypto'
import type { SiteStore } from './store'
import type { Visits } from './visits'
import type { Certificates } from './certificates'
import type { Challenges } from './challenges'
import {
  certificateSchema,
  challengeSchema,
  countedSchema,
  hashSchema,
  HostError,
  moveSchema,
  noteSchema,
  ownerSchema,
  read,
  siteNameSchema,
  tokenSchema,
  transportSchema,
} from './wire'

/** What a host has: its sites, the certificates of names of their own, what authorities are to find, and how often pages were seen. */
export type Host = {
  readonly store: SiteStore
  readonly certificates: Certificates
  readonly challenges: Challenges
  readonly visits: Visits
}

/** The most bytes that a call may bring, but for a content. */
const MOST_JSON = 8 * 1024 * 1024

/**
 * What a publisher talks to, on a port of its own with a bearer token:
 * GET /sites/:label · PUT /sites/:label · POST /sites/:label/move · POST /sites/:label/releases (answers what is missing) ·
 * PUT /blobs/:sha256 · POST /sites/:label/releases/:id/activate · PUT /sites/:label/transport · PUT /certificates/:name ·
 * PUT /challenges/:token · DELETE /challenges/:token · GET /sites/:name/visits · PUT /sites/:name/visits
 */
export function controlServer(host: Host, token: string): Server {
  return createServer((request, response) => {
    answer(host, token, request).then(
      ([status, body]) => reply(response, status, body),
      (error: unknown) => {
        request.resume() // What was not read yet is let through, so that the sender gets the answer and not a broken connection.
        const status = error instanceof HostError ? error.status : 500
        if (status === 500) console.error(error)
        reply(response, status, { error: error instanceof HostError ? error.message : 'the host failed' })
      },
    )
  })
}

async function answer(
  { store, certificates, challenges, visits }: Host,
  token: string,
  request: IncomingMessage,
): Promise<[number, unknown]> {
  if (!isAllowed(request.headers.authorization ?? '', token)) throw new HostError(401, 'the token is wrong')
  const [, first, name = '', third, id, last] = (request.url ?? '').split('/')
  const call = `${request.method} ${first}${third ? `/${third}` : ''}${last ? `/${last}` : ''}`
  switch (call) {
    case 'GET sites': {
      const site = store.findSite(name)
      // Where visitors are sent on, nothing is live.
      if (site) return [200, { ...site, release: site.movedTo === null ? store.currentRelease(name) : null }]
      const alike = name && !name.includes('.') ? store.findAlike(name) : null
      return [404, alike === null ? { error: 'free' } : { error: 'alike', alike, owner: store.findSite(alike)?.owner }]
    }
    case 'PUT sites':
      return [store.claim(name, read(ownerSchema, await readJson(request)).owner) ? 201 : 200, {}]
    case 'POST sites/move': {
      store.move(name, read(moveSchema, await readJson(request)).to)
      return [200, {}]
    }
    case 'POST sites/releases':
      return [200, { missing: store.announce(name, read(noteSchema, await readJson(request))) }]
    case 'POST sites/releases/activate': {
      await store.activate(name, id ?? '')
      return [200, { release: id }]
    }
    case 'PUT sites/transport': {
      store.setTransport(name, read(transportSchema, await readJson(request)).hstsS)
      return [200, {}]
    }
    case 'GET sites/visits': {
      const site = store.findSite(name)
      return [200, { isCounted: site?.isCounted ?? true, days: site ? visits.of(name) : [] }]
    }
    case 'PUT sites/visits': {
      store.setCounted(name, read(countedSchema, await readJson(request)).isCounted)
      return [200, {}]
    }
    case 'PUT certificates': {
      certificates.keep(read(siteNameSchema, name), read(certificateSchema, await readJson(request)))
      return [201, {}]
    }
    case 'PUT challenges': {
      challenges.set(read(tokenSchema, name), read(challengeSchema, await readJson(request)).answer)
      return [201, {}]
    }
    case 'DELETE challenges': {
      challenges.delete(read(tokenSchema, name))
      return [200, {}]
    }
    case 'PUT blobs': {
      await store.contents.receive(read(hashSchema, name), request, Number(request.headers['content-length'] ?? 0))
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
  const parts: Buffer[] = []
  let bytes = 0
  for await (const chunk of request as AsyncIterable<Buffer>) {
    bytes += chunk.length
    if (bytes > MOST_JSON) throw new HostError(413, 'too long')
    parts.push(chunk)
  }
  try {
    return JSON.parse(Buffer.concat(parts).toString('utf8'))
  } catch {
    throw new HostError(400, 'not JSON')
  }
}

function reply(response: ServerResponse, status: number, body: unknown): void {
  response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))
}
