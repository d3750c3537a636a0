import { diffWordsWithSpace } from 'diff'

/** Words as they were and as they would be, in order: what stays, what goes, what comes. */
export type WordChange = { readonly type: 'same' | 'gone' | 'new'; readonly words: string }

export function compareWords(before: string, after: string): readonly WordChange[] {
  return diffWordsWithSpace(before, after).map(({ added, removed, value }) => ({
    type: added ? 'new' : removed ? 'gone' : 'same',
    words: value,
  }))
}
