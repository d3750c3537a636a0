import { mkdirSync, readdirSync, statSync } from 'node:fs'
import path from 'node:path'

/** The project's own folder, where templates and migrations lie. */
export function projectFolder(...parts: string[]): string {
  return path.join(/* turbopackIgnore: true */ process.cwd(), ...parts)
}

/** A place in the folder that holds everything worth keeping: database, media, release files. */
export function dataFolder(...parts: string[]): string {
  return path.join(process.env.INSTANT_FIT_DATA ?? projectFolder('data'), ...parts)
}

/** A place for what was made from a recipe and can be made again: among the data, unless a folder is set for it, on a faster disk say. */
export function cacheFolder(...parts: string[]): string {
  return path.join(process.env.INSTANT_FIT_CACHE ?? dataFolder(), ...parts)
}

export function madeFolder(...parts: string[]): string {
  const folder = dataFolder(...parts)
  mkdirSync(folder, { recursive: true })
  return folder
}

/** The names in a folder; none where it is not there. */
export function namesIn(folder: string): readonly string[] {
  return statSync(folder, { throwIfNoEntry: false })?.isDirectory() ? readdirSync(folder) : []
}
