import { mayEditJobs, type Person } from '../../core/people'
import { SHELVES } from '../../core/replies'
import { rmSync } from 'node:fs'
import * as v from 'valibot'
import { originOf } from '../releases/where'
import { mediaFile } from '../files/media-file'
import { Problem } from '../problems'
import { forgetState, jobState } from '../log/edit-log'
import type { By } from '../people/sessions'
import { dropAssetsOf } from '../store/assets'
import { noteAudit } from '../store/audit'
import { db } from '../store/db'
import { keptLines } from '../store/job-lines'
import { deleteJob, getJob, listJobs, setShelf, type Job } from '../store/jobs'
import { livePublication, openPublications } from '../store/publications'
import { makeJobsVoid } from '../store/scheduled'
import { createJob } from './make-job'

export const shelfSchema = v.strictObject({ shelf: v.picklist(SHELVES) })

/** How many days a job lies in the bin before it goes for good. */
export const BIN_DAYS = 30
const DAY_MS = 86_400_000

/**
 * Lays a job among the work, in the archive or in the bin. Nothing of it changes: not its words, not what is live; but from the bin
 * nothing that was scheduled goes out.
 */
export function setJobStatus(id: string, { shelf }: v.InferOutput<typeof shelfSchema>, by: Person): void {
  if (!mayEditJobs(by)) throw new Problem('notAllowed')
  if (getJob(id).shelf === shelf) return
  db().transaction(() => {
    setShelf(id, shelf, new Date().toISOString())
    if (shelf === 'bin') makeJobsVoid(id)
  })()
}

/** A job of its own that begins as this one stands now: with its pictures, without its address, its releases and its history. */
export function copyJob(id: string, by: Person): string {
  getJob(id)
  if (!mayEditJobs(by)) throw new Problem('notAllowed')
  return createJob(jobState(id).document, id)
}

/**
 * Deletes a job in the bin with all that is kept of it alone: log, pictures, releases. One that is live, or on its way, stays. `by` is null
 * where its days in the bin are over.
 */
export function deleteForGood(id: string, by: By | null): void {
  if (by && !mayEditJobs(by.person)) throw new Problem('notAllowed')
  const job = getJob(id)
  if (job.shelf !== 'bin') throw new Problem('jobNotInBin')
  if (openPublications(id).length > 0) throw new Problem('publishingAlready')
  const live = livePublication(id)
  if (live) throw new Problem('jobStillLive', { address: originOf(live).replace(/^https?:\/\//, '') })
  const name = keptLines().get(id)?.name ?? id
  const files = db().transaction(() => {
    const lone = dropAssetsOf(id)
    deleteJob(id)
    return lone
  })()
  forgetState(id)
  if (by) noteAudit({ person: by.person.id, what: 'job deleted', about: name, address: by.whence.address })
  for (const name of files) rmSync(mediaFile(name), { force: true })
}

/** Deletes what has lain in the bin for its days; a site that is still live is passed over. */
export function emptyBin(now: Date): void {
  for (const job of listJobs()) {
    if (!isOverdue(job, now) || livePublication(job.id)) continue
    try {
      deleteForGood(job.id, null)
    } catch (error) {
      console.error(`The job ${job.id} could not be deleted`, error)
    }
  }
}

function isOverdue({ shelf, shelvedAt }: Job, now: Date): boolean {
  return shelf === 'bin' && shelvedAt !== null && now.getTime() - Date.parse(shelvedAt) > BIN_DAYS * DAY_MS
}
