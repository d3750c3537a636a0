import { quotesOf } from './quotes'

/** U+00A0 and U+202F: spaces at which no line breaks, the second a narrow one. */
const NO_BREAK = '\u00a0'
const NARROW = '\u202f'

export type Setting = {
  /** BCP 47. */
  readonly language: string
  /** The letter before these words, where they go on from others. */
  readonly before?: string
}

/** Words that were set, by the language and the letter before them. */
const kept = new Map<string, Map<string, string>>()
const MOST_KEPT = 20_000
const MOST_SETTINGS = 100
/** Nothing in here could be set otherwise. */
const NOTHING_TO_SET = /^[^"'\d\u00ab\u00bb;:!?-]*$/

/**
 * Words as they are printed in a language: quotation marks, apostrophes, dashes, and spaces at which a line must not break. Each
 * character becomes one character, so that a caret in the words as written stands at the same place in the words as printed.
 */
export function typeset(words: string, { language, before = '' }: Setting): string {
  if (NOTHING_TO_SET.test(words)) return words
  const alike = keptOf(`${language} ${before}`)
  let set = alike.get(words)
  if (set === undefined) {
    set = bound(dashed(quoted(words, language, before)), language)
    if (alike.size >= MOST_KEPT) alike.clear()
    alike.set(words, set)
  }
  return set
}

function keptOf(setting: string): Map<string, string> {
  let found = kept.get(setting)
  if (!found) {
    if (kept.size >= MOST_SETTINGS) kept.clear()
    kept.set(setting, (found = new Map()))
  }
  return found
}

const OPENS_AFTER = /[\s\u00a0\u202f([{\u2013\u2014/\u00ab\u201c\u201e\u2018\u201a"']/

/** Straight marks turned the way they stand: opening after a space or a bracket, else closing; between letters an apostrophe. */
function quoted(words: string, language: string, before: string): string {
  if (!/["']/.test(words)) return words
  const [open, close, innerOpen, innerClose] = quotesOf(language)
  let out = ''
  let isInnerOpen = false
  for (let i = 0; i < words.length; i++) {
    const mark = words[i] ?? ''
    const last = i === 0 ? before : (words[i - 1] ?? '')
    const next = words[i + 1] ?? ''
    const isAtStart = last === '' || OPENS_AFTER.test(last)
    if (mark === '"') out += isMeasure(words, i) ? '″' : isAtStart && !/[\s]/.test(next) && next !== '' ? open : close
    else if (mark === "'") {
      if (isMeasure(words, i)) out += '′'
      // A year without its century, and letters left out at the start of a word.
      else if (isAtStart && /^'(?:\d\ds?\b|[nt](?:is|was)?\b)/i.test(words.slice(i))) out += '’'
      else if (isAtStart && /\S/.test(next) && hasClosing(words, i)) {
        out += innerOpen
        isInnerOpen = true
      } else if (isInnerOpen && !/\p{L}/u.test(next)) {
        out += innerClose
        isInnerOpen = false
      } else out += '’'
    } else out += mark
  }
  return out
}

/** Feet and inches, minutes and seconds: right after a digit, where nothing was opened before. */
function isMeasure(words: string, i: number): boolean {
  return /\d/.test(words[i - 1] ?? '') && !/\p{L}/u.test(words[i + 1] ?? '') && !/["'](?=\S)/.test(words.slice(0, i).replace(/\d["']/g, ''))
}

function hasClosing(words: string, from: number): boolean {
  return /\S'(?!\p{L})/u.test(words.slice(from + 1))
}

/** A hyphen between spaces is a dash; so is one between two times, two prices or two years. */
function dashed(words: string): string {
  return words
    .replace(/(?<=\S[\u00a0 ])--?(?=[\u00a0 ]\S)/g, (hyphens) => (hyphens.length === 1 ? '–' : hyphens))
    .replace(/(?<=\d[:.]\d\d)-(?=\d{1,2}[:.]\d\d)/g, '–')
    .replace(/(?<=[£$€₪₺]\d{1,6})-(?=[£$€₪₺]?\d)/g, '–')
    .replace(/(?<=(?<![\d-])(?:1[6-9]|20)\d\d)-(?=(?:1[6-9]|20)\d\d(?![\d-]))/g, '–')
}

/** Units that a number stays with. Common practice, no source. */
const UNITS = 'mm|cm|m|km|kg|g|mg|l|ml|cl|ha|m²|km²|kW|kWh|W|V|A|°C|°|%|‰|€|£|\\$|zł|kr|Kč|TL|₺|₪|Ft|Uhr|h|min|s|pm|am|p\\.m\\.|a\\.m\\.'
const BINDING: readonly (readonly [RegExp, string])[] = [
  [new RegExp(`(?<=\\d) (?=(?:${UNITS})(?![\\p{L}\\p{N}]))`, 'gu'), NO_BREAK],
  // Currency before its number; short words that lead to a number.
  [/(?<=[£$€₪₺]) (?=\d)/g, NO_BREAK],
  [/(?<=(?:^|[\s(])(?:No|Nr|Nº|N°|n°|p|pp|S|Str|Dr|Mr|Mrs|Ms|St)\.?) (?=[\d\p{Lu}])/gu, NO_BREAK],
  // The two halves of a British postcode (Royal Mail’s form: outward and inward code).
  [/(?<=\b[A-Z]{1,2}\d[A-Z\d]?) (?=\d[A-Z]{2}\b)/g, NO_BREAK],
  // A thousand and more in groups of three.
  [/(?<=\d) (?=\d{3}(?!\d))/g, NO_BREAK],
]
/** Groups of digits that make a telephone number together: seven digits at least, begun by 0, + or a bracket. */
const TELEPHONE = /(?<![\d\p{L}])(?:\+|\(?0)[\d()]{0,20}(?:[ /-]\(?\d[\d()]{0,20}){1,12}/gu

function bound(words: string, language: string): string {
  let set = words
  for (const [place, space] of BINDING) set = set.replace(place, space)
  set = set.replace(TELEPHONE, (number) => (number.replace(/\D/g, '').length >= 7 ? number.replaceAll(' ', NO_BREAK) : number))
  return language.split('-')[0] === 'fr' ? french(set) : set
}

/** A space that was typed before a high mark, or inside of quotation marks, is a narrow one that does not break (Imprimerie nationale). */
function french(words: string): string {
  return words
    .replace(/ (?=[;!?](?:\s|$|[»”)]))/g, NARROW)
    .replace(/ (?=:(?:\s|$))/g, NO_BREAK)
    .replace(/(?<=«) | (?=»)/g, NARROW)
}
