import { allOf, fillPage, wordsOf, type Site } from '../fill'
import { memoBy } from '../memo'
import { pagesOf } from '../site'

/** Every letter that the pages of a site show, each once; counted once for a document. */
export const siteLetters = memoBy(
  ({ document, pack }: Site) => [document, pack],
  (site): string => {
    const letters = new Set<string>()
    for (const page of pagesOf(site.document)) {
      for (const { root } of allOf(fillPage({ ...site, mode: 'release' }, page))) for (const letter of wordsOf(root)) letters.add(letter)
    }
    return [...letters].sort().join('')
  },
)
