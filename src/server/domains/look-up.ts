import { randomBytes } from 'node:crypto'
import PQueue from 'p-queue'
import {
  caaNames,
  valuesOf,
  proofName,
  question,
  recordsAt,
  type DomainName,
  type DnsAnswer,
  type DnsRecord,
  type HostPlace,
  type DnsLookup,
  type NameServer,
} from '../../core/domain'
import { ask, type Asked, type QuestionType } from './ask'
import { dnsSettings, type At } from './settings'

/** How many questions are on their way at a time, and how many of a domain's own name servers are asked. */
const AT_ONCE = 8
const MOST_OWN = 4

type Server = NameServer & { readonly at: At }

/** Looks up all that counts for a domain: at its own name servers, where records are set, and at those that visitors ask. */
export async function lookUp(domain: DomainName, challenges: readonly string[], now: Date): Promise<DnsLookup> {
  const { visitors } = dnsSettings()
  const { own, fault } = await ownServers(domain)
  const servers: Server[] = [...own, ...visitors.map((at): Server => ({ name: at.address, kind: 'visitors', at }))]
  const queue = new PQueue({ concurrency: AT_ONCE })
  const questions = questionsFor(domain, challenges)
  const answered = await Promise.all(
    servers.map(async ({ name, kind, at }) => {
      const found = await Promise.all(
        questions.map(async ([type, asked]) => {
          const answer = await queue.add(() => ask(at, type, asked))
          return [question(type, asked), kind === 'own' ? ofItsOwn(answer) : answer.found] as const
        }),
      )
      return { name, kind, answers: new Map<string, DnsAnswer>(found) }
    }),
  )
  return { atMs: now.getTime(), servers: answered, fault, wildcard: await wildcardOf(domain, servers) }
}

/** What one of the domain's own name servers knows; one that answers for others only is listed by mistake (RFC 1912, 2.8). */
function ofItsOwn({ found, isOwn }: Asked): DnsAnswer {
  return isOwn || found.state === 'failed' ? found : { state: 'failed', why: 'it is listed for this domain and does not know it itself' }
}

function questionsFor(domain: DomainName, challenges: readonly string[]): (readonly [QuestionType, string])[] {
  const names = domain.other === null ? [domain.name] : [domain.name, domain.other]
  const numbers = names.flatMap((name): (readonly [QuestionType, string])[] => [
    ['A', name],
    ['AAAA', name],
  ])
  const words = [proofName(domain), ...challenges].map((name): readonly [QuestionType, string] => ['TXT', name])
  const authorities = [...new Set(names.flatMap(caaNames))].map((name): readonly [QuestionType, string] => ['CAA', name])
  return [...numbers, ...words, ...authorities]
}

/** What a name is answered with that nobody can have set: a wildcard. */
async function wildcardOf({ registrable }: DomainName, servers: readonly Server[]): Promise<readonly DnsRecord[]> {
  const own = servers.find(({ kind }) => kind === 'own')
  if (!own) return []
  const { found } = await ask(own.at, 'A', `x${randomBytes(6).toString('hex')}.${registrable}`)
  return found.state === 'records' ? found.records : []
}

/**
 * The name servers that a domain's owner has named, from the place where its zone begins: the first name from the whole one upwards that
 * has NS records. `fault` says why they are not known, where nobody would tell.
 */
async function ownServers({ name, registrable }: DomainName): Promise<{ readonly own: readonly Server[]; readonly fault: string | null }> {
  const within = caaNames(name).filter((one) => one === registrable || one.endsWith(`.${registrable}`))
  let fault: string | null = null
  for (const zone of within) {
    const found = await askVisitors('NS', zone)
    if (found.state === 'failed') fault = found.why
    const names = recordsAt(found, zone, 'NS').map(({ value }) => value)
    if (names.length === 0) continue
    const own = (await Promise.all(names.slice(0, MOST_OWN).map(serverNamed))).filter((one) => one !== null)
    return { own, fault: own.length === 0 ? `no number is to be found for ${names.join(' and ')}` : null }
  }
  return { own: [], fault }
}

async function serverNamed(name: string): Promise<Server | null> {
  const [address] = await numbersOf(name)
  return address === undefined ? null : { name, kind: 'own', at: { address, port: dnsSettings().port } }
}

/** Every number that a name stands for, as visitors find it. */
export async function numbersOf(name: string): Promise<string[]> {
  const a = valuesOf(await askVisitors('A', name), 'A')
  return [...a, ...valuesOf(await askVisitors('AAAA', name), 'AAAA')]
}

/** Where our host is, by its own name. */
export async function hostPlace(name: string): Promise<HostPlace> {
  const numbers = await numbersOf(name)
  return { name, a: numbers.filter((one) => !one.includes(':')), aaaa: numbers.filter((one) => one.includes(':')) }
}

/** The first answer that one of the name servers gives that visitors ask. */
async function askVisitors(type: QuestionType, name: string): Promise<DnsAnswer> {
  let last: DnsAnswer = { state: 'failed', why: 'there is no name server to ask' }
  for (const at of dnsSettings().visitors) {
    last = (await ask(at, type, name)).found
    if (last.state !== 'failed') return last
  }
  return last
}
