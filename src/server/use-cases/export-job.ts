import { PROJECT_FOLDER, renderCareSheet } from '../../core/handover'
import { toSegment } from '../../core/pages'
import type { Person } from '../../core/people'
import { factsOf } from '../../core/site'
import { zipStream } from '../files/zip-stream'
import { careNotes } from '../handover/care-notes'
import { gatherProject } from '../handover/gather'
import { jobState } from '../log/edit-log'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'
import { siteForSheets } from './home-sheet'
import { filesOf } from './download-release'

/** The sheet for the client: what the site is made of, where it is, whom to ask. It names whoever asks for it. */
export async function careSheet(job: string, by: Person, at: Date = new Date()): Promise<string> {
  const site = await siteForSheets(job)
  return renderCareSheet(site, await careNotes(job, site, by, livePublication(job), at))
}

/**
 * Everything of a job as one zip: a sheet for the client, the site as visitors see it now (nothing of it while it is live nowhere), and
 * what it takes to go on working on it here or elsewhere; its history only where that is asked for. No password and no key is in it.
 */
export async function exportJob(
  job: string,
  withHistory: boolean,
  by: Person,
): Promise<{ readonly name: string; readonly zip: ReadableStream<Uint8Array> }> {
  const at = new Date()
  const sheet = await careSheet(job, by, at)
  const project = gatherProject(job, withHistory, at)
  const live = livePublication(job)
  const published = live ? filesOf(getRelease(job, live.release), 'site/') : []
  const name = toSegment(factsOf(jobState(job).document).name ?? '', 60) || PROJECT_FOLDER
  return {
    name: `${name}-handover.zip`,
    zip: zipStream([{ path: 'care-sheet.html', read: () => Buffer.from(sheet) }, ...project, ...published], at),
  }
}
