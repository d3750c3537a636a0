import { planPublish, type PublishPlan } from '../../core/release'
import { destinationOf } from '../destinations/registry'
import { Problem } from '../http/problems'
import { jobState } from '../log/edit-log'
import type { OnProgress } from '../releases/carry-out'
import { prepareFiles } from '../releases/prepared'
import { getJob } from '../store/jobs'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

export type Plan = { readonly revision: number; readonly plan: PublishPlan; readonly address: string; readonly origin: string }

/** Makes the files of the site as it stands now and says what publishing it would change; nothing is sent, and no release is kept yet. */
export async function prepareRelease(job: string, onProgress: OnProgress): Promise<Plan> {
  const { address } = getJob(job)
  if (address === null) throw new Problem('addressNone')
  const { revision, manifest } = await prepareFiles(job, jobState(job), address, onProgress)
  const live = livePublication(job)
  const there = live?.address === address ? getRelease(job, live.release).manifest : {}
  return { revision, plan: planPublish(there, manifest), address, origin: destinationOf().originOf(address) }
}
