import { own } from '../own'

/** What is looked for: words, and whether capitals and ends of words count. */
export type Query = { readonly words: string; readonly isExact: boolean; readonly isWhole: boolean }

/** Letters that are typed one way and printed another are the same letter to whoever looks for them. */
const ALIKE: Readonly<Record<string, string>> = {
  "'": "['’‘]",
  '’': "['’‘]",
  '"': '["“”„«»]',
  '-': '[-–\u2011]',
  '–': '[-–\u2011]',
}
const SPACES = '[\\s\u00a0\u202f]+'

/** Finds what is asked for in words that are composed (NFC), each time it stands there; null where nothing is asked for. */
export function matcherOf({ words, isExact, isWhole }: Query): RegExp | null {
  const wanted = words.normalize('NFC').trim()
  if (wanted === '') return null
  const parts = wanted.split(/\s+/).map((part) => [...part].map((letter) => own(ALIKE, letter) ?? escaped(letter)).join(''))
  const inside = parts.join(SPACES)
  const letter = '[\\p{L}\\p{N}\\p{M}]'
  // The ends of a word are where letters and digits end; what begins with a mark has none there.
  const start = isWhole && /^[\p{L}\p{N}]/u.test(wanted) ? `(?<!${letter})` : ''
  const end = isWhole && /[\p{L}\p{N}\p{M}]$/u.test(wanted) ? `(?!${letter})` : ''
  return new RegExp(start + inside + end, isExact ? 'gu' : 'giu')
}

function escaped(letter: string): string {
  return letter.replace(/[\\^$.*+?()[\]{}|/]/u, '\\$&')
}
