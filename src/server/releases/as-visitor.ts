import { createHash } from 'node:crypto'
import { lookup as lookupName, type LookupAddress } from 'node:dns'
import { Agent as PlainAgent, request as plain } from 'node:http'
import { Agent as SecureAgent, request as secure } from 'node:https'
import type { LookupFunction } from 'node:net'
import type { Answered } from '../../core/release'

const QUIET_MS = 10_000
const LOOPBACK: LookupAddress = { address: '127.0.0.1', family: 4 }

/** Names under `localhost` are this machine, whatever its resolver says (RFC 6761, 6.3). */
const lookup: LookupFunction = (name, options, done) => {
  if (name !== 'localhost' && !name.endsWith('.localhost')) return lookupName(name, options, done)
  if (options.all) done(null, [LOOPBACK])
  else done(null, LOOPBACK.address, LOOPBACK.family)
}

export type Visitor = { readonly ask: (url: string) => Promise<Answered>; readonly close: () => void }

/** Somebody who asks for addresses as a browser does, leads on nowhere by itself, and keeps nothing. */
export function visitor(): Visitor {
  const [overPlain, overSecure] = [new PlainAgent({ keepAlive: true }), new SecureAgent({ keepAlive: true })]
  const ask = (url: string): Promise<Answered> =>
    new Promise((resolve, reject) => {
      const isSecure = url.startsWith('https:')
      const headers = { 'cache-control': 'no-cache', accept: '*/*' }
      const request = (isSecure ? secure : plain)(url, { agent: isSecure ? overSecure : overPlain, headers, lookup }, (response) => {
        const sum = createHash('sha256')
        let bytes = 0
        response.on('data', (part: Buffer) => {
          sum.update(part)
          bytes += part.length
        })
        response.on('error', reject)
        response.on('end', () => {
          const { location, 'content-type': type } = response.headers
          resolve({
            status: response.statusCode ?? 0,
            type: type ?? null,
            location: location === undefined ? null : new URL(location, url).href,
            hash: sum.digest('hex'),
            bytes,
          })
        })
      })
      request.setTimeout(QUIET_MS, () => request.destroy(new Error(`no answer within ${QUIET_MS / 1000} s`)))
      request.on('error', reject)
      request.end()
    })
  const close = (): void => {
    overPlain.destroy()
    overSecure.destroy()
  }
  return { ask, close }
}
