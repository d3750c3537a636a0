import { getServers } from 'node:dns'
import { isIP } from 'node:net'

/** A name server that can be asked: its number, and the port (53 on the internet). */
export type At = { readonly address: string; readonly port: number }

/**
 * The name servers that we ask as visitors do: those of INSTANT_FIT_DNS (`192.0.2.1,192.0.2.2:5353`), else those of this computer. A
 * domain's own ones are found from there, and asked on INSTANT_FIT_DNS_PORT.
 */
export function dnsSettings(): { readonly visitors: readonly At[]; readonly port: number; readonly isOwn: boolean } {
  const { INSTANT_FIT_DNS, INSTANT_FIT_DNS_PORT = '53' } = process.env
  const port = Number(INSTANT_FIT_DNS_PORT)
  const listed = INSTANT_FIT_DNS?.split(',').map((one) => one.trim()) ?? getServers()
  return { visitors: listed.filter((one) => one !== '').map((one) => readAt(one, port)), port, isOwn: INSTANT_FIT_DNS !== undefined }
}

function readAt(text: string, port: number): At {
  if (isIP(text)) return { address: text, port }
  const [, address = text, typed = String(port)] = /^\[?(.+?)\]?:(\d{1,5})$/.exec(text) ?? []
  return { address, port: Number(typed) }
}

/**
 * The authority that gives certificates (RFC 8555): where its directory is, how CAA records call it (RFC 8659), and, where no computer
 * believes it by itself, the file of its own certificate.
 */
export type AuthoritySettings = { readonly directoryUrl: string; readonly caaName: string; readonly rootFile: string | null }
export function authoritySettings(): AuthoritySettings {
  const { AUTHORITY_DIRECTORY = 'https://localhost:4390/directory', AUTHORITY_NAME = 'authority.test', AUTHORITY_ROOT } = process.env
  return { directoryUrl: AUTHORITY_DIRECTORY, caaName: AUTHORITY_NAME, rootFile: AUTHORITY_ROOT ?? null }
}
