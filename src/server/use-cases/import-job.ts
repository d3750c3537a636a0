import { randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { nanoid } from 'nanoid'
import { projectPath, type Project } from '../../core/handover'
import { findTemplate } from '../../core/pack'
import { mayEditJobs, type Person } from '../../core/people'
import type { ImportedJob } from '../../core/replies'
import { applyEdit, isSame, readDocument, type LogRow, type SiteDocument } from '../../core/site'
import { hashOf, keepBlob } from '../files/blobs'
import { dataFolder, madeFolder } from '../files/data-folder'
import { keepMedia } from '../files/media-file'
import { Problem } from '../problems'
import { saveBody } from '../http/read-bytes'
import { beginLog } from '../log/edit-log'
import { bringInPack } from '../packs/pack-zip'
import { pack } from '../packs/packs'
import { readOutside } from '../readers/read-outside'
import { insertAsset } from '../store/assets'
import { db } from '../store/db'
import { findJob, insertJob } from '../store/jobs'
import { insertRow } from '../store/log-rows'
import { noteMenuFit } from '../store/menu-fits'
import { insertNamedVersion } from '../store/named-versions'
import { notePaths } from '../store/published-paths'
import { noteTextHold } from '../store/text-holds'

const MAX_BYTES = 1024 * 1024 * 1024
/** Where what is being read in lies until it is all here. */
const INCOMING = 'incoming'

/** Lets go of what was being read in when the application was cut off: nothing of it is anybody's. */
export function clearIncoming(): void {
  rmSync(dataFolder(INCOMING), { recursive: true, force: true })
}

/**
 * A job read in from a handover; `isCopy` where the very job is here already and this one stands beside it. `packs` came along with it;
 * `without` says of each that could not why, in a sentence.
 */

/** A handover read in: the zip is the request's body, its name in the query. The job is here whole afterwards, or not at all. */
export async function importJob(request: Request, query: URLSearchParams, by: Person): Promise<ImportedJob> {
  if (!mayEditJobs(by)) throw new Problem('notAllowed')
  const shown = (query.get('name') ?? '').slice(0, 80) || 'the zip'
  const work = path.join(madeFolder(INCOMING), randomUUID())
  mkdirSync(work)
  try {
    const zip = path.join(work, 'sent.zip')
    const inMb = (bytes: number): number => Math.ceil(bytes / 1024 / 1024)
    await saveBody(
      request,
      zip,
      MAX_BYTES,
      (bytes) => new Problem('projectTooLarge', { name: shown, size: inMb(bytes), limit: inMb(MAX_BYTES) }),
    )
    const folder = path.join(work, 'taken')
    const project = await readOutside('project', shown, { file: zip, folder })
    const states = replay(shown, project)
    const brought = await bringPacksIn(project, folder)
    return { ...keepJob(project, folder, states), ...brought, name: project.name }
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

type Replayed = { readonly begin: SiteDocument; readonly rows: readonly (LogRow & { readonly revision: number; readonly at: string })[] }

/** Goes through every change anew: its inverse is what it is here, and where all of them lead is what the project says. */
function replay(shown: string, { begin, rows, document: end }: Project): Replayed {
  const wrong = (fault: string): never => {
    throw new Problem('projectWrong', { name: shown, fault })
  }
  const read = (stored: unknown): SiteDocument => {
    try {
      return readDocument(stored)
    } catch (error) {
      throw new Problem('projectWrong', { name: shown, fault: 'the site in it cannot be read' }, { cause: error })
    }
  }
  const first = read(begin.document)
  let document = first
  const done = rows.map(({ revision, at, ...row }, i) => {
    if (revision !== begin.revision + i + 1) wrong('a step of its history is missing')
    const applied = applyEdit(document, row.edit)
    if (!applied.ok) return wrong(`step ${revision} of its history does not go onto what was there`)
    document = applied.document
    return { ...row, revision, at, inverse: applied.inverse }
  })
  if (!isSame(document, read(end))) wrong('its history leads to another site than the one in it')
  return { begin: first, rows: done }
}

/**
 * Templates that are not here yet come with it, each checked as any other pack. One that does not fit what is here keeps no job out: a job
 * without its template is listed with what is missing.
 */
async function bringPacksIn({ packs: named }: Project, folder: string): Promise<Pick<ImportedJob, 'packs' | 'without'>> {
  const [packs, without]: [string[], string[]] = [[], []]
  for (const id of named.filter((one) => !findTemplate(pack(), one)))
    try {
      packs.push(...(await bringInPack(`${id}.zip`, readFileSync(`${folder}/${projectPath.pack(id)}`))))
    } catch (error) {
      if (!(error instanceof Problem)) throw error
      without.push([error.message, error.faults[0]?.fault ?? ''].join(' ').trim())
    }
  return { packs, without }
}

/** The job under its own name where nobody has that here, with its first state, its changes, and all that they name. */
function keepJob(project: Project, folder: string, { begin, rows }: Replayed): Pick<ImportedJob, 'job' | 'isCopy'> {
  const file = (of: string): Buffer => readFileSync(`${folder}/${of}`)
  const pictures = project.pictures.map(({ type, ...picture }) => {
    const bytes = file(projectPath.picture({ ...picture, type }))
    keepMedia(bytes, (hash) => `${hash}.${type}`)
    return { type, asset: { ...picture, hash: hashOf(bytes), bytes: bytes.length, vector: type === 'svg' } }
  })
  for (const font of project.fonts) keepMedia(file(projectPath.font(font)), () => font)
  for (const hash of project.files) keepBlob(file(projectPath.file(hash)))
  return db().transaction(() => {
    const here = findJob(project.job)
    const job = here ? nanoid(12) : project.job
    insertJob({ id: job, createdAt: new Date().toISOString(), copyOf: here ? project.job : null })
    beginLog(job, begin, project.begin.revision)
    for (const { revision, at, ...row } of rows) insertRow(job, revision, row, at)
    for (const { asset, type } of pictures) insertAsset(job, asset, type)
    for (const point of project.points) insertNamedVersion(job, point)
    for (const { revision, ...noted } of project.paths) notePaths(job, revision, [noted])
    for (const { key, width } of project.menus) noteMenuFit(job, key, width)
    for (const { key, held } of project.holds) noteTextHold(job, key, held)
    return { job, isCopy: here !== null }
  })()
}
