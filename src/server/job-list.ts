import { countLeftovers } from '../core/pack'
import { siteOrigin } from './destinations/web-host/settings'
import { jobState } from './edit-log'
import { getJob, listJobs, type Job } from './jobs'
import { pack } from './packs'
import { liveRelease } from './releases/releases'

export type JobLine = {
  readonly id: string
  readonly name: string
  readonly trade: string
  readonly leftovers: number
  readonly stage: 'Brief' | 'Content' | 'Publish'
  readonly liveUrl: string | null
  readonly lastReleaseAt: string | null
  readonly releaseNumber: number | null
  /** Edits since what is live; null where nothing is. */
  readonly editsSince: number | null
}

export function jobLines(): JobLine[] {
  return listJobs().map(jobLine)
}

export function jobLine(job: Job): JobLine {
  const { document, revision } = jobState(job.id)
  const live = liveRelease(job.id)
  const leftovers = countLeftovers(pack(), document).total
  return {
    id: job.id,
    name: document.facts.name ?? 'Unnamed client',
    trade: document.facts.trade ?? '',
    leftovers,
    stage: leftovers === 0 ? 'Publish' : revision === 0 ? 'Brief' : 'Content',
    liveUrl: live ? siteOrigin(live.address) : null,
    lastReleaseAt: live?.lastLiveAt ?? null,
    releaseNumber: live?.number ?? null,
    editsSince: live ? Math.max(0, revision - live.revision) : null,
  }
}

export function jobLineOf(id: string): JobLine {
  return jobLine(getJob(id))
}
