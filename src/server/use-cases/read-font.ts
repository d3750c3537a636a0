import { readFileSync } from 'node:fs'
import { findFontFile } from '../media/fonts'

/** The bytes of a font file by its name; null where there is none. */
export function readFont(name: string): Buffer | null {
  const path = findFontFile(name)
  return path === null ? null : readFileSync(path)
}
