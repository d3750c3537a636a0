import { createHash } from 'node:crypto'
import { readFileSync, statSync } from 'node:fs'
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
  const file = blobFile(hash)
  if (statSync(file, { throwIfNoEntry: false })?.size !== bytes.length) writeWhole(file, bytes)
  return { hash, bytes: bytes.length }
}

/** The content of a hash; null where it is not here, or what is here is something else. */
export function readBlob(hash: string): Buffer | null {
  const file = blobFile(hash)
  if (!statSync(file, { throwIfNoEntry: false })?.isFile()) return null
  const bytes = readFileSync(file)
  return hashOf(bytes) === hash ? bytes : null
}

function blobFile(hash: string): string {
  return dataFolder('blobs', hash.slice(0, 2), hash)
}
