import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { MAX_NOTE } from '../../core/release'
import type { Published } from '../../core/replies'
import { isSame } from '../../core/site'
import { WEB_HOST } from '../destinations/registry'
import { Problem } from '../problems'
import { jobState, type JobState } from '../log/edit-log'
import type { By } from '../people/sessions'
import { carryOut, type OnProgress } from '../releases/carry-out'
import { finishLater } from '../releases/finish-open'
import { prepareFiles } from '../releases/prepared'
import { releasedSite, whole, withPage, type Released } from '../releases/released'
import { addressedAt, type Addressed } from '../releases/where'
import { noteAudit } from '../store/audit'
import { insertPublication, livePublication, openPublications, type Publication } from '../store/publications'
import { findRelease, getRelease, insertRelease, type Release } from '../store/releases'
import { sinceScheduled } from '../store/scheduled'
import { runTask, stopTask } from '../tasks/run-task'

/** A page that is to go out alone. */
export const alonePage = v.optional(v.pipe(v.string(), v.maxLength(160)))
const note = v.optional(v.pipe(v.string(), v.trim(), v.maxLength(MAX_NOTE)))
const destination = v.optional(v.string())
/** The site, or a page of it, as it is at the revision that the screen shows; an earlier release once more; or nothing: it is taken off. */
export const publishSchema = v.union([
  v.strictObject({ revision: v.pipe(v.number(), v.integer()), page: alonePage, note, destination }),
  v.strictObject({ release: v.string(), note, destination }),
  v.strictObject({ withdraw: v.literal(true), destination }),
])
export type PublishInput = v.InferOutput<typeof publishSchema>

/** In whose name it is published, and whence that was asked. */
export type Publisher = { readonly person: Pick<By['person'], 'id'>; readonly whence: Pick<By['whence'], 'address'> }

/** What was scheduled goes out only where nothing newer was published there meanwhile; it is named by its id. */
type ScheduledInput = { readonly release: string; readonly note: string; readonly destination: string; readonly unlessOvertaken: string }

/** Publishes to one of the job's destinations, one publication at a time; what was cut off there before is finished first. */
export function publish(
  job: string,
  input: PublishInput | ScheduledInput,
  onProgress: OnProgress,
  { person, whence }: Publisher,
): Promise<Published> {
  const where = addressedAt(job, input.destination ?? WEB_HOST)
  const { id, to, address } = where
  return runTask(job, 'publish', input, async (stopped) => {
    const tell = stoppable(stopped, onProgress)
    for (const open of openPublications(job, id)) await carryOut(to, open, getRelease(job, open.release), () => undefined)
    if ('unlessOvertaken' in input && sinceScheduled(input.unlessOvertaken) === 'overtaken') throw new Problem('overtaken')
    const release = await releaseOf(job, input, where, tell)
    const publication = begin(job, where, release, person.id, 'note' in input ? (input.note ?? '') : '')
    const done = await carryOut(to, publication, release, tell)
    noteAudit({ person: person.id, what: 'withdraw' in input ? 'withdrawn' : 'published', about: address, address: whence.address })
    if (done.notSentOn !== null) finishLater()
    return { ...done, origin: to.originOf(address) }
  })
}

async function releaseOf(job: string, input: PublishInput | ScheduledInput, where: Addressed, tell: OnProgress): Promise<Release> {
  if ('release' in input) return earlierRelease(job, input.release, where, tell)
  if ('revision' in input) return presentRelease(job, input, where, tell)
  if (!livePublication(job, where.id)) throw new Problem('releaseGone')
  return keepRelease(job, { revision: jobState(job).revision, alone: [], address: where.address, manifest: {} })
}

/** Stops the publication of a job that goes on, as long as no visitor is being switched. */
export function stopPublishing(job: string): void {
  stopTask(job)
}

/** Progress that ends the work once somebody has stopped it, until visitors are being switched. */
function stoppable(stopped: AbortSignal, onProgress: OnProgress): OnProgress {
  let isSwitching = false
  return (progress) => {
    if (!isSwitching && stopped.aborted) throw new Problem('publishingStopped')
    isSwitching ||= progress.step === 'switching'
    onProgress(progress)
  }
}

function begin(job: string, { id: destination, to }: Addressed, release: Release, person: string, note: string): Publication {
  const live = livePublication(job, destination)
  const publication = {
    id: nanoid(12),
    job,
    destination,
    release: release.id,
    address: release.address,
    movedFrom: to.capabilities.canRedirect && live && live.address !== release.address ? live.address : null,
    person,
    note,
  }
  insertPublication(publication)
  return { ...publication, switchedAt: null, doneAt: null }
}

/** What the screen shows is what is published: a site that has moved on since is looked at first. */
export async function presentRelease(
  job: string,
  { revision, page: alone }: { readonly revision: number; readonly page?: string | undefined },
  where: Addressed,
  onProgress: OnProgress,
): Promise<Release> {
  const state = jobState(job)
  if (state.revision !== revision) throw new Problem('movedOn', { asked: revision, now: state.revision })
  return buildFor(job, presentSite(job, state, where, alone), where, onProgress)
}

/** The site as it is by now; or what visitors have at a destination, with one page of it. */
export function presentSite(job: string, state: JobState, { id }: Addressed, alone: string | undefined): Released {
  if (alone === undefined) return whole(state)
  const live = livePublication(job, id)
  const release = live && getRelease(job, live.release)
  if (!release || Object.keys(release.manifest).length === 0)
    throw new Problem('pageNotAlone', { why: 'nothing of the site is live there' })
  return withPage(job, release, state, alone)
}

async function buildFor(job: string, site: Released, where: Addressed, onProgress: OnProgress): Promise<Release> {
  const { revision, alone } = site
  const { manifest } = await prepareFiles(job, site, where, onProgress)
  return keepRelease(job, { revision, alone, address: where.address, manifest })
}

/** An earlier release for the address that the job has now; one that was made for another address is made anew of the same revision. */
async function earlierRelease(job: string, id: string, where: Addressed, onProgress: OnProgress): Promise<Release> {
  const release = getRelease(job, id)
  return release.address === where.address ? release : buildFor(job, releasedSite(job, release), where, onProgress)
}

function keepRelease(job: string, made: Pick<Release, 'revision' | 'alone' | 'address' | 'manifest'>): Release {
  const known = findRelease(job, made)
  if (known && isSame(known.manifest, made.manifest)) return known
  const id = nanoid(12)
  insertRelease(job, { id, ...made })
  return getRelease(job, id)
}
