import PQueue from 'p-queue'
import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { pathOfVisitors, visitorFault, type Manifest } from '../../core/release'
import type { Looked, LookProgress } from '../../core/replies'
import { WEB_HOST } from '../destinations/registry'
import { Problem } from '../problems'
import { visitor, type Visitor } from '../releases/as-visitor'
import { originOf, whereOf } from '../releases/where'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'

export const lookSchema = v.strictObject({ destination: v.optional(v.string(), WEB_HOST) })

/** How many files are asked for at a time. Where none of the first so many answers at all, none will. */
const AT_ONCE = 6

/** Asks for every file of the release that is live at a destination, as a visitor would, and says what is not as it was sent. */
export async function lookAsVisitor(job: string, destination: string, onProgress: (progress: LookProgress) => void): Promise<Looked> {
  const live = livePublication(job, destination)
  if (!live) throw new Problem('releaseGone')
  const { manifest } = getRelease(job, live.release)
  const guest = visitor()
  try {
    return await lookAt(guest, originOf(live), manifest, whereOf(job, destination).to.capabilities.canLeadOn, onProgress)
  } finally {
    guest.close()
  }
}

async function lookAt(
  guest: Visitor,
  origin: string,
  manifest: Manifest,
  canLeadOn: boolean,
  onProgress: (progress: LookProgress) => void,
): Promise<Looked> {
  const files = Object.entries(manifest)
  const faults: { path: string; said: string }[] = []
  const queue = new PQueue({ concurrency: AT_ONCE })
  let done = 0
  let silent = 0
  let lastSaid = ''
  const look = async ([path, entry]: (typeof files)[number]): Promise<void> => {
    if (silent === done && silent >= AT_ONCE) return void faults.push({ path, said: lastSaid })
    const { leadsTo } = entry
    const leads = canLeadOn && leadsTo !== undefined ? new URL(leadsTo, origin).href : null
    // The page for what is not there is seen by asking for something that is not.
    const asked = path === '404.html' ? `/${nanoid(12)}/` : pathOfVisitors(path)
    const said = await guest.ask(origin + asked).then(
      (got) => visitorFault(path, entry, got, leads),
      (error: unknown) => {
        silent++
        return (lastSaid = `It does not answer: ${error instanceof Error ? error.message : String(error)}.`)
      },
    )
    if (said !== null) faults.push({ path, said })
    onProgress({ step: 'looking', done: ++done, total: files.length })
  }
  await Promise.all(files.map((file) => queue.add(() => look(file))))
  return { files: files.length, faults: faults.sort((a, b) => (a.path < b.path ? -1 : 1)) }
}
