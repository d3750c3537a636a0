import type { WantedRecord } from './records'

/** How long name servers may keep the records that we ask for, in seconds: an hour. */
export const TTL_S = 3600
/** How many bytes a string of a TXT record holds at most (RFC 1035, 3.3.14). */
const MOST_TXT = 255

/** A record's name as a registrar's form wants it: without the domain, `@` for the domain itself. */
export function nameUnder(name: string, registrable: string): string {
  return name === registrable ? '@' : name.endsWith(`.${registrable}`) ? name.slice(0, -registrable.length - 1) : `${name}.`
}

/** A record's value as a zone file has it (RFC 1035, 5.1): names end with a dot, words stand in quotation marks. */
export function zoneValue(type: WantedRecord['type'], value: string): string {
  if (type === 'CNAME') return `${value}.`
  if (type !== 'TXT') return value
  const parts = value.match(new RegExp(`[^]{1,${MOST_TXT}}`, 'g')) ?? ['']
  return parts.map((part) => `"${part.replaceAll(/["\\]/g, '\\$&')}"`).join(' ')
}

/** Records as a piece of a zone file (RFC 1035, 5), for whoever keeps one. */
export function zoneSnippet(records: readonly WantedRecord[], registrable: string): string {
  const lines = records.flatMap(({ name, type, values }) =>
    values.map((value) => [nameUnder(name, registrable), 'IN', type, zoneValue(type, value)] as const),
  )
  const [wide, typeWide] = [Math.max(...lines.map(([name]) => name.length)), Math.max(...lines.map(([, , type]) => type.length))]
  const rows = lines.map(([name, kind, type, value]) => `${name.padEnd(wide)}  ${kind}  ${type.padEnd(typeWide)}  ${value}`)
  return [`$ORIGIN ${registrable}.`, `$TTL ${TTL_S}`, ...rows, ''].join('\n')
}
