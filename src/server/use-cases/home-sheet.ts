import { allOf, fillPage, wordsOf, type Site } from '../../core/fill'
import { renderSheetPage } from '../../core/render'
import { dayOf, homePage, pagesOf } from '../../core/site'
import { jobState } from '../log/edit-log'
import { pack } from '../packs/packs'
import { jobAssets } from '../store/assets'
import { getJob } from '../store/jobs'

/** A job's home page as it stands, as a document of its own. */
export async function homeSheet(jobId: string): Promise<string> {
  const site = await siteForSheets(jobId)
  return renderSheetPage(site, homePage(site.document))
}

/** The words of every page as they stand, for asking which letters they need. */
export async function jobTexts(jobId: string): Promise<string[]> {
  const site = await siteForSheets(jobId)
  return pagesOf(site.document).map((page) => {
    return allOf(fillPage(site, page))
      .map(({ root }) => wordsOf(root))
      .join(' ')
  })
}

export async function siteForSheets(jobId: string): Promise<Site> {
  const { document } = jobState(getJob(jobId).id)
  return { document, pack: pack(), assets: jobAssets(jobId), mode: 'sheet', today: dayOf(new Date()) }
}
