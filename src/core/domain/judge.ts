import { caaAllows, caaNames } from './caa'
import type { DomainName } from './domain-name'
import { ttlOf, valuesOf, question, recordsAt, type DnsAnswer, type DnsLookup } from './dns-answer'
import type { HostPlace, WantedRecord } from './records'

/**
 * How a record stands: `cached` where it is set right and some name server still says what it was told before, until a time;
 * `unknown` where the domain's own name servers do not say.
 */
export type RecordState = 'right' | 'missing' | 'wrong' | 'cached' | 'unknown'
export type Judged = WantedRecord & {
  readonly state: RecordState
  readonly said: string
  /** When the last name server has forgotten what it was told before, in ms since 1970. */
  readonly untilMs: number | null
}

/** How each wanted record stands by what was looked up; the CAA record is wanted only where those there forbid our authority. */
export function judgeRecords(
  wanted: readonly WantedRecord[],
  looked: DnsLookup,
  domain: DomainName,
  host: HostPlace,
  authority: string,
): Judged[] {
  const judged = wanted
    .map((record) => judge(record, looked, host))
    .filter((one) => one.values.length > 0 || one.state === 'wrong' || one.state === 'cached')
  const names = domain.other === null ? [domain.name] : [domain.name, domain.other]
  return [...judged, ...forbidden(names, looked, authority)]
}

/** Whether visitors get to our host, wherever they ask, and it is proved whose the domain is. */
export function isReady(judged: readonly Judged[]): boolean {
  return judged.length > 0 && judged.every(({ state }) => state === 'right' || state === 'cached')
}

/** Whether it is proved whose the domain is. */
export function isProved(judged: readonly Judged[]): boolean {
  return judged.some(({ role, state }) => role === 'proof' && (state === 'right' || state === 'cached'))
}

type Verdict = { readonly state: 'right' | 'missing' | 'wrong' | 'unknown'; readonly said: string; readonly ttlS: number }

function judge(record: WantedRecord, looked: DnsLookup, host: HostPlace): Judged {
  const verdicts = looked.servers.map((server) => ({ server, verdict: verdictOf(record, server.answers, host) }))
  const own = verdicts.filter(({ server }) => server.kind === 'own')
  const visitors = verdicts.filter(({ server }) => server.kind === 'visitors')
  const judgedAs = (state: RecordState, said: string, untilMs: number | null = null): Judged => ({ ...record, state, said, untilMs })
  const answered = own.filter(({ verdict }) => verdict.state !== 'unknown')
  if (answered.length === 0) return judgedAs('unknown', own[0]?.verdict.said ?? noServers(looked))
  const bad = answered.find(({ verdict }) => verdict.state !== 'right')
  if (bad)
    return judgedAs(bad.verdict.state, bad.verdict.said + uneven(answered.map(({ server, verdict }) => [server.name, verdict.state])))
  const late = visitors.filter(({ verdict }) => verdict.state === 'missing' || verdict.state === 'wrong')
  if (late.length > 0) {
    const untilMs = looked.atMs + Math.max(...late.map(({ verdict }) => verdict.ttlS)) * 1000
    return judgedAs(
      'cached',
      `Set right. ${late.length} of ${visitors.length} name servers that visitors ask still say what was there before.`,
      untilMs,
    )
  }
  const silent = visitors.filter(({ verdict }) => verdict.state === 'unknown')
  return judgedAs(
    'right',
    silent.length > 0 ? `Set right. ${silent.map(({ server }) => server.name).join(', ')} did not answer.` : 'Set right.',
  )
}

function noServers({ fault }: DnsLookup): string {
  return fault === null ? NO_SERVERS : `Its name servers cannot be found out: ${fault}.`
}

const NO_SERVERS =
  'No name server says that it knows this domain. Is it registered, and not run out? Where it was registered today, it takes up to a day.'

/** Where the domain's own name servers are not of one mind. */
function uneven(states: readonly (readonly [name: string, state: string])[]): string {
  const right = states.filter(([, state]) => state === 'right').map(([name]) => name)
  return right.length === 0 ? '' : ` ${right.join(' and ')} has it already: it goes from one to the other within the hour.`
}

function verdictOf(record: WantedRecord, answers: ReadonlyMap<string, DnsAnswer>, host: HostPlace): Verdict {
  switch (record.type) {
    case 'A':
    case 'AAAA':
      return numbersVerdict(record, answers.get(question(record.type, record.name)))
    case 'CNAME':
      return leadsVerdict(record, answers.get(question('A', record.name)), answers.get(question('AAAA', record.name)), host)
    case 'TXT':
    case 'CAA':
      return wordsVerdict(record, answers.get(question(record.type, record.name)))
    default:
      return record.type satisfies never
  }
}

