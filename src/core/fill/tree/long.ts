import type { Hyphenation } from '../../lines'
import type { FilledElement } from './tree'

/** Characters from which words are long, and very long, for a heading and for the name at the head of a page. */
const HEADING = [52, 96] as const
const NAME = [30, 56] as const

/**
 * An element's own attributes, and the class that tells designs that its words are longer than such words are, so that they can be set
 * smaller (docs/template-pack.md): `long`, and `longer` beside it.
 */
export function longHeading(
  element: { readonly tag: string; readonly attrs: FilledElement['base'] },
  words: string,
): FilledElement['base'] {
  return element.tag === 'h1' || element.tag === 'h2' ? withLong(element.attrs, words, HEADING) : element.attrs
}

/** The same of a client's name where a logo would stand. */
export function longName(attrs: FilledElement['base'], words: string): FilledElement['base'] {
  return withLong(attrs, words, NAME)
}

export function withClass(attrs: FilledElement['base'], name: string): FilledElement['base'] {
  return { ...attrs, class: attrs.class === undefined ? name : `${attrs.class} ${name}` }
}

function withLong(attrs: FilledElement['base'], words: string, [some, much]: readonly [number, number]): FilledElement['base'] {
  if (words.length < some) return attrs
  return withClass(attrs, words.length < much ? 'long' : 'long longer')
}

/** Letters from which a word can be wider than the narrowest window, by the largest words that stand in such an element. */
const WIDE: ReadonlyMap<string, number> = new Map([
  ['h1', 12],
  ['h2', 14],
  ['h3', 20],
])
const WIDE_ELSEWHERE = 26
const WORD = /[\p{L}\p{M}]{12,}/gu

/** Words in which those that no phone has room for may be divided as their language has it; the same words where there are none. */
export function dividedWords(tag: string, words: string, divide: Hyphenation): string {
  const most = WIDE.get(tag) ?? WIDE_ELSEWHERE
  return words.replace(WORD, (word) => (word.length < most ? word : divide(word)))
}
