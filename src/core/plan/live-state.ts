import { pageTexts, type Site } from '../fill'
import { findPageByPath, pagePath } from '../pages'
import { designCss, renderBody, tokenCss } from '../render'
import { findPage, isHidden, shownPages, type Page, type SiteDocument } from '../site'

/** How a page stands to what visitors see: not there yet, otherwise by now, just so, or kept from them. */
export type LiveState = 'new' | 'changed' | 'as live' | 'hidden'

/** How a page stands to the live site; null: nothing is live. Asked page by page; what all pages share is compared by `sameLooks`. */
export function liveState(live: Site | null, now: Site, page: Page, hasSameLooks: boolean): LiveState {
  if (isHidden(now.document, page)) return 'hidden'
  const was = live && findPage(live.document, page.id)
  if (!live || !was || isHidden(live.document, was)) return 'new'
  return hasSameLooks && pageOf(live, was) === pageOf(now, page) ? 'as live' : 'changed'
}

/** Whether two states of a site wear the same. */
export function sameLooks(a: Site, b: Site): boolean {
  const css = (site: Site): string => `${tokenCss({ ...site, mode: 'release' })}${designCss({ ...site, mode: 'release' })}`
  return css(a) === css(b)
}

function pageOf(site: Site, page: Page): string {
  const { title, description } = pageTexts(site.pack, site.document, page)
  const found = page.unfound ? 'unfound' : 'found'
  return [pagePath(site.document, page), title, description, found, renderBody({ ...site, mode: 'release' }, page)].join('\n')
}

/** An address that visitors have, and where it is to lead now. */
export type Withdrawn = { readonly path: string; readonly page: Page }

/** Pages that are live and will be no more. */
export function withdrawnPages(live: SiteDocument, now: SiteDocument): readonly Withdrawn[] {
  return shownPages(live)
    .filter((page) => {
      const still = findPage(now, page.id)
      return !still || isHidden(now, still)
    })
    .map((page) => ({ path: pagePath(live, page), page }))
    .filter(({ path }) => findPageByPath(now, path) === null)
}
