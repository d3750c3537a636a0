import { pagePath, type PublishedPath } from '../../core/pages'
import { pagesApart } from '../../core/site'
import { stateAt } from '../log/edit-log'
import { listPublishedPaths, notePaths, revisionsToNote } from '../store/published-paths'

/** Every address at which visitors have ever found a page of a job's site; what was published since it was last asked is noted first. */
export function publishedPaths(job: string): readonly PublishedPath[] {
  for (const revision of revisionsToNote(job)) {
    const { document } = stateAt(job, revision)
    notePaths(
      job,
      revision,
      pagesApart(document).map((page) => ({ path: pagePath(document, page), page: page.id })),
    )
  }
  return listPublishedPaths(job)
}
