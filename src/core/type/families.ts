import type { OwnFont } from '../site'

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

const OFL = 'SIL Open Font Licence 1.1'
const FALLBACKS: Record<FamilyKind, string> = {
  serif: 'Georgia, "Times New Roman", serif',
  slab: 'Rockwell, Georgia, serif',
  sans: '"Segoe UI", Arial, sans-serif',
  condensed: '"Arial Narrow", Impact, sans-serif',
  mono: 'Consolas, "Courier New", monospace',
  display: '"Arial Black", Arial, sans-serif',
  hand: '"Segoe Print", cursive',
}

type Row = readonly [
  key: string,
  name: string,
  kind: FamilyKind,
  weight: string,
  italic: boolean,
  x: number,
  cap: number,
  width: number,
  manner: string,
  owner: string,
]

/** Widths as Chromium sets the first article of the Universal Declaration of Human Rights; heights from the files (OS/2 table). */
const VARIABLE: readonly Row[] = [
  [
    'vollkorn',
    'Vollkorn',
    'serif',
    '400 900',
    true,
    0.458,
    0.676,
    0.44,
    'a warm, sturdy book face with old-style figures',
    'The Vollkorn Project Authors',
  ],
  [
    'eb-garamond',
    'EB Garamond',
    'serif',
    '400 800',
    true,
    0.4,
    0.65,
    0.385,
    'a light Renaissance face, small in the eye',
    'The EB Garamond Project Authors',
  ],
  ['lora', 'Lora', 'serif', '400 700', true, 0.5, 0.7, 0.472, 'brushed curves, easy on screens', 'The Lora Project Authors'],
  [
    'merriweather',
    'Merriweather',
    'serif',
    '300 900',
    true,
    0.555,
    0.743,
    0.485,
    'broad and large in the eye, made for long reading',
    'The Merriweather Project Authors',
  ],
  [
    'source-serif-4',
    'Source Serif 4',
    'serif',
    '200 900',
    true,
    0.475,
    0.67,
    0.482,
    'a plain transitional face without airs',
    'Google Inc.',
  ],
  ['newsreader', 'Newsreader', 'serif', '200 800', true, 0.426, 0.67, 0.428, 'a narrow newspaper face', 'The Newsreader Project Authors'],
  [
    'playfair-display',
    'Playfair Display',
    'serif',
    '400 900',
    true,
    0.514,
    0.708,
    0.455,
    'thick and thin in high contrast, for large sizes',
    'The Playfair Display Project Authors',
  ],
  [
    'fraunces',
    'Fraunces',
    'serif',
    '100 900',
    true,
    0.482,
    0.7,
    0.472,
    'soft old-style letters with a wink',
    'The Fraunces Project Authors',
  ],
  ['bitter', 'Bitter', 'slab', '100 900', true, 0.522, 0.692, 0.465, 'an even slab for text', 'The Bitter Project Authors'],
  ['aleo', 'Aleo', 'slab', '100 900', true, 0.507, 0.737, 0.462, 'a friendly, round-shouldered slab', 'The Aleo Project Authors'],
  ['nunito-sans', 'Nunito Sans', 'sans', '200 1000', true, 0.484, 0.705, 0.453, 'open and gentle', 'The Nunito Sans Project Authors'],
  ['public-sans', 'Public Sans', 'sans', '100 900', true, 0.517, 0.723, 0.466, 'strong and neutral', 'The Public Sans Project Authors'],
  ['inter', 'Inter', 'sans', '100 900', true, 0.546, 0.728, 0.479, 'large in the eye, drawn for screens', 'The Inter Project Authors'],
  ['dm-sans', 'DM Sans', 'sans', '100 1000', true, 0.504, 0.7, 0.468, 'low-contrast and geometric', 'The DM Sans Project Authors'],
  ['work-sans', 'Work Sans', 'sans', '100 900', true, 0.5, 0.66, 0.502, 'a wide early grotesque', 'The Work Sans Project Authors'],
  ['source-sans-3', 'Source Sans 3', 'sans', '200 900', true, 0.478, 0.66, 0.421, 'narrow and quiet, saves room', 'Google Inc.'],
  ['figtree', 'Figtree', 'sans', '300 900', true, 0.5, 0.7, 0.45, 'clean and cheerful', 'The Figtree Project Authors'],
  [
    'plus-jakarta-sans',
    'Plus Jakarta Sans',
    'sans',
    '200 800',
    true,
    0.536,
    0.745,
    0.469,
    'round and modern',
    'The Plus Jakarta Sans Project Authors',
  ],
  [
    'montserrat',
    'Montserrat',
    'sans',
    '100 900',
    true,
    0.517,
    0.7,
    0.508,
    'wide, like letters on old shop signs',
    'The Montserrat Project Authors',
  ],
  ['manrope', 'Manrope', 'sans', '200 800', false, 0.54, 0.72, 0.46, 'half geometric, half grotesque', 'The Manrope Project Authors'],
  [
    'hanken-grotesk',
    'Hanken Grotesk',
    'sans',
    '100 900',
    true,
    0.493,
    0.697,
    0.452,
    'a calm humanist grotesque',
    'The Hanken Grotesk Project Authors',
  ],
  [
    'space-grotesk',
    'Space Grotesk',
    'sans',
    '300 700',
    false,
    0.486,
    0.7,
    0.491,
    'technical, with odd corners',
    'The Space Grotesk Project Authors',
  ],
  [
    'bricolage-grotesque',
    'Bricolage Grotesque',
    'display',
    '200 800',
    false,
    0.528,
    0.66,
    0.475,
    'heavy, with character in its cuts',
    'The Bricolage Grotesque Project Authors',
  ],
  [
    'unbounded',
    'Unbounded',
    'display',
    '200 900',
    false,
    0.566,
    0.75,
    0.601,
    'very wide and round, for few words',
    'The Unbounded Project Authors',
  ],
  ['oswald', 'Oswald', 'condensed', '200 700', false, 0.578, 0.81, 0.363, 'tall and narrow, for headings', 'The Oswald Project Authors'],
  ['caveat', 'Caveat', 'hand', '400 700', false, 0.4, 0.61, 0.344, 'quick handwriting, for notes', 'The Caveat Project Authors'],
  [
    'jetbrains-mono',
    'JetBrains Mono',
    'mono',
    '100 800',
    true,
    0.55,
    0.73,
    0.6,
    'tall letters of one width',
    'The JetBrains Mono Project Authors',
  ],
  ['source-code-pro', 'Source Code Pro', 'mono', '200 900', true, 0.478, 0.66, 0.6, 'plain letters of one width', 'Google Inc.'],
  [
    'spline-sans-mono',
    'Spline Sans Mono',
    'mono',
    '300 700',
    true,
    0.545,
    0.727,
    0.6,
    'soft letters of one width',
    'The Spline Sans Mono Project Authors',
  ],
]
/** Families that come as one file a weight. */
const STATIC: readonly (readonly [...Row, files: readonly (readonly [weight: string, style: 'normal' | 'italic'])[]])[] = [
  [
    'alegreya-sans',
    'Alegreya Sans',
    'sans',
    '400 700',
    true,
    0.458,
    0.641,
    0.388,
    'a calligraphic sans with old-style figures',
    'The Alegreya Sans Project Authors',
    [
      ['400', 'normal'],
      ['400', 'italic'],
      ['700', 'normal'],
    ],
  ],
  [
    'barlow-condensed',
    'Barlow Condensed',
    'condensed',
    '700',
    false,
    0.514,
    0.7,
    0.366,
    'road-sign capitals, bold only',
    'The Barlow Project Authors',
    [['700', 'normal']],
  ],
]
const RANGE_NAMES = ['latin', 'latin-ext'] as const

