/** One record as a name server gave it. Names have no dot at their end; `ttlS` is how long it may be kept, in seconds. */
export type DnsRecord = { readonly name: string; readonly type: string; readonly value: string; readonly ttlS: number }

/** What a name server answered to one question. */
export type DnsAnswer =
  | { readonly state: 'records'; readonly records: readonly DnsRecord[] }
  /** The name is there without such records, or is not there at all; kept for so long (RFC 2308). */
  | { readonly state: 'none'; readonly isName: boolean; readonly ttlS: number }
  | { readonly state: 'failed'; readonly why: string }

/** A name server: the domain's own, where records are set, or one that visitors ask and that keeps what it was told. */
export type NameServer = { readonly name: string; readonly kind: 'own' | 'visitors' }

/** What each name server answered, by the question, `A www.example.com`. */
export type DnsLookup = {
  readonly atMs: number
  readonly servers: readonly (NameServer & { readonly answers: ReadonlyMap<string, DnsAnswer> })[]
  /** Why the domain's own name servers could not be asked for; null where they were found, or there are none. */
  readonly fault: string | null
  /** What any name under the domain is answered with, where somebody set a wildcard (RFC 4592). */
  readonly wildcard: readonly DnsRecord[]
}

export function question(type: string, name: string): string {
  return `${type} ${name}`
}

/** The records of a type in an answer that stand at a name itself, whatever it leads on to. */
export function recordsAt(found: DnsAnswer | undefined, name: string, type: string): readonly DnsRecord[] {
  return found?.state === 'records' ? found.records.filter((one) => one.type === type && one.name === name) : []
}

/** Where an answer leads in the end: its values of a type, at whatever name. */
export function valuesOf(found: DnsAnswer | undefined, type: string): readonly string[] {
  return found?.state === 'records' ? found.records.filter((one) => one.type === type).map((one) => one.value) : []
}

/** How long an answer may be kept, in seconds. */
export function ttlOf(found: DnsAnswer | undefined): number {
  if (found?.state === 'records') return Math.min(...found.records.map((one) => one.ttlS))
  return found?.state === 'none' ? found.ttlS : 0
}
