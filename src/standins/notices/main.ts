import { Resolver } from 'node:dns/promises'
import { readFileSync } from 'node:fs'
import { request as plain } from 'node:http'
import { request as secure } from 'node:https'
import { noticesStandIn, type Ask } from './server'

/**
 * Starts a search engine that takes notices of change, on this computer only. Names under `localhost` are this computer; others are asked
 * of the name servers of NOTICES_DNS, and believed by the certificate in NOTICES_ROOT.
 */
const { NOTICES_PORT = '4391', NOTICES_DNS, NOTICES_ROOT } = process.env
const QUIET_MS = 5000

async function addressOf(name: string): Promise<string> {
  if (name === 'localhost' || name.endsWith('.localhost') || !NOTICES_DNS) return '127.0.0.1'
  const resolver = new Resolver()
  resolver.setServers([NOTICES_DNS])
  return (await resolver.resolve4(name))[0] ?? '127.0.0.1'
}

const ask: Ask = async (url) => {
  const { protocol, hostname } = new URL(url)
  const address = await addressOf(hostname).catch(() => null)
  if (address === null) return null
  const isSecure = protocol === 'https:'
  const root = isSecure && NOTICES_ROOT ? { ca: readFileSync(NOTICES_ROOT) } : {}
  return new Promise((resolve) => {
    const lookup = (_: string, options: { all?: boolean }, done: (error: null, found: unknown, family?: number) => void): void =>
      options.all ? done(null, [{ address, family: 4 }]) : done(null, address, 4)
    const asked = (isSecure ? secure : plain)(url, { ...root, lookup: lookup as never, timeout: QUIET_MS }, (response) => {
      let text = ''
      response.setEncoding('utf8').on('data', (part: string) => {
        if (text.length < 1000) text += part
      })
      response.on('end', () => resolve(response.statusCode === 200 ? text : null))
    })
    asked.on('timeout', () => asked.destroy()).on('error', () => resolve(null))
    asked.end()
  })
}

noticesStandIn(ask).listen(Number(NOTICES_PORT), '127.0.0.1', () => {
  console.log(`A search engine that takes notices of change: http://localhost:${NOTICES_PORT}`)
})
