import { createHash, randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import type { ManifestEntry } from '../../core/release'
import { dataFolder } from '../data-folder'

/** Keeps a file's content under its hash; the same content is kept once, and never overwritten. */
export function keepBlob(content: Buffer | string): ManifestEntry {
  const bytes = typeof content === 'string' ? Buffer.from(content) : content
  const hash = createHash('sha256').update(bytes).digest('hex')
  const file = blobFile(hash)
  if (!existsSync(file)) {
    mkdirSync(path.dirname(file), { recursive: true })
    const part = `${file}.${randomUUID()}.part`
    writeFileSync(part, bytes)
    renameSync(part, file)
  }
  return { hash, bytes: bytes.length }
}

export function readBlob(hash: string): Buffer {
  return readFileSync(blobFile(hash))
}

function blobFile(hash: string): string {
  return dataFolder('blobs', hash.slice(0, 2), hash)
}
