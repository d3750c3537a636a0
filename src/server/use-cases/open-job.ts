import type { AssetTable } from '../../core/image'
import { missingFor } from '../../core/pack'
import { jobState, type JobState } from '../log/edit-log'
import { pack } from '../packs/packs'
import { jobAssets } from '../store/assets'
import { getJob } from '../store/jobs'
import { historyPage, type HistoryPage } from '../store/log-rows'

/** How many rows of history come with a job, and how many bytes at most; the rest is asked for a page at a time. */
const ROWS = 60
const BYTES = 120_000

/** What a screen needs to work on a job. */
export type OpenJob = JobState & {
  readonly id: string
  readonly history: HistoryPage
  readonly assets: AssetTable
  /** What the site wears and is not here. */
  readonly missing: readonly string[]
}

export async function openJob(id: string): Promise<OpenJob> {
  getJob(id)
  const assets = await jobAssets(id)
  const state = jobState(id)
  return { id, ...state, history: historyPage(id, state.revision, ROWS, BYTES), assets, missing: missingFor(pack(), state.document) }
}
