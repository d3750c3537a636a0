import { pagePath, type PublishedPath } from '../../core/pages'
import { pagesApart } from '../../core/site'
import { listPublishedPaths, notePaths, noteReleaseNoted, releasesToNote } from '../store/published-paths'
import { getRelease } from '../store/releases'
import { releasedSite } from './released'

/** Every address at which visitors have ever found a page of a job's site; what was published since it was last asked is noted first. */
export function publishedPaths(job: string): readonly PublishedPath[] {
  for (const id of releasesToNote(job)) {
    const { revision, alone, document } = releasedSite(job, getRelease(job, id))
    // Where one address had two pages, the one of the newest state counts.
    const newest = Math.max(revision, ...alone.map((one) => one.revision))
    notePaths(
      job,
      newest,
      pagesApart(document).map((page) => ({ path: pagePath(document, page), page: page.id })),
    )
    noteReleaseNoted(job, id)
  }
  return listPublishedPaths(job)
}
