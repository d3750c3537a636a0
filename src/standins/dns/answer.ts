import type { Answer, StringAnswer } from 'dns-packet'
import type { Zone, ZoneRecord, Zones } from './zones'

export type Reply = { readonly code: 0 | 2 | 3 | 5; readonly answers: readonly Answer[]; readonly authorities: readonly Answer[] }

/** How long a “none” is kept, in seconds (RFC 2308). */
const NONE_S = 60
/** How far one CNAME leads on to the next. */
const MOST_STEPS = 8

/**
 * What the zones' own name server says (RFC 1034, 4.3.2): the records of a name, where a CNAME leads, what a wildcard stands for
 * (RFC 4592), or that there is none.
 */
export function answerFrom(zones: Zones, ns: string, asked: string, type: string, steps = MOST_STEPS): Reply {
  const name = asked.toLowerCase().replace(/\.$/, '')
  const zoneName = zones.zoneOf(name)
  const zone = zoneName === null ? undefined : zones.get(zoneName)
  if (zoneName === null || !zone) return { code: 5, answers: [], authorities: [] }
  if (zone.fails) return { code: 2, answers: [], authorities: [] }
  const soa = soaOf(zoneName, ns)
  if (name === zoneName && type === 'NS') return { code: 0, answers: [{ name, type: 'NS', ttl: 3600, data: ns }], authorities: [] }
  if (name === zoneName && type === 'SOA') return { code: 0, answers: [soa], authorities: [] }
  const at = standingAt(zone, name, zoneName)
  if (at === null) return { code: 3, answers: [], authorities: [soa] }
  const here = at.filter((one) => one.type === type).map((one) => toAnswer(name, one))
  if (here.length > 0) return { code: 0, answers: here, authorities: [] }
  const cname = at.find((one) => one.type === 'CNAME')
  if (!cname) return { code: 0, answers: [], authorities: [soa] }
  const on: Reply = steps > 0 ? answerFrom(zones, ns, cname.value, type, steps - 1) : { code: 2, answers: [], authorities: [] }
  return { ...on, code: on.code === 5 ? 0 : on.code, answers: [toAnswer(name, cname), ...on.answers] }
}

/** The records at a name, or those of the wildcard that stands for it; null where there is neither. */
function standingAt({ records }: Zone, name: string, zone: string): readonly ZoneRecord[] | null {
  const own = records.filter((one) => one.name === name)
  if (own.length > 0 || name === zone || records.some((one) => one.name.endsWith(`.${name}`))) return own
  const above = name.split('.').slice(1).join('.')
  const wild = records.filter((one) => one.name === `*.${above}`)
  if (wild.length > 0) return wild
  return above.length > zone.length && !records.some((one) => one.name === above)
    ? standingAt({ records, fails: false }, above, zone)
    : null
}

function toAnswer(name: string, { type, value, ttl }: ZoneRecord): Answer {
  switch (type) {
    case 'TXT':
      return { name, type, ttl, data: value.match(/[^]{1,255}/g) ?? [''] }
    case 'CAA': {
      const [, flags = '0', tag = 'issue', text = ''] = /^(\d+) (\w+) "(.*)"$/.exec(value) ?? []
      return { name, type, ttl, data: { flags: Number(flags), tag: tag as 'issue', value: text } }
    }
    case 'MX': {
      const [preference = '10', exchange = ''] = value.split(' ')
      return { name, type, ttl, data: { preference: Number(preference), exchange } }
    }
    default:
      return { name, type, ttl, data: value.replace(/\.$/, '') } satisfies StringAnswer
  }
}

function soaOf(zone: string, ns: string): Answer {
  const data = { mname: ns, rname: `hostmaster.${zone}`, serial: 1, refresh: 3600, retry: 600, expire: 604_800, minimum: NONE_S }
  return { name: zone, type: 'SOA', ttl: NONE_S, data }
}
