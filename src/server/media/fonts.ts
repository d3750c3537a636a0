import { existsSync, readFileSync } from 'node:fs'
import subsetFont from 'subset-font'
import { FAMILIES, fontLetters, isInRange, RANGES, type Family, type FontFace, type FontFile } from '../../core/type'
import { hashOf } from '../files/blobs'
import { projectFolder } from '../files/data-folder'
import { madeOnce } from '../files/made'
import { mediaFile } from '../files/media-file'
import { Problem } from '../http/problems'
import { readOutside } from '../readers/read-outside'

/** Where a font file lies: in its package, or among the client's own. */
export function fontFilePath(file: FontFile): string {
  return file.package === null ? mediaFile(file.file) : projectFolder('node_modules', ...file.package.split('/'), 'files', file.file)
}

function readFont(file: FontFile): Buffer {
  return file.package === null ? readOwnFont(file.file) : readFileSync(fontFilePath(file))
}

/** The bytes of a font file of the client's: what they were when it came, which its name tells. */
export function readOwnFont(name: string): Buffer {
  const found = mediaFile(name)
  const bytes = existsSync(found) ? readFileSync(found) : null
  if (bytes && name.startsWith(`own-${hashOf(bytes).slice(0, 20)}.`)) return bytes
  throw new Problem('fontLost', { name })
}

/** The font file of a name, or null: only names in the table, and names that a kept file can have, lead to one. */
export function findFontFile(name: string): string | null {
  if (/^own-[0-9a-f]{20}\.(woff2|woff|ttf|otf)$/.test(name)) {
    const own = mediaFile(name)
    return existsSync(own) ? own : null
  }
  const file = Object.values(FAMILIES)
    .flatMap((f) => f.files)
    .find((f) => f.file === name)
  return file ? fontFilePath(file) : null
}

export type SiteFont = { readonly path: string; readonly bytes: Buffer; readonly face: FontFace; readonly isMain: boolean }

/** The font files of a site, each holding only the letters that its text can need; made once for a set of letters. */
export async function siteFonts(families: readonly Family[], texts: Iterable<string>): Promise<SiteFont[]> {
  const letters = fontLetters(texts)
  const wanted = families.flatMap((family) =>
    family.files.flatMap((file) => {
      const own = lettersFor(file, letters)
      return own === '' ? [] : [{ name: family.name, file, own }]
    }),
  )
  return Promise.all(
    wanted.map(async ({ name, file, own }, i) => {
      const bytes = file.whole ? readFont(file) : await subset(file, own)
      const hash = hashOf(bytes).slice(0, 8)
      const type = file.whole ? file.file.split('.').at(-1) : 'woff2'
      const path = `fonts/${file.file.replace(/-latin(?=-)(?!-ext)|-wght|-normal|\.\w+$/g, '')}-${hash}.${type}`
      const range = file.range === null || file.range === 'latin' ? {} : { range: RANGES[file.range] }
      return { path, bytes, isMain: i === 0, face: { family: name, url: path, weight: file.weight, style: file.style, ...range } }
    }),
  )
}

/** Of the letters wanted, those that a file is there for: one of other letters than plain Latin is left out where none is used. */
function lettersFor(file: FontFile, letters: string): string {
  const { range } = file
  if (range === null || range === 'latin') return letters
  const points = [...letters].map((letter) => letter.codePointAt(0) ?? 0).filter((point) => isInRange(RANGES[range], point))
  // Joiners and hyphens stand in the files of several scripts; alone they ask for none of them.
  const isOwn = (point: number): boolean => !isInRange(RANGES.latin, point)
  return points.some(isOwn) ? String.fromCodePoint(...points) : ''
}

function subset(file: FontFile, letters: string): Promise<Buffer> {
  const key = hashOf(`${file.file} ${letters}`).slice(0, 24)
  return madeOnce('fonts', `${key}.woff2`, () => {
    const bytes = readFont(file)
    return file.package === null
      ? readOutside('subset', file.file, { bytes, letters })
      : subsetFont(bytes, letters, { targetFormat: 'woff2' })
  })
}
