import { domainToUnicode } from 'node:url'
import { toSegment } from '../../core/pages'
import { parseSiteName, suggestSiteNames } from '../../core/release'
import type { AddressAnswer } from '../../core/replies'
import { factsOf } from '../../core/site'
import { destinationOf } from '../destinations/registry'
import { orProblem } from '../destinations/to-problem'
import { Problem } from '../problems'
import { jobState } from '../log/edit-log'
import type { By } from '../people/sessions'
import { noteAudit } from '../store/audit'
import { findJobByAddress, getJob, setJobAddress } from '../store/jobs'

/** Whether a name can be this job's address, and which others can when it cannot. */
export async function askAddress(jobId: string, typed: string): Promise<AddressAnswer> {
  const job = getJob(jobId)
  const name = parseSiteName(typed)
  if (!name.ok)
    return {
      state: 'refused',
      sentence: name.sentence,
      suggestions: await freeNames(jobId, name.problem === 'mixed' ? '' : toSegment(typed, 50)),
    }
  if (job.address === name.label) return { state: 'yours', label: name.label, shown: name.shown }
  const taken = await takenBy(name.label, jobId)
  if (taken === null) return { state: 'free', label: name.label, shown: name.shown }
  const sentence =
    taken === name.label
      ? `“${name.shown}” is taken by another site.`
      : `“${name.shown}” could be mistaken for “${domainToUnicode(taken)}”, which is another site’s. Choose one that looks different.`
  // What looks like another’s is nothing to begin from.
  return { state: 'taken', sentence, suggestions: await freeNames(jobId, taken === name.label ? name.label : '') }
}

/** The address of another job’s site that has a label, or that it could be mistaken for; null where it is free. */
async function takenBy(label: string, jobId: string): Promise<string | null> {
  const job = findJobByAddress(label)
  if (job && job.id !== jobId) return label
  const site = await orProblem(destinationOf(), label, () => destinationOf().find(label))
  return site === null || site.owner === jobId ? null : (site.alike ?? label)
}

async function freeNames(jobId: string, wanted: string): Promise<string[]> {
  const facts = factsOf(jobState(jobId).document)
  const slugs = {
    name: toSegment(facts.name ?? ''),
    locality: toSegment(facts.address?.locality ?? ''),
    trade: toSegment(facts.trade ?? ''),
  }
  const tries = suggestSiteNames(wanted, slugs)
  const taken = await Promise.all(tries.map((label) => takenBy(label, jobId)))
  return tries.filter((_, i) => taken[i] === null).slice(0, 4)
}

/** Makes a name this job's address; it is claimed at the host before it is noted here. */
export async function chooseAddress(jobId: string, typed: string, { person, whence }: By): Promise<AddressAnswer> {
  const answer = await askAddress(jobId, typed)
  if (answer.state === 'taken') throw new Problem('addressTaken', { name: typed.trim() })
  if (answer.state === 'refused') throw new Problem('addressWrong', { fault: answer.sentence })
  await orProblem(destinationOf(), answer.label, () => destinationOf().claim(answer.label, jobId))
  setJobAddress(jobId, answer.label)
  noteAudit({ person: person.id, what: 'address changed', about: answer.label, address: whence.address })
  return { ...answer, state: 'yours' }
}
