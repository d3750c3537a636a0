import { readdirSync, readFileSync } from 'node:fs'
import type { TemplateLibrary } from '../../core/pack'
import { hashOf } from '../files/blobs'
import { namesIn, projectFolder } from '../files/data-folder'

export const EMPTY_LIBRARY: TemplateLibrary = { pack: { templates: {}, designs: {} }, assets: {} }

/** What the build made of the shipped templates. */
export const SHIPPED_FILE = projectFolder('dist', 'shipped.json')
/** What the build that runs reads packs by: what an earlier one parsed is parsed anew. Written beside the shipped templates. */
const PARSER_FILE = projectFolder('dist', 'parser')

/** A library with a name for it: the same templates, the same name. */
type Read = { readonly library: TemplateLibrary; readonly hash: string }

export function readShipped(): Read {
  const text = readFileSync(SHIPPED_FILE)
  return { library: JSON.parse(text.toString()) as TemplateLibrary, hash: hashOf(text) }
}

/**
 * The name under which a pack that was brought in lies parsed in its own folder. It says by which parser, and the hash of what is in it:
 * what is torn, or was made by an earlier version, is not believed.
 */
export function parsedName(text: string): string {
  return `${prefix()}${hashOf(text)}.json`
}

const prefix = (): string => `.parsed-${readFileSync(PARSER_FILE, 'utf8').slice(0, 16)}-`

/** A pack that was brought in, as it was parsed; null where that has to be done anew. */
export function readBrought(folder: string): Read | null {
  const name = readdirSync(folder).find((file) => file.startsWith(prefix()))
  if (name === undefined) return null
  const text = readFileSync(`${folder}/${name}`, 'utf8')
  return parsedName(text) === name ? { library: JSON.parse(text) as TemplateLibrary, hash: hashOf(text) } : null
}

/** Each pack that was brought in lies in a folder of its own. */
export function broughtFolders(packs: string): readonly string[] {
  return namesIn(packs)
    .filter((name) => !name.startsWith('.'))
    .toSorted()
    .map((name) => `${packs}/${name}`)
}

/** Everything that is here: what is shipped, and what was brought in to a folder. */
export function readAll(packs: string): Read {
  const read = [readShipped(), ...broughtFolders(packs).flatMap((folder) => readBrought(folder) ?? [])]
  return { library: read.map(({ library }) => library).reduce(together), hash: hashOf(read.map(({ hash }) => hash).join(' ')) }
}

export function together(one: TemplateLibrary, other: TemplateLibrary): TemplateLibrary {
  return {
    pack: {
      templates: { ...one.pack.templates, ...other.pack.templates },
      designs: { ...one.pack.designs, ...other.pack.designs },
    },
    assets: { ...one.assets, ...other.assets },
  }
}
