import { existsSync, readFileSync } from 'node:fs'
import { LRUCache } from 'lru-cache'
import { FAMILIES, fontLetters, isInRange, RANGES, type Family, type FontFace, type FontFile } from '../../core/type'
import { shownType, type PageType, type ShownType } from '../../core/faces'
import { hashOf } from '../files/blobs'
import { projectFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { madeOnce } from '../files/made'
import { mediaFile } from '../files/media-file'
import { Problem } from '../problems'
import { readOutside } from '../readers/read-outside'
import { cutDown, type Part } from './cut-down'

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

/** A font file as it is published; the main one is shown on every page. */
export type SiteFont = { readonly path: string; readonly bytes: Buffer; readonly face: FontFace; readonly isMain: boolean }

/** How many pages are known that were looked at: what did not change is not looked at again when a site goes out once more. */
const PAGES_KNOWN = 3000
const pagesKnown = (): LRUCache<string, PageType> => kept('pages-looked-at', () => new LRUCache({ max: PAGES_KNOWN }))

/** The font files of a site, each holding only what its pages and their style sheet can show; made once for the same part of a file. */
export async function siteFonts(families: readonly Family[], pages: readonly string[], css: string): Promise<SiteFont[]> {
  const names = families.map(({ name }) => name)
  const by = hashOf(`${css} ${names.join()}`)
  const shown = shownType(css, pages, names, (html, look) => {
    const key = hashOf(by + html)
    const known = pagesKnown().get(key) ?? look()
    pagesKnown().set(key, known)
    return known
  })
  const wanted = families.flatMap(({ name, files }) =>
    files.flatMap((file) => partsOf(name, file, shown).map((part) => ({ name, file, part }))),
  )
  const main = wanted.find(({ file, part }) => file === families[0]?.files[0] && part.isEverywhere)
  return Promise.all(
    wanted.map(async (one) => {
      const { name, file, part } = one
      const bytes = file.whole ? readFont(file) : await subset(file, part)
      const hash = hashOf(bytes).slice(0, 8)
      const type = file.whole ? file.file.split('.').at(-1) : 'woff2'
      const weight = part.weights === null ? file.weight : part.weights.join(' ')
      const stem = file.file.replace(/-latin(?=-)(?!-ext)|-wght|-normal|\.\w+$/g, '')
      const path = `fonts/${stem}${part.weights === null ? '' : `-${part.weights.join('-')}`}-${hash}.${type}`
      const range = file.range === null || file.range === 'latin' ? {} : { range: RANGES[file.range] }
      return { path, bytes, isMain: one === main, face: { family: name, url: path, weight, style: file.style, ...range } }
    }),
  )
}

/** Up to so many weights on a page each is a file of its own: one is about half of all together, and visitors fetch what is shown. */
const FEW_WEIGHTS = 2

/** The parts that a file is published in: none where no page shows it, all its weights in one, or each by itself. */
function partsOf(
  family: string,
  file: FontFile,
  { letters, features, faces }: ShownType,
): readonly (Part & { readonly isEverywhere: boolean })[] {
  const own = lettersFor(file, fontLetters(letters))
  if (own === '') return []
  const whole = { letters: own, features, weights: null, isEverywhere: true }
  if (faces === null || file.whole) return [whole]
  const shown = faces(family, file.style)
  if (shown === null) return []
  const [least = 0, most] = file.weight.split(' ').map(Number)
  if (most === undefined) return [whole]
  const within = (weight: number): number => Math.min(most, Math.max(least, weight))
  const weights = [...new Set(shown.weights.map(within))]
  const everywhere = new Set(shown.everywhere.map(within))
  const part = (...of: readonly number[]): Part & { isEverywhere: boolean } => ({
    ...whole,
    weights: of,
    isEverywhere: of.some((weight) => everywhere.has(weight)),
  })
  if (weights.length === 1 || shown.perPage <= FEW_WEIGHTS) return weights.map((weight) => part(weight))
  return [{ ...part(Math.min(...weights), Math.max(...weights)), isEverywhere: everywhere.size > 0 }]
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

function subset(file: FontFile, part: Part): Promise<Buffer> {
  const key = hashOf(`${file.file} ${part.letters} ${part.features?.join(' ')} ${part.weights?.join(' ')}`).slice(0, 24)
  return madeOnce('fonts', `${key}.woff2`, () => {
    const bytes = readFont(file)
    return file.package === null ? readOutside('subset', file.file, { bytes, ...part }) : cutDown(bytes, part)
  })
}
