import { within } from '../site'
import type { Family } from './family'

/** Letters in a line of running text. Common practice, no source: 45 to 75; the phone's lines are shorter by nature. */
export const MEASURE = { least: 45, most: 75, leastOnPhone: 30 } as const

/** Letters that stand in a line of `widthPx`, set in a family at a size. */
export function lettersInLine(family: Pick<Family, 'width'>, sizePx: number, widthPx: number): number {
  return Math.round(widthPx / (family.width * sizePx))
}

/**
 * The longest line, in px, for a family at a size: the one that was designed, as far as it holds no fewer and no more
 * letters than read well.
 */
export function readableMeasure(family: Pick<Family, 'width'>, sizePx: number, designedPx: number): number {
  const lineOf = (letters: number): number => letters * family.width * sizePx
  return Math.round(within(designedPx, [lineOf(MEASURE.least), lineOf(MEASURE.most)]))
}

/** Letters of a text that a family's files do not hold, each once; `has` answers for one code point. */
export function missingLetters(texts: Iterable<string>, has: (codePoint: number) => boolean): string[] {
  const missing = new Set<string>()
  for (const text of texts) {
    for (const letter of text) {
      const point = letter.codePointAt(0) ?? 0
      // White space and the marks that join or direct letters need no shape of their own.
      if (!/[\s\p{Cf}\p{Cc}]/u.test(letter) && !has(point)) missing.add(letter)
    }
  }
  return [...missing].sort()
}

/** True for a code point that lies in a CSS `unicode-range`. */
export function isInRange(range: string, codePoint: number): boolean {
  return range.split(',').some((part) => {
    const [from, to] = part
      .trim()
      .slice(2)
      .split('-')
      .map((digits) => Number.parseInt(digits, 16))
    return from !== undefined && codePoint >= from && codePoint <= (to ?? from)
  })
}
