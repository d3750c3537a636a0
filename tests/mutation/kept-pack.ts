import { readFileSync } from 'node:fs'
import type { Pack } from '../../src/core/pack'

/** In the place of tests/read-pack.ts: the pack as scripts/mutate.mjs keeps it, since reading it takes longer than most tests. */
export function readShippedPack(): Pack {
  return JSON.parse(readFileSync(process.env.MUTATE_PACK ?? '', 'utf8')) as Pack
}
