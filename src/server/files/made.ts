import { existsSync, readFileSync } from 'node:fs'
import { dataFolder } from './data-folder'
import { writeWhole } from './write-whole'

/** What was made once from the same recipe, or is made now and kept: `name` is a path that tells the whole recipe. */
export async function madeOnce(folder: 'variants' | 'fonts', name: string, make: () => Promise<Uint8Array>): Promise<Buffer> {
  const file = dataFolder(folder, name)
  if (existsSync(file)) return readFileSync(file)
  const bytes = await make()
  writeWhole(file, bytes)
  return Buffer.from(bytes)
}
