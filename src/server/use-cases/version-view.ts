import type { VersionView } from '../../core/replies'
import { jobState, stateAt } from '../log/edit-log'
import { releasedSite } from '../releases/released'
import { getJob } from '../store/jobs'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

/** A job's document as of a revision. One that is to come is the newest. */
export function viewVersion(id: string, at: string): VersionView {
  const { id: job } = getJob(id)
  return stateAt(job, Math.min(Math.max(0, Math.floor(Number(at)) || 0), jobState(job).revision))
}

/** A job's document as a release has it, or as visitors see it (`live`); null where nothing is live. */
export function viewRelease(id: string, release: string): VersionView | null {
  const { id: job } = getJob(id)
  const asked = release === 'live' ? livePublication(job)?.release : release
  if (asked === undefined) return null
  const { revision, document } = releasedSite(job, getRelease(job, asked))
  return { revision, document }
}
