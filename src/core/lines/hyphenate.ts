/** A word with a soft hyphen (U+00AD) wherever it may be divided at the end of a line. */
export type Hyphenation = (word: string) => string

type Patterns = { readonly hyphenateSync: (text: string, options?: { hyphenChar?: string; minWordLength?: number }) => string }

/** The hyphenation patterns of the TeX community, by language; each is fetched when a site is written in it. */
const PATTERNS: ReadonlyMap<string, () => Promise<{ default: Patterns }>> = new Map([
  ['bg', () => import('hyphen/bg')],
  ['ca', () => import('hyphen/ca')],
  ['cs', () => import('hyphen/cs')],
  ['cy', () => import('hyphen/cy')],
  ['da', () => import('hyphen/da')],
  ['de', () => import('hyphen/de')],
  ['el', () => import('hyphen/el')],
  ['en', () => import('hyphen/en-gb')],
  ['en-US', () => import('hyphen/en-us')],
  ['es', () => import('hyphen/es')],
  ['et', () => import('hyphen/et')],
  ['eu', () => import('hyphen/eu')],
  ['fi', () => import('hyphen/fi')],
  ['fr', () => import('hyphen/fr')],
  ['ga', () => import('hyphen/ga')],
  ['gl', () => import('hyphen/gl')],
  ['hr', () => import('hyphen/hr')],
  ['hu', () => import('hyphen/hu')],
  ['is', () => import('hyphen/is')],
  ['it', () => import('hyphen/it')],
  ['lt', () => import('hyphen/lt')],
  ['lv', () => import('hyphen/lv')],
  ['nb', () => import('hyphen/nb')],
  ['nl', () => import('hyphen/nl')],
  ['pl', () => import('hyphen/pl')],
  ['pt', () => import('hyphen/pt')],
  ['ro', () => import('hyphen/ro')],
  ['ru', () => import('hyphen/ru')],
  ['sk', () => import('hyphen/sk')],
  ['sl', () => import('hyphen/sl')],
  ['sr', () => import('hyphen/sr')],
  ['sv', () => import('hyphen/sv')],
  ['tr', () => import('hyphen/tr')],
  ['uk', () => import('hyphen/uk')],
])

const SOFT_HYPHEN = '\u00ad'
/** The fewest letters that stand before a hyphen, and after one (common practice, no source). */
const BEFORE = 3
const AFTER = 3

const loaded = new Map<string, Promise<Hyphenation | null>>()

/** How words are divided in a language, by its tag (BCP 47); null where no patterns are known for it. */
export function loadHyphenation(language: string): Promise<Hyphenation | null> {
  const [base = ''] = language.split('-')
  const key = PATTERNS.has(language) ? language : base
  let found = loaded.get(key)
  if (!found) loaded.set(key, (found = load(key)))
  return found
}

async function load(key: string): Promise<Hyphenation | null> {
  const patterns = await PATTERNS.get(key)?.()
  return patterns ? (word) => divided(patterns.default, word) : null
}

function divided(patterns: Patterns, word: string): string {
  const [first = '', ...parts] = patterns.hyphenateSync(word, { hyphenChar: SOFT_HYPHEN, minWordLength: BEFORE + AFTER }).split(SOFT_HYPHEN)
  let [out, at] = [first, first.length]
  for (const part of parts) {
    out += at >= BEFORE && word.length - at >= AFTER ? SOFT_HYPHEN + part : part
    at += part.length
  }
  return out
}
