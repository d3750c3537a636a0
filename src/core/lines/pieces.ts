import { breaksOf } from './breaks'

/** How long words are that stand in one line, in em of the size that they are set in; they are those of a text, in its order. */
export type Ruler = (words: string) => number

/**
 * Words between two places at which a line may end, in em: with the spaces after them, without those (which hang over the end of a line),
 * and how much a hyphen takes where the line ends there. `ends`: the line ends after it, come what may.
 */
export type Piece = {
  /** Where it ends in the text, in UTF-16 units. */
  readonly at: number
  readonly full: number
  readonly seen: number
  readonly hyphen: number
  readonly ends: boolean
  /** How much of a room the lists take that it stands in. */
  readonly inset: number
}

const SOFT_HYPHEN = '\u00ad'
/** Spaces that are not shown at the end of a line; those that do not break are (CSS Text 3, 4.1.3). */
const TRAILING = new Set(' \t\n\r\u1680\u2000\u2001\u2002\u2003\u2004\u2005\u2006\u2008\u2009\u200a\u205f\u3000')

/** A text taken apart and measured; `insets`: how far lists set each of its paragraphs in, in em. After each `\n` another begins. */
export function piecesOf(words: string, ruler: Ruler, insets: readonly number[] = []): readonly Piece[] {
  let from = 0
  let paragraph = 0
  const hyphen = words.includes(SOFT_HYPHEN) ? ruler('\u2010') : 0
  return breaksOf(words).map(({ at, must }): Piece => {
    const piece = words.slice(from, at)
    const inset = insets[paragraph] ?? 0
    from = at
    if (piece.endsWith('\n')) paragraph++
    const shown = piece.replaceAll(SOFT_HYPHEN, '').replaceAll('\n', '')
    const trimmed = withoutTrailing(shown)
    const seen = ruler(trimmed)
    return {
      at,
      seen,
      full: trimmed === shown ? seen : ruler(shown),
      hyphen: piece.endsWith(SOFT_HYPHEN) ? hyphen : 0,
      ends: must && at < words.length,
      inset,
    }
  })
}

function withoutTrailing(words: string): string {
  let end = words.length
  while (end > 0 && TRAILING.has(words[end - 1] ?? '')) end--
  return words.slice(0, end)
}
