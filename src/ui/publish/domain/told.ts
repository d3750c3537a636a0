import type { Judged, RecordState } from '@/core/domain'

/** A client's domain as the server tells of it. */
export type DomainLine = {
  readonly name: string
  readonly shown: string
  readonly other: string | null
  readonly registrable: string
  readonly origin: string
  readonly isAddress: boolean
  readonly hsts: boolean
  readonly certificate: { readonly notAfter: string; readonly renewFrom: string; readonly isOver: boolean } | null
  readonly isAskedByDns: boolean
  readonly fault: string | null
}

export type DomainLook = {
  readonly atMs: number
  readonly records: readonly Judged[]
  readonly isReady: boolean
  readonly isProved: boolean
  readonly servers: readonly { readonly name: string; readonly kind: 'own' | 'visitors' }[]
  readonly wildcard: string | null
  readonly zone: string
  readonly mail: { readonly subject: string; readonly body: string }
}

export const SIGNS: Readonly<Record<RecordState, string>> = { right: '✓', cached: '◷', missing: '+', wrong: '✕', unknown: '?' }
export const STATES: Readonly<Record<RecordState, string>> = {
  right: 'right',
  cached: 'right, not everywhere yet',
  missing: 'to be set',
  wrong: 'to be changed',
  unknown: 'not known',
}
