import { homePage, pagesOf, type Page, type SiteDocument } from '../site'

/** A page's address on the site: `/` for home, `/about/` for others. */
export function pagePath(document: SiteDocument, page: Page): string {
  return isHome(document, page) ? '/' : `/${page.segment}/`
}

/** The file a page is published as. */
export function pageFile(document: SiteDocument, page: Page): string {
  return isHome(document, page) ? 'index.html' : `${page.segment}/index.html`
}

export function isHome(document: SiteDocument, page: Page): boolean {
  return homePage(document).id === page.id
}

/** The address of one page as written on another, so that the site works in any folder: `../about/`, `./`. */
export function relativePath(document: SiteDocument, from: Page | null, to: Page): string {
  if (from === null) return pagePath(document, to)
  const up = isHome(document, from) ? './' : '../'
  return isHome(document, to) ? up : `${up}${to.segment}/`
}

export function findPageByPath(document: SiteDocument, path: string): Page | null {
  return pagesOf(document).find((page) => pagePath(document, page) === path) ?? null
}
