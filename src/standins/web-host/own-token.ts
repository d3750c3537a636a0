import { randomBytes } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'

/** The token for the control interface: made at the first start, 256 bits, and readable by whoever runs the host alone. */
export function ownToken(folder: string): string {
  mkdirSync(folder, { recursive: true })
  const file = path.join(folder, 'control-token')
  try {
    writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600, flag: 'wx', flush: true })
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
  }
  return readFileSync(file, 'utf8')
}