const toFamily = ([key, name, kind, , , x, cap, width, manner, owner]: Row, files: readonly FontFile[]): Family => ({
  key,
  name,
  kind,
  fallback: FALLBACKS[kind],
  x,
  cap,
  width,
  manner,
  licence: `© ${owner}, ${OFL}`,
  files,
})

const toFile = (pack: string, stem: string, weight: string, style: 'normal' | 'italic'): FontFile[] =>
  RANGE_NAMES.map((range) => ({ file: `${stem.replace('*', range)}-${style}.woff2`, package: pack, weight, style, range, whole: false }))

const SHIPPED: readonly Family[] = [
  ...VARIABLE.map((row) => {
    const [key, , , weight, italic] = row
    return toFamily(
      row,
      (italic ? (['normal', 'italic'] as const) : (['normal'] as const)).flatMap((style) =>
        toFile(`@fontsource-variable/${key}`, `${key}-*-wght`, weight, style),
      ),
    )
  }),
  ...STATIC.map(([...row]) => {
    const files = row.pop() as readonly (readonly [string, 'normal' | 'italic'])[]
    const own = row as unknown as Row
    return toFamily(
      own,
      files.flatMap(([weight, style]) => toFile(`@fontsource/${own[0]}`, `${own[0]}-*-${weight}`, weight, style)),
    )
  }),
]

/** Families shipped with the application, by the key that templates and brands name them with. */
export const FAMILIES: Readonly<Record<string, Family>> = Object.fromEntries(SHIPPED.map((family) => [family.key, family]))

/** The client's own families, from the font files they sent. */
export function ownFamilies(fonts: readonly OwnFont[]): Family[] {
  return [...new Set(fonts.map((f) => f.family))].flatMap((key) => {
    const files = fonts.filter((f) => f.family === key)
    const [first] = files
    return first
      ? [
          {
            // Of two families of one name a browser would make one.
            key,
            name: SHIPPED.some((f) => f.name === first.name) ? `${first.name} own` : first.name,
            kind: 'sans' as const,
            fallback: FALLBACKS.sans,
            x: first.x,
            cap: first.cap,
            width: first.width,
            manner: '',
            licence: 'the client’s own',
            files: files.map((f) => ({
              file: f.file,
              package: null,
              weight: f.weight,
              style: f.style,
              range: null,
              whole: f.whole === true,
            })),
          },
        ]
      : []
  })
}

/** A family by its key: one of the client's own, or a shipped one; null where there is none. */
export function findFamily(key: string, fonts: readonly OwnFont[] = []): Family | null {
  return ownFamilies(fonts).find((f) => f.key === key) ?? (Object.hasOwn(FAMILIES, key) ? (FAMILIES[key] ?? null) : null)
}

export function getFamily(key: string, fonts: readonly OwnFont[] = []): Family {
  const family = findFamily(key, fonts)
  if (!family) throw new Error(`No type family ${key}`)
  return family
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

/** A font file as the page's CSS names it: its address and the letters it holds. */
export type FontFace = {
  readonly family: string
  readonly url: string
  readonly weight: string
  readonly style: string
  readonly range?: string | undefined
}

const FORMATS: Readonly<Record<string, string>> = { woff2: 'woff2', woff: 'woff', ttf: 'truetype', otf: 'opentype' }

export function fontFaceCss(faces: readonly FontFace[]): string {
  return faces
    .map(
      (f) =>
        `@font-face{font-family:"${f.family}";src:url("${f.url}") ` +
        `format("${FORMATS[f.url.split('.').at(-1) ?? ''] ?? 'woff2'}");font-weight:${f.weight};font-style:${f.style};` +
        `font-display:swap${f.range ? `;unicode-range:${f.range}` : ''}}`,
    )
    .join('\n')
}
