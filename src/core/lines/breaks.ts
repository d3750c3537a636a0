import LineBreaker from 'linebreak'

/** Where a line of some words may end: after how many UTF-16 units, and whether it must end there. */
export type Break = { readonly at: number; readonly must: boolean }

/** Signs after which a browser ends a line only at a space, though UAX #14 lets it end there: a slash between words is part of them. */
const SOLIDUS = '/'

/**
 * The places at which a line of words may end, in order, the end of the words last (Unicode Line Breaking Algorithm, UAX #14, as the
 * package `linebreak` has it). Words are as they are shown: a soft hyphen (U+00AD) is such a place.
 */
export function breaksOf(words: string): readonly Break[] {
  const breaker = new LineBreaker(words)
  const found: Break[] = []
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak())
    if (next.position === words.length || next.required === true || words[next.position - 1] !== SOLIDUS)
      found.push({ at: next.position, must: next.required === true })
  return found
}
