import { randomBytes } from 'node:crypto'
import * as v from 'valibot'
import { domainOf, parseDomain, shownName, type DomainView } from '../../core/domain'
import type { DomainReply } from '../../core/replies'
import { WEB_HOST } from '../destinations/registry'
import { siteOrigin } from '../destinations/web-host/settings'
import { renewFrom } from '../domains/certificates/keep'
import { Problem } from '../problems'
import type { By } from '../people/sessions'
import { noteAudit } from '../store/audit'
import { dropDomain, findDomain, insertDomain, jobOfDomain, type KeptDomain } from '../store/domains'
import { getJob } from '../store/jobs'
import { livePublication } from '../store/publications'

export const domainSchema = v.strictObject({ name: v.pipe(v.string(), v.maxLength(300)) })
/** A job's domain as the screen shows it; what is looked up comes by itself. */
export function domainView(job: string): DomainView | null {
  const kept = findDomain(job)
  if (!kept) return null
  const { name, other, hsts, notAfter, asked, fault } = kept
  const from = renewFrom(kept)
  return {
    name,
    shown: shownName(name),
    other,
    registrable: domainOf(name).registrable,
    origin: siteOrigin(name),
    isAddress: getJob(job).address === name,
    hsts: hsts === 1,
    certificate: notAfter && from ? { notAfter, renewFrom: from.toISOString(), isOver: Date.parse(notAfter) < Date.now() } : null,
    isAskedByDns: asked !== null,
    fault,
  }
}

/** How a typed domain is read, and whether this job can have it. */
export function askDomain(job: string, typed: string): DomainReply {
  const read = parseDomain(typed)
  if (!read.ok) return read
  const taken = [read.name, read.other].some((name) => name !== null && ![null, job].includes(jobOfDomain(name)))
  return taken ? { ok: false, problem: 'taken', sentence: new Problem('domainTaken', { name: read.shown }).message } : read
}

/** Notes a domain for a job; it is nobody's until it is proved, and leads nowhere until then. */
export function addDomain(job: string, typed: string, { person, whence }: By): void {
  getJob(job)
  const read = askDomain(job, typed)
  if (!read.ok)
    throw read.problem === 'taken'
      ? new Problem('domainTaken', { name: typed.trim() })
      : new Problem('domainWrong', { fault: read.sentence })
  if (findDomain(job)) dropOwnDomain(job)
  insertDomain({ job, name: read.name, other: read.other, proof: `site=${randomBytes(16).toString('base64url')}` })
  noteAudit({ person: person.id, what: 'domain added', about: read.name, address: whence.address })
}

/** Lets go of a job's domain. One that visitors are at is not let go. */
export function removeDomain(job: string, { person, whence }: By): void {
  const { name } = domainOfJob(job)
  dropOwnDomain(job)
  noteAudit({ person: person.id, what: 'domain let go', about: name, address: whence.address })
}

function dropOwnDomain(job: string): void {
  const { name } = domainOfJob(job)
  if (getJob(job).address === name || livePublication(job, WEB_HOST)?.address === name) throw new Problem('domainInUse', { name })
  dropDomain(job)
}

/** The domain that a job has. */
export function domainOfJob(job: string): KeptDomain {
  const kept = findDomain(job)
  if (!kept) throw new Problem('domainNone')
  return kept
}
