import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import subsetFont from 'subset-font'
import { FAMILIES, fontLetters, getFamily, type FontFace, type FontFile } from '../core/type'
import { madeFolder, projectFolder } from './data-folder'

export function fontFilePath(file: FontFile): string {
  return projectFolder('node_modules', ...file.package.split('/'), 'files', file.file)
}

/** The shipped font file of a name, or null: only names in the table lead to a file. */
export function findShippedFont(name: string): string | null {
  const file = Object.values(FAMILIES).flatMap((f) => f.files).find((f) => f.file === name)
  return file ? fontFilePath(file) : null
}

export type SiteFont = { readonly path: string; readonly bytes: Buffer; readonly face: FontFace; readonly isMain: boolean }

/** The font files of a site, each holding only the letters that its text can need; made once for a set of letters. */
export async function siteFonts(families: readonly string[], texts: Iterable<string>): Promise<SiteFont[]> {
  const letters = fontLetters(texts)
  const wanted = [...new Set(families)].flatMap((key) => getFamily(key).files.map((file) => ({ name: getFamily(key).name, file })))
  return Promise.all(wanted.map(async ({ name, file }, i) => {
    const bytes = await subset(file, letters)
    const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 8)
    const path = `fonts/${file.file.replace(/-latin|-wght|-normal|\.woff2/g, '')}-${hash}.woff2`
    return { path, bytes, isMain: i === 0, face: { family: name, url: path, weight: file.weight, style: file.style } }
  }))
}

async function subset(file: FontFile, letters: string): Promise<Buffer> {
  const key = createHash('sha256').update(`${file.file} ${letters}`).digest('hex').slice(0, 24)
  const made = `${madeFolder('fonts')}/${key}.woff2`
  if (existsSync(made)) return readFileSync(made)
  const bytes = await subsetFont(readFileSync(fontFilePath(file)), letters, { targetFormat: 'woff2' })
  writeFileSync(made, bytes)
  return bytes
}
