import type { Pack } from '../src/core/pack'
import { readShipped } from '../src/server/packs/library'

/** The shipped templates and designs, as the build parsed them. */
export function readShippedPack(): Pack {
  return readShipped().library.pack
}
