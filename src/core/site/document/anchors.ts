import { pagesOf, sectionsOfPage, type SiteDocument } from './document'
import type { Section } from './section'

const onPages = new WeakMap<readonly Section[], string>()

/** The names that sections are found by on all pages, as one text: while it stays the same, so do the links that lead to them. */
export function anchorsOf(document: SiteDocument): string {
  return pagesOf(document)
    .map((page) => {
      const sections = sectionsOfPage(document, page.id)
      let found = onPages.get(sections)
      if (found === undefined)
        onPages.set(sections, (found = sections.map(({ id, anchor }) => (anchor ? `${id}#${anchor} ` : '')).join('')))
      return found === '' ? '' : `${page.id}: ${found}`
    })
    .join('')
}
