import type { Judged } from './judge'
import { nameUnder, zoneValue } from './zone'

/** A client's domain as the screen shows it; times as ISO 8601. */
export type DomainView = {
  readonly name: string
  readonly shown: string
  readonly other: string | null
  readonly registrable: string
  readonly origin: string
  /** The job's address is this domain. */
  readonly isAddress: boolean
  readonly hsts: boolean
  readonly certificate: { readonly notAfter: string; readonly renewFrom: string; readonly isOver: boolean } | null
  readonly isAskedByDns: boolean
  /** Why there is no newer certificate. */
  readonly fault: string | null
}

/** A record as a registrar's form wants it: its name without the domain, and each value as it is typed there. */
export type RecordLine = Judged & { readonly under: string; readonly typed: readonly string[] }

export function recordLine(judged: Judged, registrable: string): RecordLine {
  const { name, type, values } = judged
  return { ...judged, under: nameUnder(name, registrable), typed: values.map((one) => (type === 'TXT' ? one : zoneValue(type, one))) }
}

/** How a domain's records stand, with what is to be handed to whoever looks after it. */
export type DomainLook = {
  readonly atMs: number
  readonly records: readonly RecordLine[]
  readonly isReady: boolean
  readonly isProved: boolean
  /** How each name server is called that was asked, and whose it is. */
  readonly servers: readonly { readonly name: string; readonly kind: 'own' | 'visitors' }[]
  readonly wildcard: string | null
  readonly zone: string
  readonly mail: { readonly subject: string; readonly body: string }
}
