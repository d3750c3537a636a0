import * as v from 'valibot'
import type { Manifest } from '../../../core/release'
import { Problem } from '../../problems'
import { webHostSettings } from './settings'

const TIMEOUT_MS = 20_000
const siteSchema = v.object({ owner: v.string(), release: v.nullable(v.string()) })
const missingSchema = v.object({ missing: v.array(v.string()) })

/** The site under a label, or null where the label is free. */
export async function findHostedSite(label: string): Promise<v.InferOutput<typeof siteSchema> | null> {
  const response = await call('GET', `/sites/${label}`)
  return response.status === 404 ? null : v.parse(siteSchema, await read(response))
}

export async function claimSite(label: string, owner: string): Promise<void> {
  const response = await call('PUT', `/sites/${label}`, JSON.stringify({ owner }))
  if (response.status === 409) throw new Problem('addressTaken', { name: label })
  await read(response)
}

/** Sends visitors of an earlier address on to the new one. */
export async function moveSite(label: string, to: string): Promise<void> {
  await read(await call('POST', `/sites/${label}/move`, JSON.stringify({ to })))
}

/** Tells the host of a release; answers with the hashes of the content that it does not have yet. */
export async function announceRelease(label: string, id: string, manifest: Manifest): Promise<readonly string[]> {
  return v.parse(missingSchema, await read(await call('POST', `/sites/${label}/releases`, JSON.stringify({ id, manifest })))).missing
}

export async function sendContent(hash: string, content: Buffer): Promise<void> {
  await read(await call('PUT', `/blobs/${hash}`, new Uint8Array(content)))
}

/** Switches visitors to a release whose content is all there. */
export async function activateRelease(label: string, id: string): Promise<void> {
  await read(await call('POST', `/sites/${label}/releases/${id}/activate`))
}

async function call(method: string, path: string, body?: string | Uint8Array<ArrayBuffer>): Promise<Response> {
  const { controlUrl, token } = webHostSettings()
  try {
    return await fetch(controlUrl + path, { method, ...(body === undefined ? {} : { body }), headers: { authorization: `Bearer ${token}` }, signal: AbortSignal.timeout(TIMEOUT_MS), cache: 'no-store' })
  } catch (error) {
    const name = error instanceof Error ? error.name : ''
    throw new Problem('hostDown', { fault: name === 'TimeoutError' ? `no answer within ${TIMEOUT_MS / 1000} s` : 'connection refused or broken off' }, { cause: error })
  }
}

async function read(response: Response): Promise<unknown> {
  const body: unknown = await response.json().catch(() => null)
  if (response.ok) return body
  if (response.status === 507) throw new Problem('hostFull')
  const fault = v.is(v.object({ error: v.string() }), body) ? body.error : `status ${response.status}`
  throw new Problem('hostRefused', { fault })
}
