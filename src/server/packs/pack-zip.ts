import { randomUUID } from 'node:crypto'
import { renameSync, rmSync } from 'node:fs'
import { strToU8, unzipSync, zipSync, type UnzipFileInfo } from 'fflate'
import sharp from 'sharp'
import { designKey, findTemplate, parsePack, placeInPack, type PackFault } from '../../core/pack'
import { madeFolder } from '../files/data-folder'
import { syncFolder, writeWhole } from '../files/write-whole'
import { cleanSvg } from '../media/clean-svg'
import { forgetPacks, mediaOf, pack, packFilesOf } from './packs'
import { Problem } from '../http/problems'

export const MAX_PACK_BYTES = 60 * 1024 * 1024
const MAX_UNPACKED = 150 * 1024 * 1024
const MAX_FILE = 30 * 1024 * 1024
const MAX_FILES = 1000

/** A template as a pack of its own: its files, and those of the designs it uses. The same files give the same zip. */
export function takeOutPack(id: string): Uint8Array {
  const template = findTemplate(pack(), id)
  if (!template) throw new Problem('templateGone')
  const at = new Date('2000-01-01T00:00:00')
  const files = [...packFilesOf(template)].sort(([a], [b]) => (a < b ? -1 : 1))
  return zipSync(Object.fromEntries(files.map(([name, bytes]) => [name, new Uint8Array(bytes)])), { mtime: at, level: 6 })
}

/** Checks a zip as a pack and keeps it; with a single fault nothing of it is kept, and every fault is told. */
export async function bringInPack(name: string, bytes: Uint8Array): Promise<string[]> {
  const shown = name.slice(0, 80) || 'the pack'
  const entries = unpack(shown, bytes)
  const faults: PackFault[] = []
  const texts = new Map<string, string>()
  const media = new Set<string>()
  for (const [file, content] of entries) {
    const place = placeInPack(file)
    if (place === 'media') media.add(file)
    else if (place) texts.set(file, new TextDecoder().decode(content))
    else
      faults.push({
        file,
        line: 0,
        fault: isEscape(file) ? 'The path leads out of the pack.' : 'This file has no place in a pack; see the format’s list of files.',
      })
  }
  const here = pack()
  const parsed = parsePack({ texts, media }, here, mediaOf(here))
  faults.push(...parsed.faults, ...(await mediaFaults(entries, media)))
  const ids = Object.keys(parsed.pack.templates)
  if (![...texts.keys()].some((file) => file.endsWith('/template.json')))
    faults.push({ file: 'template.json', line: 0, fault: 'There is no template in the pack: a folder with a template.json.' })
  for (const id of ids)
    if (findTemplate(here, id))
      faults.push({
        file: `${id}/template.json`,
        line: 0,
        fault: `There is a template “${id}” here already. Give the folder another name.`,
      })
  for (const design of Object.values(parsed.pack.designs)) {
    const known = here.designs[designKey(design.kind, design.name)]
    if (known && (known.css !== design.css || JSON.stringify(known.tree) !== JSON.stringify(design.tree)))
      faults.push({
        file: `designs/${design.kind}/${design.name}.html`,
        line: 0,
        fault: 'There is another design of this name here already. Give this one another name.',
      })
  }
  if (faults.length > 0) throw new Problem('packWrong', { name: shown, count: faults.length }, undefined, faults.slice(0, 400))
  keep(entries, ids.join('+'))
  return ids
}

/** The files of a zip. Sizes are checked before anything is unpacked, and each file gets no more room than it claims. */
function unpack(name: string, bytes: Uint8Array): Map<string, Uint8Array> {
  let files = 0
  let total = 0
  const check = ({ originalSize, name: file }: UnzipFileInfo): boolean => {
    if (file.endsWith('/')) return false
    files++
    total += originalSize
    if (files > MAX_FILES) throw new Problem('packTooLarge', { name, fault: `it holds more than ${MAX_FILES} files` })
    if (originalSize > MAX_FILE || total > MAX_UNPACKED)
      throw new Problem('packTooLarge', { name, fault: `it unpacks to more than ${Math.round(MAX_UNPACKED / 1024 / 1024)} MB` })
    return true
  }
  if (bytes.length === 0) throw new Problem('fileEmpty', { name })
  try {
    return new Map(Object.entries(unzipSync(bytes, { filter: check })))
  } catch (error) {
    if (error instanceof Problem) throw error
    throw new Problem('packDamaged', { name, fault: 'it is not a whole zip file' }, { cause: error })
  }
}

function isEscape(file: string): boolean {
  return file.startsWith('/') || file.includes('\\') || file.split('/').includes('..') || /^[a-z]:/i.test(file)
}

async function mediaFaults(entries: ReadonlyMap<string, Uint8Array>, media: ReadonlySet<string>): Promise<PackFault[]> {
  const found = await Promise.all(
    [...media].map(async (file): Promise<PackFault[]> => {
      const content = Buffer.from(entries.get(file) ?? strToU8(''))
      if (file.endsWith('.svg')) {
        const clean = cleanSvg(content.toString('utf8'))
        return clean.ok ? [] : [{ file, line: 0, fault: `This drawing cannot be used: ${clean.fault}.` }]
      }
      const type = file.endsWith('.jpg') ? 'jpeg' : file.split('.').at(-1)
      const about = await sharp(content, { limitInputPixels: 120e6 })
        .metadata()
        .catch(() => null)
      if (!about) return [{ file, line: 0, fault: 'This picture cannot be read.' }]
      return about.format === type ? [] : [{ file, line: 0, fault: `This picture is ${about.format}, not what its name says.` }]
    }),
  )
  return found.flat()
}

/** Written beside, then put in place by one rename: a pack is there whole or not at all. */
function keep(entries: ReadonlyMap<string, Uint8Array>, name: string): void {
  const packs = madeFolder('packs')
  const part = `${packs}/.${randomUUID()}`
  try {
    for (const [file, content] of entries) {
      const clean = file.endsWith('.svg') ? cleanSvg(new TextDecoder().decode(content)) : null
      writeWhole(`${part}/${file}`, clean?.ok ? clean.svg : content)
    }
    renameSync(part, `${packs}/${name.slice(0, 100)}`)
    syncFolder(packs)
  } finally {
    rmSync(part, { recursive: true, force: true })
  }
  forgetPacks()
}
