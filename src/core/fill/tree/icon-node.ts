import { findIcon } from '../../icons'
import type { LinkIcon } from '../../site'
import { NONE, type FilledElement, type FilledNode } from './tree'

/** Holds an icon to the word beside it, so that none stands alone on a line (UAX #14, WJ). */
const JOINER = '\u2060'

/** The words of a link with their icon before or after them; readers hear the words alone. One of a name that is not known is not drawn. */
export function withIcon(words: readonly FilledNode[], icon: LinkIcon | undefined): readonly FilledNode[] {
  const shape = icon && findIcon(icon.name)
  if (!shape) return words
  const drawn: FilledElement = {
    type: 'element',
    tag: 'svg',
    base: { class: `icon ${icon.side}${shape.turns ? ' turns' : ''}`, viewBox: '0 0 24 24', 'aria-hidden': 'true' },
    extra: null,
    children: shape.parts.map(([tag, base]) => ({ type: 'element', tag, base: base ?? NONE, extra: null, children: [], mark: null })),
    mark: null,
  }
  return icon.side === 'before' ? [drawn, JOINER, ...words] : [...words, JOINER, drawn]
}