const missing = (found: DnsAnswer | undefined, said: string): Verdict => ({ state: 'missing', said, ttlS: ttlOf(found) })
const wrong = (found: DnsAnswer | undefined, said: string): Verdict => ({ state: 'wrong', said, ttlS: ttlOf(found) })
const right = (found: DnsAnswer | undefined): Verdict => ({ state: 'right', said: '', ttlS: ttlOf(found) })
const unknown = (found: DnsAnswer | undefined): Verdict => ({
  state: 'unknown',
  said: found?.state === 'failed' ? `Its name server does not say: ${found.why}.` : 'It was not looked up.',
  ttlS: 0,
})

/** A domain's own numbers, wherever they come from: an ALIAS is answered with numbers too. */
function numbersVerdict({ name, type, values }: WantedRecord, found: DnsAnswer | undefined): Verdict {
  if (!found || found.state === 'failed') return unknown(found)
  const [cname] = recordsAt(found, name, 'CNAME')
  if (cname) {
    const set = `A CNAME to ${cname.value} is set for the domain itself, which cannot have one: mail may be lost`
    return wrong(found, `${set}. Remove it, and set the number${values.length === 1 ? '' : 's'}.`)
  }
  const there = valuesOf(found, type)
  const foreign = there.filter((value) => !values.includes(value))
  if (foreign.length > 0)
    return wrong(found, `${type} ${foreign.join(' and ')} leads to another server: remove ${foreign.length > 1 ? 'them' : 'it'}.`)
  if (values.some((value) => !there.includes(value))) return missing(found, `No ${type} record with ${listed(values)} is set.`)
  return right(found)
}

/** A name that leads on: by a CNAME to our host, or by its very numbers. */
function leadsVerdict({ name, values }: WantedRecord, a: DnsAnswer | undefined, aaaa: DnsAnswer | undefined, host: HostPlace): Verdict {
  const failed = [a, aaaa].find((found) => !found || found.state === 'failed')
  if (!a || !aaaa || failed) return unknown(failed)
  const cname = [...recordsAt(a, name, 'CNAME'), ...recordsAt(aaaa, name, 'CNAME')]
  if (cname.some(({ value }) => values.includes(value))) return right(a)
  if (cname[0]) return wrong(a, `It is a CNAME to ${cname[0].value}. Change it to ${listed(values)}.`)
  const there = [...recordsAt(a, name, 'A'), ...recordsAt(aaaa, name, 'AAAA')]
  if (there.length === 0) return missing(a, 'Nothing is set for this name.')
  const ours = new Set([...host.a, ...host.aaaa])
  const foreign = there.filter(({ value }) => !ours.has(value))
  if (foreign.length === 0 && host.a.every((value) => there.some((one) => one.value === value))) return right(a)
  const toGo = foreign.length > 0 ? foreign : there
  const [are, them] = toGo.length > 1 ? ['are', 'them'] : ['is', 'it']
  const set = toGo.map(({ type, value }) => `${type} ${value}`).join(' and ')
  return wrong(a, `${set} ${are} set. Remove ${them} first: a CNAME cannot share its name with other records.`)
}

function wordsVerdict({ name, type, values }: WantedRecord, found: DnsAnswer | undefined): Verdict {
  if (!found || found.state === 'failed') return unknown(found)
  const there = valuesOf(found, type)
  if (values.every((value) => there.includes(value))) return right(found)
  const [cname] = recordsAt(found, name, 'CNAME')
  if (cname)
    return wrong(
      found,
      `It is answered by a CNAME to ${cname.value}, set for this name or by a wildcard. This record goes before a wildcard.`,
    )
  if (there.length === 0) return missing(found, 'Nothing is set for this name.')
  return wrong(found, `Something else is set: ${listed(there)}. Set this one beside it, or in its place.`)
}

/** Names whose CAA records forbid our authority, each at the name where those records stand. */
function forbidden(names: readonly string[], looked: DnsLookup, authority: string): Judged[] {
  const own = looked.servers.find(({ kind, answers }) => kind === 'own' && answers.size > 0)
  const at = new Map<string, readonly string[]>()
  for (const name of names) {
    const where = caaNames(name).find((one) => valuesOf(own?.answers.get(question('CAA', one)), 'CAA').length > 0)
    const found = where && own?.answers.get(question('CAA', where))
    if (found && found.state === 'records') {
      const records = found.records.filter(({ type }) => type === 'CAA')
      if (!caaAllows(records, authority))
        at.set(
          where,
          records.map(({ value }) => value),
        )
    }
  }
  return [...at].map(([name, values]) => ({
    role: 'authority',
    name,
    type: 'CAA',
    values: [`0 issue "${authority}"`],
    why: 'The domain says which authorities may give certificates for it, and ours is not among them. Without one there is no HTTPS.',
    instead: null,
    state: 'wrong',
    said: `There: ${values.join(' and ')}. Set this one beside ${values.length > 1 ? 'them' : 'it'}.`,
    untilMs: null,
  }))
}

function listed(values: readonly string[]): string {
  return values.join(' and ')
}
