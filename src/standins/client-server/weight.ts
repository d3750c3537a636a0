import { readdirSync, statSync } from 'node:fs'
import path from 'node:path'

/** How many bytes lie in a folder and under it. */
export function weightOf(folder: string): number {
  return readdirSync(folder, { withFileTypes: true }).reduce((sum, entry) => {
    const file = path.join(folder, entry.name)
    return sum + (entry.isDirectory() ? weightOf(file) : entry.isFile() ? statSync(file).size : 0)
  }, 0)
}
