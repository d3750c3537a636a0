import { own } from '../own'

/** Opening and closing marks, outer and inner. */
export type Quotes = readonly [open: string, close: string, innerOpen: string, innerClose: string]

const HIGH: Quotes = ['“', '”', '‘', '’']
const LOW: Quotes = ['„', '“', '‚', '‘']
const ANGLED: Quotes = ['«', '»', '“', '”']

/** Unicode CLDR 48, main/<language>/delimiters.json; those that are not here take the English ones, which are also the most used. */
const BY_LANGUAGE: Readonly<Record<string, Quotes>> = {
  ar: ['”', '“', '’', '‘'],
  bg: LOW,
  cs: LOW,
  de: LOW,
  el: ANGLED,
  fi: ['”', '”', '’', '’'],
  fr: ['«', '»', '«', '»'],
  'fr-CA': ['«', '»', '”', '“'],
  'fr-CH': ['«', '»', '‹', '›'],
  he: ['”', '”', '’', '’'],
  hu: ['„', '”', '»', '«'],
  it: ANGLED,
  nb: ['«', '»', '‘', '’'],
  nl: ['‘', '’', '‘', '’'],
  pl: ['„', '”', '«', '»'],
  'pt-PT': ANGLED,
  ro: ['„', '”', '«', '»'],
  ru: ['«', '»', '„', '“'],
  sk: LOW,
  sl: LOW,
  sv: ['”', '”', '’', '’'],
  uk: ['«', '»', '„', '“'],
}

/** The quotation marks of a language: its own, its country’s, or English ones. */
export function quotesOf(language: string): Quotes {
  const base = language.split('-')[0] ?? ''
  for (const key of [language, base]) if (Object.hasOwn(BY_LANGUAGE, key)) return own(BY_LANGUAGE, key) ?? HIGH
  return HIGH
}
