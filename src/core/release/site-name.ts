import { toUnicode } from 'tr46'
import { toAsciiName } from '../ascii-name'

export type SiteNameProblem = 'empty' | 'tooLong' | 'letters' | 'hyphens' | 'reserved' | 'mixed'
export type SiteName =
  | {
      readonly ok: true
      /** As it is asked of a name server: a–z, 0–9 and hyphens. */ readonly label: string
      /** As a person reads it. */ readonly shown: string
    }
  | { readonly ok: false; readonly problem: SiteNameProblem; readonly sentence: string }

/** Names a web host keeps for itself. */
const RESERVED = new Set(
  [
    'www mail smtp imap pop ftp sftp ns ns1 ns2 dns admin administrator root host hostmaster webmaster postmaster abuse',
    'api app status support help static cdn localhost local test draft proof',
  ].flatMap((names) => names.split(' ')),
)

const SENTENCES: Record<SiteNameProblem, string> = {
  empty: 'Choose a name for the address, such as the client’s name in one word.',
  tooLong: 'That name is too long: one part of a host name holds 63 characters at most.',
  letters: 'A name takes letters, digits and hyphens only. Leave out spaces, dots and other signs.',
  hyphens: 'A name neither begins nor ends with a hyphen, and has no two in its third and fourth place.',
  reserved: 'That name is kept by the web host for itself. Choose another.',
  mixed: 'That name has letters of several scripts, some of which look like others. Write it in the letters of one.',
}

/**
 * One host-name label from what a person typed. RFC 1123, 2.1 (letters, digits, hyphens; up to 63) after RFC 5891's
 * mapping of other scripts to their ASCII form (UTS 46, non-transitional).
 */
export function parseSiteName(text: string): SiteName {
  const typed = text.trim()
  if (typed === '') return refuse('empty')
  if (/[\s.@:/\\_。．｡]/u.test(typed)) return refuse('letters')
  if (/^-|-$|^..--/.test(typed) && !/^xn--/i.test(typed)) return refuse('hyphens')
  if ([...typed].length > 63) return refuse('tooLong')
  const label = toAsciiName(typed)
  if (label === null) return refuse(/^[\x00-\x7f]*$/.test(typed) || [...typed].length < 40 ? 'letters' : 'tooLong')
  if (RESERVED.has(label)) return refuse('reserved')
  const shown = toUnicode(label).domain
  return isOfOneScript(shown) ? { ok: true, label, shown } : refuse('mixed')
}

/** Scripts in everyday use (UAX 31, table 5; from memory). */
const SCRIPTS = (
  'Latin Cyrillic Greek Arabic Hebrew Armenian Georgian Han Hiragana Katakana Hangul Bopomofo Thai Lao Khmer Myanmar Ethiopic Devanagari ' +
  'Bengali Gurmukhi Gujarati Oriya Tamil Telugu Kannada Malayalam Sinhala Tibetan Thaana'
).split(' ')
/** What is written together (UTS 39, 5.2, “Highly Restrictive”): with Latin the scripts of Japanese, of Chinese and of Korean. */
const TOGETHER = ['Latin Han Hiragana Katakana', 'Latin Han Bopomofo', 'Latin Han Hangul'].map((scripts) => scripts.split(' '))
const LETTERS_OF = new Map(SCRIPTS.map((script) => [script, new RegExp(`^\\p{Script_Extensions=${script}}$`, 'u')]))

function isOfOneScript(shown: string): boolean {
  const letters = [...shown].filter((letter) => !/^[\p{Script=Common}\p{Script=Inherited}]$/u.test(letter))
  return [...SCRIPTS.map((script) => [script]), ...TOGETHER].some((scripts) =>
    letters.every((letter) => scripts.some((script) => LETTERS_OF.get(script)?.test(letter))),
  )
}

function refuse(problem: SiteNameProblem): SiteName {
  return { ok: false, problem, sentence: SENTENCES[problem] }
}

/**
 * Names like the one wanted, those that read best first: with the town, the trade, the first word alone, or a number. No word comes twice.
 * `slugs` come cleaned.
 */
export function suggestSiteNames(
  wanted: string,
  slugs: { readonly name: string; readonly locality: string; readonly trade: string },
): string[] {
  const base = wanted || slugs.name || 'site'
  const [short = ''] = slugs.name.split('-')
  const tries = [
    [slugs.name || base],
    [base, slugs.locality],
    [slugs.name, slugs.locality],
    [base, slugs.trade],
    [slugs.name, slugs.trade],
    [short, slugs.locality],
    ...[2, 3, 4, 5].map((n) => [slugs.name || base, String(n)]),
  ]
  const fitting = tries
    .filter(([one = '', more]) => more === undefined || (one !== '' && more !== '' && !sharesWord(one, more)))
    .map((parts) =>
      parts
        .join('-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 63)
        .replace(/-+$/, ''),
    )
    .filter((name) => name !== wanted && parseSiteName(name).ok)
  return [...new Set(fitting)]
}

function sharesWord(one: string, other: string): boolean {
  const words = new Set(one.split('-'))
  return other.split('-').some((word) => words.has(word))
}
