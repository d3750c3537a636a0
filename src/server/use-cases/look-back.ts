import type { SiteDocument } from '../../core/site'
import { jobState, stateAt } from '../log/edit-log'
import { getJob } from '../store/jobs'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

/** A site as it was. */
export type Past = { readonly revision: number; readonly document: SiteDocument }

/** A job's document as of a revision, or as visitors see it; null where nothing is live. A revision that is to come is the newest. */
export function lookBack(id: string, at: string): Past | null {
  const { id: job } = getJob(id)
  if (at !== 'live') return stateAt(job, Math.min(Math.max(0, Math.floor(Number(at)) || 0), jobState(job).revision))
  const live = livePublication(job)
  return live ? stateAt(job, getRelease(job, live.release).revision) : null
}
