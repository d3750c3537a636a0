import { createHash } from 'node:crypto'
import { readFileSync, statSync, utimesSync } from 'node:fs'
import { dataFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** What bytes are known by: their SHA-256 in hex, and how many there are. */
export type BlobRef = { readonly hash: string; readonly bytes: number }

export function hashOf(bytes: Uint8Array | string): string {
  return createHash('sha256').update(bytes).digest('hex')
}

/** Keeps a file's content under its hash; the same content is kept once, and one that was torn is kept anew. */
export function keepBlob(content: Uint8Array | string): BlobRef {
  const bytes = typeof content === 'string' ? Buffer.from(content) : content
  const hash = hashOf(bytes)
  keepWhole(blobFile(hash), bytes, hash)
  return { hash, bytes: bytes.length }
}

/** Whether there is a content of a hash; that it is whole is known when it is read. */
export function isBlobKept(hash: string): boolean {
  return statSync(blobFile(hash), { throwIfNoEntry: false })?.isFile() ?? false
}

/** The content of a hash; null where it is not here, or what is here is something else. */
export function readBlob(hash: string): Buffer | null {
  return readWhole(blobFile(hash), hash)
}

/** A file's bytes, where they are those of a hash; null where they are not, or where there is none. */
export function readWhole(file: string, hash: string): Buffer | null {
  if (!statSync(file, { throwIfNoEntry: false })?.isFile()) return null
  const bytes = readFileSync(file)
  return hashOf(bytes) === hash ? bytes : null
}

/** Writes a file unless it is there as it should be, to its last byte; its day is that of whoever asked for it last. */
export function keepWhole(file: string, bytes: Uint8Array, hash: string): void {
  const isThere = statSync(file, { throwIfNoEntry: false })?.size === bytes.length && readWhole(file, hash) !== null
  if (isThere) utimesSync(file, new Date(), new Date())
  else writeWhole(file, bytes)
}

function blobFile(hash: string): string {
  return dataFolder('blobs', hash.slice(0, 2), hash)
}
