import { allOf, fillPage, wordsOf, type Site } from '../fill'
import { pagesOf } from '../site'

const known = new WeakMap<object, string>()

/** Every letter that the pages of a site show, each once; counted once for a document. */
export function siteLetters(site: Site): string {
  const before = known.get(site.document)
  if (before !== undefined) return before
  const letters = new Set<string>()
  for (const page of pagesOf(site.document)) {
    for (const { root } of allOf(fillPage({ ...site, mode: 'release' }, page))) for (const letter of wordsOf(root)) letters.add(letter)
  }
  const found = [...letters].sort().join('')
  known.set(site.document, found)
  return found
}
