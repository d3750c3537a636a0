import { own } from '../../core/own'
import { strToU8, unzipSync, type UnzipFileInfo } from 'fflate'
import { transform } from 'lightningcss'
import { readdirSync, rmSync } from 'node:fs'
import sharp from 'sharp'
import { designKey, findTemplate, parsePack, placeInPack, type PackFault } from '../../core/pack'
import { isSame } from '../../core/site'
import { writeWhole } from '../files/write-whole'
import { Problem } from '../problems'
import { parsedName, readAll } from '../packs/library'
import { parseFolder } from '../packs/parse-folder'
import { cleanSvg } from './clean-svg'
import { wrongSums } from './zip-sums'

const MAX_UNPACKED = 150 * 1024 * 1024
const MAX_FILE = 30 * 1024 * 1024
const MAX_FILES = 1000

/** A zip, the folder of the packs that were brought in, and the folder (not there yet) that this one is to be written to. */
type Sent = { readonly bytes: Uint8Array; readonly packs: string; readonly folder: string }

/** Checks a zip as a pack and writes its files to a folder; the names of its templates, or a problem with every fault. */
export async function readPack(shown: string, { bytes, packs, folder }: Sent): Promise<string[]> {
  const { pack: here, assets } = readAll(packs).library
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
  const parsed = parsePack({ texts, media }, here, new Set(Object.keys(assets)))
  faults.push(...parsed.faults, ...[...texts].flatMap(([file, text]) => styleFaults(file, text)), ...(await mediaFaults(entries, media)))
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
    const known = own(here.designs, designKey(design.kind, design.name))
    if (known && (known.css !== design.css || !isSame(known.tree, design.tree)))
      faults.push({
        file: `designs/${design.kind}/${design.name}.html`,
        line: 0,
        fault: 'There is another design of this name here already. Give this one another name.',
      })
  }
  if (faults.length > 0) throw new Problem('packWrong', { name: shown, count: faults.length }, undefined, faults.slice(0, 400))
  keep(entries, folder)
  await readPackFolder(shown, { packs, folder })
  return ids
}

/** Parses a pack that lies in a folder, and keeps in it what comes of that; a problem with every fault. */
export async function readPackFolder(shown: string, { packs, folder }: Omit<Sent, 'bytes'>): Promise<void> {
  const { library, faults } = await parseFolder(folder, readAll(packs).library)
  if (faults.length > 0) throw new Problem('packWrong', { name: shown, count: faults.length }, undefined, faults.slice(0, 400))
  const text = JSON.stringify(library)
  for (const old of readdirSync(folder).filter((name) => name.startsWith('.parsed-'))) rmSync(`${folder}/${old}`)
  writeWhole(`${folder}/${parsedName(text)}`, text)
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
    const files = new Map(Object.entries(unzipSync(bytes, { filter: check })))
    const [wrong] = wrongSums(bytes, files)
    if (wrong !== undefined) throw new Problem('packDamaged', { name, fault: `“${wrong.slice(0, 200)}” in it is not what was packed` })
    return files
  } catch (error) {
    if (error instanceof Problem) throw error
    throw new Problem('packDamaged', { name, fault: 'it is not a whole zip file' }, { cause: error })
  }
}

function isEscape(file: string): boolean {
  return file.startsWith('/') || file.includes('\\') || file.split('/').includes('..') || /^[a-z]:/i.test(file)
}

/** What is accepted can be published: each style sheet is put through what a release's goes through. */
function styleFaults(file: string, text: string): PackFault[] {
  if (!file.endsWith('.css')) return []
  try {
    transform({ filename: file, code: Buffer.from(text), minify: true })
    return []
  } catch (error) {
    const { loc, message } = error as { loc?: { line: number }; message: string }
    return [{ file, line: loc?.line ?? 0, fault: `This style sheet cannot be published: ${message}.` }]
  }
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

function keep(entries: ReadonlyMap<string, Uint8Array>, folder: string): void {
  for (const [file, content] of entries) {
    const clean = file.endsWith('.svg') ? cleanSvg(new TextDecoder().decode(content)) : null
    writeWhole(`${folder}/${file}`, clean?.ok ? clean.svg : content)
  }
}
