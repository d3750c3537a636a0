import * as v from 'valibot'
import type { Adapter, CallOptions, Delivery } from '../destination'
import { toDestinationError } from './errors'
import { siteOrigin, webHostSettings } from './settings'

const siteSchema = v.object({ owner: v.string(), release: v.nullable(v.string()) })
const alikeSchema = v.object({ owner: v.string(), alike: v.string() })
const missingSchema = v.object({ missing: v.array(v.string()) })

/** Our own web host: sites by host name, content by hash, and a switch in one step. */
export const webHost: Adapter = {
  kind: 'web-host',
  capabilities: {
    canSwitchAtomically: true,
    isSeenAtOnce: true,
    canRedirect: true,
    canLeadOn: true,
    givesAddresses: true,
    keepsContent: true,
  },
  originOf: siteOrigin,
  find: async (address, options) => {
    const response = await call('GET', `/sites/${address}`, options)
    if (response.status !== 404) return v.parse(siteSchema, await read(response))
    const alike = v.safeParse(alikeSchema, await response.json().catch(() => null))
    return alike.success ? { ...alike.output, release: null } : null
  },
  claim: async (address, owner, options) => void (await read(await call('PUT', `/sites/${address}`, options, JSON.stringify({ owner })))),
  deliver: async (address, id, manifest, options) => {
    const asked = JSON.stringify({ id, manifest })
    const { missing } = v.parse(missingSchema, await read(await call('POST', `/sites/${address}/releases`, options, asked)))
    return {
      missing,
      send,
      activate: async (_, now) => void (await read(await call('POST', `/sites/${address}/releases/${id}/activate`, now))),
    }
  },
  redirect: async (from, to, options) => void (await read(await call('POST', `/sites/${from}/move`, options, JSON.stringify({ to })))),
  files: null,
}

const send: Delivery['send'] = async (hash, content, options) =>
  void (await read(await call('PUT', `/blobs/${hash}`, options, new Uint8Array(content))))

export function call(
  method: string,
  path: string,
  { signal }: Pick<CallOptions, 'signal'>,
  body?: string | Uint8Array<ArrayBuffer>,
): Promise<Response> {
  const { controlUrl, token } = webHostSettings()
  const headers = { authorization: `Bearer ${token}` }
  return fetch(controlUrl + path, { method, ...(body === undefined ? {} : { body }), headers, signal, cache: 'no-store' })
}

export async function read(response: Response): Promise<unknown> {
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return body
  throw toDestinationError(response.status, body)
}
