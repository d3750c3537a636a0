import path from 'node:path'
import type { Pack } from '../src/core/pack'
import { readPack } from '../src/server/packs/packs'

/** The shipped templates and designs, read from their files. */
export function readShippedPack(): Pack {
  return readPack(path.join(import.meta.dirname, '..', 'templates'))
}
