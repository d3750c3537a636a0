import type { PublishedPath } from '../../core/pages'
import type { SiteDocument } from '../../core/site'
import { releasedSite } from '../releases/released'
import { originOf } from '../releases/where'
import { publishedPaths } from '../releases/published-paths'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

export type LiveSite = {
  /** The document of the site that visitors see; null while nothing is live. */
  readonly live: SiteDocument | null
  readonly origin: string | null
  /** Every address at which they have ever found a page. */
  readonly published: readonly PublishedPath[]
}

/** What visitors have of a job's site, for setting today's pages against it. */
export function liveSite(job: string): LiveSite {
  const live = livePublication(job)
  return {
    live: live ? releasedSite(job, getRelease(job, live.release)).document : null,
    origin: live ? originOf(live) : null,
    published: publishedPaths(job),
  }
}
