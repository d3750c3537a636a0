import type { Family } from './family'

/** A family to set text in beside one for headings, how well they go (0–1), and why. */
export type Pair = { readonly family: Family; readonly score: number; readonly reasons: readonly string[] }

const FOR_TEXT: ReadonlySet<Family['kind']> = new Set(['serif', 'slab', 'sans'])
const hasItalic = (family: Family): boolean => family.files.some((f) => f.style === 'italic')
const isBookish = (family: Family): boolean => family.kind === 'serif' || family.kind === 'slab'

/**
 * Families for running text beside a display family, best first. Two families go together when one can see that they are
 * two, and when their small letters stand equally high. Common practice, no source; heights and widths are the files' own.
 */
export function pairFamilies(display: Family, families: readonly Family[]): Pair[] {
  return families
    .filter((text) => FOR_TEXT.has(text.kind))
    .map((text) => pairWith(display, text))
    .sort((a, b) => b.score - a.score || (a.family.name < b.family.name ? -1 : 1))
}

function pairWith(display: Family, text: Family): Pair {
  const reasons: string[] = []
  let score = 0
  const count = (points: number, holds: boolean, reason: string): void => {
    if (!holds) return
    score += points
    reasons.push(reason)
  }
  const apart = Math.abs(display.x / text.x - 1)
  const isSame = display.key === text.key
  count(0.2, isSame, 'one family for all: told apart by weight and size')
  count(0.35, !isSame && isBookish(display) !== isBookish(text), `${wordFor(display)} against ${wordFor(text)}: plainly two`)
  count(0.2, !isSame && isBookish(display) === isBookish(text) && display.width / text.width > 1.12, 'the headings are plainly wider')
  count(0.2, !isSame && isBookish(display) === isBookish(text) && display.width / text.width < 0.88, 'the headings are plainly narrower')
  count(0.3, apart < 0.04, `small letters equally high (${Math.round(text.x * 100)} % of the size)`)
  count(0.15, apart >= 0.04 && apart < 0.1, 'small letters nearly equally high')
  count(0.15, text.x >= 0.45 && text.width <= 0.49, 'reads well small and saves room')
  count(0.1, hasItalic(text), 'has a true italic')
  return { family: text, score: Math.min(1, score), reasons }
}

function wordFor(family: Family): string {
  const words: Record<Family['kind'], string> = {
    serif: 'serifs',
    slab: 'slab serifs',
    sans: 'plain letters',
    condensed: 'narrow letters',
    mono: 'letters of one width',
    display: 'letters for show',
    hand: 'handwriting',
  }
  return words[family.kind]
}
