import type { DnsRecord } from './dns-answer'

/** A CAA record's three parts (RFC 8659, 4.1). */
export type Caa = { readonly isCritical: boolean; readonly tag: string; readonly value: string }

/** Reads `0 issue "authority.example"`, as zones and name servers write it; null where it is none. */
export function readCaa(text: string): Caa | null {
  const [, flags = '', tag = '', value = ''] = /^(\d{1,3}) ([a-z0-9]{1,15}) "([^"]{0,1000})"$/i.exec(text) ?? []
  return tag === '' ? null : { isCritical: Number(flags) >= 128, tag: tag.toLowerCase(), value }
}

/**
 * Whether an authority may give a certificate for a name, by the CAA records that count for it (RFC 8659, 4.2): where none says `issue`,
 * any may; one that is critical and not understood forbids it to all.
 */
export function caaAllows(records: readonly Pick<DnsRecord, 'value'>[], authority: string): boolean {
  const read = records.map(({ value }) => readCaa(value)).filter((one) => one !== null)
  if (read.some(({ isCritical, tag }) => isCritical && !['issue', 'issuewild', 'iodef'].includes(tag))) return false
  const issue = read.filter(({ tag }) => tag === 'issue')
  return issue.length === 0 || issue.some(({ value }) => value.split(';')[0]?.trim().toLowerCase() === authority.toLowerCase())
}

/** Where CAA records are looked for: at a name, then at each above it (RFC 8659, 3). */
export function caaNames(name: string): string[] {
  const parts = name.split('.')
  return parts.map((_, at) => parts.slice(at).join('.'))
}
