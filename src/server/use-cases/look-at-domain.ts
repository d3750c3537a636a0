import * as v from 'valibot'
import {
  domainMail,
  domainOf,
  isProved,
  isReady,
  judgeRecords,
  recordLine,
  wantedRecords,
  zoneSnippet,
  type DomainLook,
  type HostPlace,
  type DnsLookup,
} from '../../core/domain'
import { factsOf } from '../../core/site'
import { destinationOf, WEB_HOST } from '../destinations/registry'
import { orProblem } from '../destinations/to-problem'
import { webHostSettings } from '../destinations/web-host/settings'
import { namesOf } from '../domains/certificates/keep'
import { askedSchema, type AskedByDns } from '../domains/certificates/order'
import { hostPlace, lookUp } from '../domains/look-up'
import { authoritySettings } from '../domains/settings'
import { jobState } from '../log/edit-log'
import { noteProved, type KeptDomain } from '../store/domains'
import { livePublication } from '../store/publications'
import { domainOfJob } from './own-domain'

/** Looks up a job's domain now. Once it is proved, its names are led to where the site is, until it is published there. */
export async function lookAtDomain(job: string): Promise<DomainLook> {
  const kept = domainOfJob(job)
  const look = await lookedUp(kept)
  if (look.isProved && kept.provedAt === null) await takeNames(kept)
  return look
}

/** The same of a domain as it is kept; nothing is changed by it. */
export async function lookedUp(kept: KeptDomain): Promise<DomainLook> {
  const domain = domainOf(kept.name)
  const challenges = askedBy(kept)?.challenges ?? []
  const [host, looked] = await Promise.all([
    hostPlace(webHostSettings().name),
    lookUp(
      domain,
      challenges.map(({ name }) => name),
      new Date(),
    ),
  ])
  const wanted = wantedRecords(domain, host, kept.proof, challenges)
  const judged = judgeRecords(wanted, looked, domain, host, authoritySettings().caaName)
  const client = factsOf(jobState(kept.job).document).name ?? domain.shown
  return {
    atMs: looked.atMs,
    records: judged.map((one) => recordLine(one, domain.registrable)),
    isReady: isReady(judged) && hasPlace(host),
    isProved: isProved(judged),
    servers: looked.servers.map(({ name, kind }) => ({ name, kind })),
    wildcard: saidOfWildcard(looked),
    zone: zoneSnippet(judged, domain.registrable),
    mail: domainMail(domain, judged, client),
  }
}

function hasPlace({ a, aaaa }: HostPlace): boolean {
  return a.length + aaaa.length > 0
}

function saidOfWildcard({ wildcard }: DnsLookup): string | null {
  const [first] = wildcard
  return first
    ? `Any name under this domain is answered with ${first.type} ${first.value}: a wildcard is set. Records of a name go before it.`
    : null
}

/** What an authority is to see by DNS for it. */
export function askedBy({ asked }: KeptDomain): AskedByDns | null {
  return asked === null ? null : v.parse(askedSchema, JSON.parse(asked))
}

/** Makes a proved domain's names this job's at the host; until a release is there, they lead to where the site is. */
export async function takeNames(kept: KeptDomain): Promise<void> {
  const to = destinationOf()
  const live = livePublication(kept.job, WEB_HOST)
  await orProblem(to, kept.name, async () => {
    for (const name of namesOf(kept)) {
      await to.claim(name, kept.job)
      if (live && live.address !== name) await to.redirect(name, live.address)
    }
  })
  noteProved(kept.name)
}
