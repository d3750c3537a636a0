import { findPage, pagesOf, placeOfPage, withRecord, type SiteDocument } from '../document'
import { own } from '../own'
import { refused, type StepApplied, type EditStep } from './step-type'

/**
 * What holds of the pages together, asked once a whole edit is made: there is one, and no two share an address. A page
 * that has just come, and a home page that no longer is, get the next free address; one that was asked for by name and
 * is taken is refused.
 */
export function settlePages(before: SiteDocument, document: SiteDocument): StepApplied {
  if (document.pages === before.pages) return { ok: true, document, inverse: [] }
  const pages = pagesOf(document)
  if (pages.length === 0) return refused({ code: 'lastPage' })
  const isSettled = (segment: string, id: string): boolean => own(before.pages, id)?.segment === segment
  const others = pages.slice(1)
  const taken = new Set(others.filter((p) => isSettled(p.segment, p.id)).map((p) => p.segment))
  taken.add('')
  let settled = document
  const inverse: EditStep[] = []
  const seen = new Set<string>()
  for (const page of others) {
    const { segment } = page
    const clashes = segment === '' || seen.has(segment) || (!isSettled(segment, page.id) && taken.has(segment))
    if (clashes && findPage(before, page.id) && !isSettled(segment, page.id) && segment !== '')
      return refused({ code: 'addressTaken', segment })
    const free = clashes ? firstFree(segment || 'page', (name) => taken.has(name) || seen.has(name)) : segment
    seen.add(free)
    if (!clashes) continue
    settled = { ...settled, pages: withRecord(settled.pages, { ...page, segment: free }, placeOfPage) }
    inverse.unshift({ type: 'page/set', page: page.id, part: 'segment', value: segment })
  }
  return { ok: true, document: settled, inverse }
}

/** `about`, else `about-2`, `about-3`… */
export function firstFree(name: string, isTaken: (name: string) => boolean): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name}-${n}`
    if (!isTaken(tried)) return tried
  }
}
