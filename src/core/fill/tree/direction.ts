import { siteLanguage, type SiteDocument } from '../../site'
import { typeset } from '../../typeset'
import { directionOf, type Direction } from '../../words'
import { plain, type FilledNode } from './tree'

/** Letters of scripts that run from right to left: Unicode’s ranges from Hebrew to Arabic Extended-A, and the presentation forms. */
export const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/
const LETTER_OR_DIGIT = /[\p{L}\p{N}]/u

const directions = new Map<string, Direction>()

/** Which way a site's pages run. */
export function siteDirection(document: SiteDocument): Direction {
  const language = siteLanguage(document)
  let found = directions.get(language)
  if (!found) directions.set(language, (found = directionOf(language)))
  return found
}

/** On a page that runs from left to right, words that run the other way stand on the right. */
export function direction(document: SiteDocument, words: string): Readonly<Record<string, string>> | null {
  return RIGHT_TO_LEFT.test(words) && siteDirection(document) === 'ltr' ? { dir: 'auto' } : null
}

/** How words are shown: as they were written, while somebody types there; after other words of the same paragraph. */
export type Manner = { readonly raw?: boolean; readonly before?: string }

/** Words as they are printed in the site's language. */
export function printed(document: SiteDocument, words: string, { raw = false, ...manner }: Manner = {}): string {
  return raw ? words : typeset(words, { language: siteLanguage(document), ...manner })
}

/**
 * Words as a page shows them. On a page that runs from right to left, what holds no letter of its own scripts (numbers, addresses,
 * names in other letters) keeps its order and stands where the page's words stand: set apart as UAX #9 has it (isolates, 2.4).
 */
export function wordsOn(document: SiteDocument, words: string, manner: Manner = {}): readonly FilledNode[] {
  const set = printed(document, words, manner)
  return isSetApart(document, words) ? [plain('bdi', [set], { dir: 'ltr' })] : [set]
}

export function isSetApart(document: SiteDocument, words: string): boolean {
  return siteDirection(document) === 'rtl' && !RIGHT_TO_LEFT.test(words) && LETTER_OR_DIGIT.test(words)
}

/** Attributes of two sources together; null where neither has any. */
export function together(
  a: Readonly<Record<string, string>> | null,
  b: Readonly<Record<string, string>> | null,
): Readonly<Record<string, string>> | null {
  return a && b ? { ...a, ...b } : (a ?? b)
}
