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

/** Unicode ranges of the two files that hold a family's Latin letters, as the packages declare them. */
export const RANGES = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+0304,U+0308,U+0329,U+2000-206F,U+20AC,U+2122,' +
    'U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,' +
    'U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF',
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
