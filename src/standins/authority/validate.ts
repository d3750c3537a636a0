import { createHash } from 'node:crypto'
import { request } from 'node:http'
import { Resolver } from 'node:dns/promises'
import { AcmeError } from './signed'

/** Where the authority looks: name servers it asks, and the port that sites answer on (80 on the internet). */
export type Looking = { readonly dns: readonly string[]; readonly httpPort: number; readonly caaName: string }

const QUIET_MS = 5000
const MOST_BYTES = 4096

/** RFC 8555, 8.3: the site itself shows the answer, by HTTP. */
export async function byHttp(looking: Looking, name: string, token: string, answer: string): Promise<void> {
  const [address] = await resolver(looking)
    .resolve4(name)
    .catch(() => [])
  if (address === undefined) throw new AcmeError(400, 'dns', `No A record found for ${name}.`)
  const url = { host: address, port: looking.httpPort, path: `/.well-known/acme-challenge/${token}`, headers: { host: name } }
  const found = await new Promise<{ status: number; text: string }>((resolve, reject) => {
    const asking = request(url, (response) => {
      let text = ''
      response.on('data', (part: Buffer) => {
        text += part.toString('latin1')
        if (text.length > MOST_BYTES) asking.destroy(new Error('too long'))
      })
      response.on('end', () => resolve({ status: response.statusCode ?? 0, text: text.trimEnd() }))
      response.on('error', reject)
    })
    asking.setTimeout(QUIET_MS, () => asking.destroy(new Error('no answer')))
    asking.on('error', reject)
    asking.end()
  }).catch((error: Error) => {
    throw new AcmeError(400, 'connection', `${name} at ${address} cannot be reached: ${error.message}.`)
  })
  if (found.status !== 200 || found.text !== answer)
    throw new AcmeError(403, 'unauthorized', `${name} at ${address} shows something else (status ${found.status}).`)
}

/** RFC 8555, 8.4: a TXT record shows the answer's hash. */
export async function byDns(looking: Looking, name: string, _: string, answer: string): Promise<void> {
  const wanted = createHash('sha256').update(answer).digest('base64url')
  const found = await resolver(looking)
    .resolveTxt(`_acme-challenge.${name}`)
    .catch(() => [])
  if (found.some((parts) => parts.join('') === wanted)) return
  throw new AcmeError(403, 'unauthorized', `No TXT record of _acme-challenge.${name} shows the answer; ${found.length} found.`)
}

/** RFC 8659, 3: whether the domain lets this authority give certificates for it. */
export async function checkCaa(looking: Looking, name: string): Promise<void> {
  const parts = name.split('.')
  for (const at of parts.keys()) {
    const found = await resolver(looking)
      .resolveCaa(parts.slice(at).join('.'))
      .catch(() => [])
    const issue = found.flatMap((one) => (one.issue === undefined ? [] : [one.issue.split(';')[0]?.trim()]))
    if (found.length === 0) continue
    if (issue.length > 0 && !issue.includes(looking.caaName))
      throw new AcmeError(403, 'caa', `CAA records of ${name} name other authorities.`)
    return
  }
}

function resolver({ dns }: Looking): Resolver {
  const made = new Resolver({ timeout: 2000, tries: 2 })
  made.setServers([...dns])
  return made
}
