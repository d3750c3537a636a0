import { isSafeUrl } from '../../pack'
import { relativePath } from '../../pages'
import { findPage, pagesOf, toTelUri, type LinkTarget } from '../../site'
import { phoneCountry, shownFact } from '../shown-fact'
import type { PageScope } from './page-scope'

/** Where a link leads from the page in hand; `#` where its page or fact is gone, which a check reports. */
export function linkHref(scope: PageScope, to: LinkTarget): string {
  if (to.type === 'page') {
    const { document } = scope.site
    // A template's own links name its pages by key; a page of another template, or one made anew, has another id.
    const page = findPage(document, to.page) ?? pagesOf(document).find((p) => p.origin?.page === to.page)
    return page ? relativePath(document, scope.page, page) : '#'
  }
  return to.type === 'fact' ? factHref(scope, to.fact) : isSafeUrl(to.url) ? to.url : '#'
}

/** Where a fact leads that stands as a link: a call, a message, a map. */
export function factHref(scope: PageScope, fact: string): string {
  const { text } = shownFact(scope.site, fact as 'phone')
  if (text === '') return '#'
  if (fact === 'phone') return toTelUri(text, phoneCountry(scope.site))
  if (fact === 'email') return `mailto:${text}`
  // RFC 5870 has no address search; a map search by https works in every browser and map application.
  return `https://www.openstreetmap.org/search?query=${encodeURIComponent(text)}`
}
