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

function withLong(attrs: FilledElement['base'], words: string, [some, much]: readonly [number, number]): FilledElement['base'] {
  if (words.length < some) return attrs
  const own = attrs.class === undefined ? [] : [attrs.class]
  return { ...attrs, class: [...own, 'long', ...(words.length < much ? [] : ['longer'])].join(' ') }
}
