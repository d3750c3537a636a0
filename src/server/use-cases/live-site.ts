import type { SiteDocument } from '../../core/site'
import { stateAt } from '../log/edit-log'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

/** The document of the site that visitors see; null while nothing is live. */
export function liveDocument(job: string): SiteDocument | null {
  const live = livePublication(job)
  return live ? stateAt(job, getRelease(job, live.release).revision).document : null
}
