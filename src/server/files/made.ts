import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { cacheFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** How long the sum is that stands behind what was made, in bytes: SHA-256. */
const SUM = 32
const sumOf = (bytes: Uint8Array): Buffer => createHash('sha256').update(bytes).digest()

/**
 * What was made once from the same recipe, or is made now and kept: `name` is a path that tells the whole recipe. Its sum is kept behind
 * it, so that what the disk lost or changed is made again.
 */
export async function madeOnce(folder: 'variants' | 'fonts', name: string, make: () => Promise<Uint8Array>): Promise<Buffer> {
  const file = cacheFolder(folder, name)
  const known = existsSync(file) ? readMade(file) : null
  if (known) return known
  const bytes = Buffer.from(await make())
  try {
    writeWhole(file, Buffer.concat([bytes, sumOf(bytes)]))
  } catch (error) {
    // On a disk that is full, or only there to be read, it is made again the next time: whoever asked gets it all the same.
    console.error(`${name} was made and cannot be kept`, error)
  }
  return bytes
}

/** Whether a file is what was made, to its last byte. */
export function isMadeWhole(file: string): boolean {
  return readMade(file) !== null
}

function readMade(file: string): Buffer | null {
  const kept = readFileSync(file)
  const bytes = kept.subarray(0, -SUM)
  return kept.length > SUM && sumOf(bytes).equals(kept.subarray(-SUM)) ? bytes : null
}
