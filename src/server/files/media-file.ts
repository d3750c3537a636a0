import { statSync } from 'node:fs'
import { hashOf } from './blobs'
import { dataFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** Keeps a picture or a font under a name made from its hash; tells the hash. The same file is written once. */
export function keepMedia(bytes: Uint8Array, nameOf: (hash: string) => string): { readonly hash: string; readonly name: string } {
  const hash = hashOf(bytes)
  const name = nameOf(hash)
  if (statSync(mediaFile(name), { throwIfNoEntry: false })?.size !== bytes.length) writeWhole(mediaFile(name), bytes)
  return { hash, name }
}

export function mediaFile(name: string): string {
  return dataFolder('media', name)
}
