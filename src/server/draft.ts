import { openPage, renderBody, renderDraftPage, type Site } from '../core/render'
import { homePage } from '../core/site'
import { jobState } from './edit-log'
import { getJob } from './jobs'
import { jobAssets } from './media/assets'
import { pack } from './packs'

export async function draftHome(jobId: string): Promise<string> {
  const site = await draftSite(jobId)
  return renderDraftPage(site, homePage(site.document))
}

/** The words of every page as they stand, for asking which letters they need. */
export async function jobTexts(jobId: string): Promise<string[]> {
  const site = await draftSite(jobId)
  return site.document.pages.map((page) => renderBody(openPage(site, page)).replaceAll(/<[^>]*>/g, ' '))
}

export async function draftSite(jobId: string): Promise<Site> {
  const { document } = jobState(getJob(jobId).id)
  return { document, pack: pack(), assets: await jobAssets(jobId), mode: 'draft' }
}
