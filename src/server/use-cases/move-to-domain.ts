import * as v from 'valibot'
import type { DomainView, Judged } from '../../core/domain'
import type { DomainProgress } from '../../core/replies'
import { destinationOf } from '../destinations/registry'
import { orProblem } from '../destinations/to-problem'
import { bindToHttps } from '../destinations/web-host/own-names'
import { giveKept, namesOf, putCertificate } from '../domains/certificates/keep'
import { askByDns, certificateByDns, certificateByHttp, type CertificateStep } from '../domains/certificates/order'
import { certificateProblem } from '../domains/certificates/to-problem'
import { Problem } from '../problems'
import type { By } from '../people/sessions'
import { noteAudit } from '../store/audit'
import { noteAsked, noteHsts, type KeptDomain } from '../store/domains'
import { setJobAddress } from '../store/jobs'
import { runTask } from '../tasks/run-task'
import { askedBy, lookedUp, takeNames } from './look-at-domain'
import { domainOfJob, domainView } from './own-domain'

export const domainChangeSchema = v.variant('act', [
  v.strictObject({ act: v.literal('hsts'), on: v.boolean() }),
  v.strictObject({ act: v.literal('ask by DNS') }),
  v.strictObject({ act: v.literal('leave DNS') }),
])

/** For how long browsers are told to come by HTTPS alone, in seconds: a year (RFC 6797, 6.1.1). */
const HSTS_S = 31_536_000

/**
 * Makes a domain that leads here the job's address: with a certificate, which is asked for where there is none that is good; what leads
 * beside it leads there. Visitors are where they were until the site is published at it.
 */
export function moveToDomain(
  job: string,
  onProgress: (progress: DomainProgress) => void,
  { person, whence }: By,
): Promise<DomainView | null> {
  return runTask(job, 'domain', {}, async () => {
    const kept = domainOfJob(job)
    onProgress({ step: 'looking' })
    const look = await lookedUp(kept)
    if (!look.isReady) throw new Problem('domainNotReady', { name: kept.name, fault: firstFault(look.records) })
    await takeNames(kept)
    await certify(kept, (step) => onProgress({ step }))
    if (kept.other !== null) {
      const { other, name } = kept
      await orProblem(destinationOf(), other, () => destinationOf().redirect(other, name))
    }
    setJobAddress(job, kept.name)
    noteAudit({ person: person.id, what: 'address changed', about: kept.name, address: whence.address })
    return domainView(job)
  })
}

function firstFault(records: readonly Judged[]): string {
  const bad = records.find(({ state }) => state !== 'right' && state !== 'cached')
  return bad ? `${bad.type} ${bad.name}: ${bad.said}` : 'our host is not to be found.'
}

/** Gets a certificate for a domain's names, by what the authority was shown by DNS or else by the host, unless a good one is there. */
async function certify(kept: KeptDomain, onStep: (step: CertificateStep) => void): Promise<void> {
  const asked = askedBy(kept)
  try {
    if (!asked && (await giveKept(kept))) return
    const made = asked ? await certificateByDns(namesOf(kept), asked, onStep) : await certificateByHttp(namesOf(kept), onStep)
    await putCertificate(kept, made)
  } catch (error) {
    // What was asked for once and refused is asked for anew.
    if (asked) noteAsked(kept.name, null)
    throw certificateProblem(error, kept.name)
  }
}

/** Gets a certificate for a domain that leads elsewhere still, once the records are set that the authority wants to see. */
export function certifyByDns(job: string, onProgress: (progress: DomainProgress) => void): Promise<DomainView | null> {
  return runTask(job, 'domain', {}, async () => {
    const kept = domainOfJob(job)
    onProgress({ step: 'looking' })
    const { records } = await lookedUp(kept)
    const open = records.find(
      ({ role, state }) => (role === 'challenge' || role === 'authority') && state !== 'right' && state !== 'cached',
    )
    if (open) throw new Problem('domainNotReady', { name: kept.name, fault: `TXT ${open.name}: ${open.said}` })
    await certify(kept, (step) => onProgress({ step }))
    return domainView(job)
  })
}

export async function changeDomain(job: string, change: v.InferOutput<typeof domainChangeSchema>): Promise<DomainView | null> {
  const kept = domainOfJob(job)
  switch (change.act) {
    case 'hsts': {
      await orProblem(destinationOf(), kept.name, () => bindToHttps(kept.name, change.on ? HSTS_S : 0))
      noteHsts(kept.name, change.on)
      break
    }
    case 'ask by DNS':
      try {
        noteAsked(kept.name, JSON.stringify(await askByDns(namesOf(kept))))
      } catch (error) {
        throw certificateProblem(error, kept.name)
      }
      break
    case 'leave DNS':
      noteAsked(kept.name, null)
      break
    default:
      change satisfies never
  }
  return domainView(job)
}
