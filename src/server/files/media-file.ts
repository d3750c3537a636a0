import { hashOf, keepWhole } from './blobs'
import { dataFolder } from './data-folder'

/** Keeps a picture or a font under a name made from its hash; tells the hash. The same file is written once. */
export function keepMedia(bytes: Uint8Array, nameOf: (hash: string) => string): { readonly hash: string; readonly name: string } {
  const hash = hashOf(bytes)
  const name = nameOf(hash)
  keepWhole(mediaFile(name), bytes, hash)
  return { hash, name }
}

export function mediaFile(name: string): string {
  return dataFolder('media', name)
}
