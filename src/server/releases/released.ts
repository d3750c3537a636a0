import { withPageAlone, type PageAlone } from '../../core/plan'
import { differences, isSame, type PageId, type SiteDocument } from '../../core/site'
import { Problem } from '../problems'
import { stateAt, type JobState } from '../log/edit-log'
import type { Release } from '../store/releases'

type Parts = Pick<Release, 'revision' | 'alone'>

/** A site as it goes out: whole, as it was at a revision, with the pages that went out alone since. */
export type Released = Parts & Pick<JobState, 'document'>

/** The whole site as it stands. */
export function whole({ revision, document }: JobState): Released {
  return { revision, alone: [], document }
}

/** The site as a release has it. */
export function releasedSite(job: string, { revision, alone }: Parts): Released {
  const then = (document: SiteDocument, { page, revision: at }: Parts['alone'][number]): SiteDocument =>
    orProblem(withPageAlone(document, stateAt(job, at).document, page as PageId))
  return { revision, alone, document: alone.reduce(then, stateAt(job, revision).document) }
}

/** What visitors have, with one page as it is by now; where nothing else differs, that is the whole site. */
export function withPage(job: string, live: Parts, now: JobState, page: string): Released {
  const before = releasedSite(job, live)
  const document = orProblem(withPageAlone(before.document, now.document, page as PageId))
  if (differences(document, now.document).length === 0) return whole(now)
  const last = { page, revision: now.revision }
  // How the page went out alone before is told no more, where the same comes of it.
  const short = { revision: before.revision, alone: [...before.alone.filter((one) => one.page !== page), last] }
  return isMadeOf(job, short, document) ? { ...short, document } : { ...short, alone: [...before.alone, last], document }
}

function orProblem(alone: PageAlone): SiteDocument {
  if (!alone.ok) throw new Problem('pageNotAlone', { why: alone.why })
  return alone.document
}

function isMadeOf(job: string, parts: Parts, document: SiteDocument): boolean {
  try {
    return isSame(releasedSite(job, parts).document, document)
  } catch {
    return false
  }
}
