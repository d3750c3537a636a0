/** A file of a family: shipped in a package, or the client's own under its kept name. */
export type FontFile = {
  /** Its name on drafts, alone: `lora-latin-wght-normal.woff2`, `own-….woff2`. */
  readonly file: string
  readonly package: string | null
  readonly weight: string
  readonly style: 'normal' | 'italic'
  /** Which letters it holds; null where only the file itself can say. */
  readonly range: keyof typeof RANGES | null
  /** Published as it is: its own permission forbids taking letters out. */
  readonly whole: boolean
}
export type FamilyKind = 'serif' | 'slab' | 'sans' | 'condensed' | 'mono' | 'display' | 'hand'
export type Family = {
  readonly key: string
  readonly name: string
  readonly kind: FamilyKind
  readonly fallback: string
  /** Height of x and of capitals and the mean width of a letter of English text at weight 400, as parts of the em. */
  readonly x: number
  readonly cap: number
  readonly width: number
  /** What it looks like, in a few words; empty for the client's own. */
  readonly manner: string
  /** Whose it is, and under what licence it may be published. */
  readonly licence: string
  readonly files: readonly FontFile[]
}

/** Unicode ranges of the files that a family's letters come in, as the packages declare them. */
export const RANGES = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,' +
    'U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,' +
    'U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF',
  vietnamese:
    'U+0102-0103,U+0110-0111,U+0128-0129,U+0168-0169,U+01A0-01A1,U+01AF-01B0,U+0300-0301,U+0303-0304,U+0308-0309,U+0323,' +
    'U+0329,U+1EA0-1EF9,U+20AB',
  greek: 'U+0370-0377,U+037A-037F,U+0384-038A,U+038C,U+038E-03A1,U+03A3-03FF',
  'greek-ext': 'U+1F00-1FFF',
  cyrillic: 'U+0301,U+0400-045F,U+0490-0491,U+04B0-04B1,U+2116',
  'cyrillic-ext': 'U+0460-052F,U+1C80-1C8A,U+20B4,U+2DE0-2DFF,U+A640-A69F,U+FE2E-FE2F',
  hebrew: 'U+0307-0308,U+0590-05FF,U+200C-2010,U+20AA,U+25CC,U+FB1D-FB4F',
  arabic:
    'U+0600-06FF,U+0750-077F,U+0870-088E,U+0890-0891,U+0897-08E1,U+08E3-08FF,U+200C-200E,U+2010-2011,U+204F,U+2E41,' +
    'U+FB50-FDFF,U+FE70-FE74,U+FE76-FEFC',
} as const

/** What stands in while a family's file is on its way. */
export const FALLBACKS: Record<FamilyKind, string> = {
  serif: 'Georgia, "Times New Roman", serif',
  slab: 'Rockwell, Georgia, serif',
  sans: '"Segoe UI", Arial, sans-serif',
  condensed: '"Arial Narrow", Impact, sans-serif',
  mono: 'Consolas, "Courier New", monospace',
  display: '"Arial Black", Arial, sans-serif',
  hand: '"Segoe Print", cursive',
}

/** The weights that a family can be set in: its least and its greatest, and every one where it is variable. */
export function weightsOf(family: Family): { readonly least: number; readonly most: number; readonly only: readonly number[] } {
  const all = [...new Set(family.files.map((f) => f.weight))]
  const bounds = all.flatMap((weight) => weight.split(' ').map(Number))
  return {
    least: Math.min(...bounds),
    most: Math.max(...bounds),
    only: all.some((weight) => weight.includes(' ')) ? [] : [...new Set(bounds)].sort((a, b) => a - b),
  }
}

/** What travels with published fonts: the licence asks that its notice does. */
export function fontLicences(families: readonly Family[]): string {
  return (
    `${families.map(({ name, licence }) => `${name}: ${licence}`).join('\n')}\n\nThe SIL Open Font Licence 1.1 can ` +
    'be read at https://openfontlicense.org\n'
  )
}
