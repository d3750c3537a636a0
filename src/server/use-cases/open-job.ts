import type { AssetTable } from '../../core/image'
import { missingFor } from '../../core/pack'
import { jobState, type JobState } from '../log/edit-log'
import { libraryVersion, pack } from '../packs/packs'
import { ownAssets } from '../store/assets'
import { getJob } from '../store/jobs'
import { historyPage, type HistoryPage } from '../store/log-rows'

/** How many rows of history come with a job, and how many bytes at most; the rest is asked for a page at a time. */
const ROWS = 60
const BYTES = 120_000

/** What a screen needs to work on a job. */
export type OpenJob = JobState & {
  readonly id: string
  readonly history: HistoryPage
  /** The job's own pictures; those of templates come with the library. */
  readonly assets: AssetTable
  /** The version of the templates and designs that are here. */
  readonly library: string
  /** What the site wears and is not here. */
  readonly missing: readonly string[]
}

export function openJob(id: string): OpenJob {
  getJob(id)
  const assets = Object.fromEntries(ownAssets(id).map(({ asset }) => [asset.id, asset]))
  const state = jobState(id)
  return {
    id,
    ...state,
    history: historyPage(id, state.revision, ROWS, BYTES),
    assets,
    library: libraryVersion(),
    missing: missingFor(pack(), state.document),
  }
}
