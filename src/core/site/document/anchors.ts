import { memoOf } from '../../memo'
import { pagesOf, sectionsOfPage, type SiteDocument } from './document'
import type { Section } from './section'

/** The names that sections are found by on all pages, as one text: while it stays the same, so do the links that lead to them. */
export function anchorsOf(document: SiteDocument): string {
  return pagesOf(document)
    .map((page) => {
      const found = namesOf(sectionsOfPage(document, page.id))
      return found === '' ? '' : `${page.id}: ${found}`
    })
    .join('')
}

const namesOf = memoOf((sections: readonly Section[]) => sections.map(({ id, anchor }) => (anchor ? `${id}#${anchor} ` : '')).join(''))
