import { createHash } from 'node:crypto'
import { lookup as lookupName, type LookupAddress } from 'node:dns'
import { Agent as PlainAgent, request as plain } from 'node:http'
import { Agent as SecureAgent, request as secure } from 'node:https'
import type { LookupFunction } from 'node:net'
import type { Answered } from '../../core/release'
import { numbersOf } from '../domains/look-up'
import { dnsSettings } from '../domains/settings'
import { trusted } from '../domains/trusted'

const QUIET_MS = 10_000
const LOOPBACK = '127.0.0.1'

/** Names under `localhost` are this machine, whatever its resolver says (RFC 6761, 6.3); others as our name servers have it. */
const lookup: LookupFunction = (name, options, done) => {
  const tell = (address: string): void => {
    const found: LookupAddress = { address, family: address.includes(':') ? 6 : 4 }
    if (options.all) done(null, [found])
    else done(null, found.address, found.family)
  }
  if (name === 'localhost' || name.endsWith('.localhost')) return tell(LOOPBACK)
  if (!dnsSettings().isOwn) return lookupName(name, options, done)
  void numbersOf(name).then(([address]) => (address === undefined ? done(new Error(`${name} leads nowhere`), '', 0) : tell(address)))
}

export type Visitor = { readonly ask: (url: string) => Promise<Answered>; readonly close: () => void }

/** Somebody who asks for addresses as a browser does, leads on nowhere by itself, and keeps nothing. */
export function visitor(): Visitor {
  const [overPlain, overSecure] = [new PlainAgent({ keepAlive: true }), new SecureAgent({ keepAlive: true, ca: trusted() })]
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
