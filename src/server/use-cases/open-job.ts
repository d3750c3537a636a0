import { missingFor } from '../../core/pack'
import type { OpenJob } from '../../core/replies'
import { jobState } from '../log/edit-log'
import { libraryVersion, pack } from '../packs/packs'
import { ownAssets } from '../store/assets'
import { getJob } from '../store/jobs'
import { historyPage } from '../store/log-rows'

/** How many rows of history come with a job, and how many bytes at most; the rest is asked for a page at a time. */
const ROWS = 60
const BYTES = 120_000

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
