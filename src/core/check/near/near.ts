import type { Hit } from '../../find'

/** Why words of the client's may not be the client's after all. */
export const NEAR_KINDS = ['template', 'name', 'dummy', 'example', 'nowhere', 'typed'] as const
export type NearKind = (typeof NEAR_KINDS)[number]

/** Where in a line words stand, from which letter to which. */
export type Span = { readonly from: number; readonly to: number }

/** Words that are nearly a leftover, in their sentence. */
export type Near = Hit & {
  readonly kind: NearKind
  /** What says that they are to stay as they are, wherever they stand. */
  readonly asIs: string
  /** The fact that was typed as words. */
  readonly fact?: 'phone' | 'email'
}

/** A line's parts between spaces and brackets, without the marks that end a sentence, and where each stands. */
export function tokensOf(line: string): readonly (Span & { readonly word: string })[] {
  return [...line.matchAll(/[^\s<>"“”„«»()]+/g)].map(({ index, 0: part }) => {
    const word = part.replace(/[.,;:!?’']{1,9}$/, '')
    return { word, from: index, to: index + word.length }
  })
}
