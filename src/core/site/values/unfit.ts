/**
 * Characters that no page can hold: controls but for tabs and line breaks, halves of a surrogate pair, and code points that are no
 * characters (HTML Standard, 13.1.3 “Text”, by Infra’s “control”, “surrogate” and “noncharacter”).
 */
const UNFIT = /(?![\t\n\f\r])[\p{Cc}\p{Cs}\p{Noncharacter_Code_Point}]/gu
/** What nearly all words are made of alone, and nothing in it is unfit. */
const PLAIN = /^[\t\n -~\u00a0-\ud7ff]*$/

/** The same words without what no page can hold. */
export function fitWords(words: string): string {
  return PLAIN.test(words) ? words : words.replace(UNFIT, '')
}

/** The same value with all the words in it made fit; the very value where they are. */
export function fitValue<T>(value: T): T {
  if (typeof value === 'string') return fitWords(value) as T & string
  if (Array.isArray(value)) {
    const fit = value.map((part: unknown) => fitValue(part))
    return fit.every((part, i) => part === value[i]) ? value : (fit as T & unknown[])
  }
  if (typeof value !== 'object' || value === null) return value
  const parts = Object.entries(value)
  const fit = parts.map(([name, part]) => [name, fitValue<unknown>(part)] as const)
  return fit.every(([, part], i) => part === parts[i]?.[1]) ? value : (Object.fromEntries(fit) as T & object)
}
