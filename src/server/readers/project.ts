import { readFileSync } from 'node:fs'
import { unzipSync, type UnzipFileInfo } from 'fflate'
import * as v from 'valibot'
import { isDeepJson } from '../../core/json-depth'
import { PROJECT_FILE, projectPath, projectSchema, type Project, type ProjectPicture } from '../../core/handover'
import { hashOf } from '../files/blobs'
import { writeWhole } from '../files/write-whole'
import { Problem } from '../problems'
import { readFont } from './font'
import { readPicture } from './picture'

const MAX_FILE = 60 * 1024 * 1024
const MAX_PROJECT = 200 * 1024 * 1024
const MAX_DEPTH = 100

/** A zip on this computer, and the folder (not there yet) that what is taken out of it is written to. */
type Sent = { readonly file: string; readonly folder: string }

/**
 * Reads a handover's project: what it says, checked, and each file that it names, written to a folder. What else lies in the zip is passed
 * over. Pictures, fonts and files are what their hashes say; a drawing that today's rules would have cleaned otherwise is cleaned.
 */
export async function readProject(shown: string, { file, folder }: Sent): Promise<Project> {
  const wrong = (fault: string, cause?: unknown): never => {
    throw new Problem('projectWrong', { name: shown, fault }, cause === undefined ? undefined : { cause })
  }
  const zip = readFileSync(file)
  if (zip.length === 0) throw new Problem('fileEmpty', { name: shown })
  const take = taker(zip, wrong)
  const text = take(PROJECT_FILE, MAX_PROJECT)
  if (!text) return wrong('there is no job in it: a handover has a file project/project.json')
  const project = parseProject(new TextDecoder().decode(text), wrong)
  const keep = (path: string, bytes: Uint8Array): void => writeWhole(`${folder}/${path}`, bytes)
  const need = (path: string): Uint8Array => take(path, MAX_FILE) ?? wrong(`${path} is missing in it`)
  for (const picture of project.pictures) {
    const path = projectPath.picture(picture)
    keep(path, await pictureBytes(picture, need(path), wrong))
  }
  for (const font of project.fonts) {
    const bytes = need(projectPath.font(font))
    if (!font.startsWith(`own-${hashOf(bytes).slice(0, 20)}.`)) wrong(`the font ${font} in it is not what its name says`)
    const { font: read } = await readFont(font, { bytes, texts: [] })
    if (!font.endsWith(`.${read.file}`)) wrong(`the font ${font} in it is not what its name says`)
    keep(projectPath.font(font), bytes)
  }
  for (const hash of project.files) {
    const bytes = need(projectPath.file(hash))
    if (hashOf(bytes) !== hash) wrong(`the file ${hash.slice(0, 8)} in it is damaged`)
    keep(projectPath.file(hash), bytes)
  }
  for (const id of project.packs) keep(projectPath.pack(id), need(projectPath.pack(id)))
  return project
}

type Wrong = (fault: string, cause?: unknown) => never

/** Takes one file out of a zip; null where it has none of that name. What claims to be larger than it may be is not unpacked. */
function taker(zip: Uint8Array, wrong: Wrong): (path: string, most: number) => Uint8Array | null {
  const open = (filter: (info: UnzipFileInfo) => boolean): Record<string, Uint8Array> => {
    try {
      return unzipSync(zip, { filter })
    } catch (error) {
      if (error instanceof Problem) throw error
      return wrong('it is not a whole zip file', error)
    }
  }
  // A zip that was unpacked and packed again has a folder around it all.
  let root: string | null = null
  open(({ name }) => {
    if (name.endsWith(PROJECT_FILE) && (root === null || name.length < root.length + PROJECT_FILE.length))
      root = name.slice(0, -PROJECT_FILE.length)
    return false
  })
  return (path, most) => {
    const wanted = `${root ?? ''}${path}`
    const found = open(({ name, originalSize }) => {
      if (name !== wanted) return false
      if (originalSize > most) wrong(`${path} in it is larger than ${Math.round(most / 1024 / 1024)} MB`)
      return true
    })
    return new Map(Object.entries(found)).get(wanted) ?? null
  }
}

function parseProject(text: string, wrong: Wrong): Project {
  if (isDeepJson(text, MAX_DEPTH)) return wrong('its parts lie too deep in each other')
  let said: unknown
  try {
    said = JSON.parse(text)
  } catch (error) {
    return wrong('project.json in it is no whole JSON', error)
  }
  if (v.is(v.looseObject({ format: v.pipe(v.number(), v.minValue(2)) }), said))
    return wrong('it was made by a newer Instant Fit than this one')
  const read = v.safeParse(projectSchema, said)
  if (read.success) return read.output
  const [issue] = read.issues
  return wrong(`project.json says something else than a job at ${v.getDotPath(issue) ?? 'its top'}: ${issue.message}`)
}

async function pictureBytes({ id, hash, name, type, width, height }: ProjectPicture, bytes: Uint8Array, wrong: Wrong): Promise<Uint8Array> {
  if (hashOf(bytes) !== hash || !hash.startsWith(id)) wrong(`the picture “${name}” in it is damaged`)
  const read = await readPicture(name, { bytes })
  if (read.type !== type || read.width !== width || read.height !== height)
    wrong(`the picture “${name}” in it is not what the project says of it`)
  return read.bytes
}
