import { jobState, recentRows, type JobState, type SavedRow } from './edit-log'
import { getJob } from './jobs'
import { jobAssets } from './media/assets'
import type { AssetTable } from '../core/image'

/** What a screen needs to work on a job. */
export type OpenJob = JobState & { readonly id: string; readonly rows: readonly SavedRow[]; readonly assets: AssetTable }

export async function readJob(id: string): Promise<OpenJob> {
  getJob(id)
  return { id, ...jobState(id), rows: recentRows(id), assets: await jobAssets(id) }
}
