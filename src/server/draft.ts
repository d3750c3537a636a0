import { renderDraftPage } from '../core/render'
import { homePage } from '../core/site'
import { jobState } from './edit-log'
import { getJob } from './jobs'
import { jobAssets } from './media/assets'
import { pack } from './packs'

export async function draftHome(jobId: string): Promise<string> {
  const { document } = jobState(getJob(jobId).id)
  return renderDraftPage({ document, pack: pack(), assets: await jobAssets(jobId), mode: 'draft' }, homePage(document))
}
