import { addressesOf, addressOf, homePage, pagesApart, partAnchor, roleOf, type Page, type SiteDocument } from '../site'

/** A page's address on the site: `/` for home, `/about/` or `/services/boilers/` for others, `/#about` for a part of the one page. */
export function pagePath(document: SiteDocument, page: Page): string {
  if (roleOf(document, page) === 'part') return `/#${partAnchor(document, page)}`
  const address = addressesOf(document).get(page.id) ?? addressOf(document, page)
  return address === '' ? '/' : `/${address}/`
}

/** The file a page is published as. */
export function pageFile(document: SiteDocument, page: Page): string {
  return `${pagePath(document, page)}index.html`.slice(1)
}

export function isHome(document: SiteDocument, page: Page): boolean {
  return homePage(document).id === page.id
}

/**
 * The way from a page up to the root of the site, so that it works in any folder: `../`, `../../`; nothing on the home page. The page for
 * wrong addresses, which is seen at any, has to say it whole.
 */
export function rootFrom(document: SiteDocument, page: Page | null, root = '/'): string {
  return page === null ? root : '../'.repeat(pagePath(document, page).split('/').length - 2)
}

/** The address of one page as written on another: `../about/`, `./`; from the page for wrong addresses, from the root. */
export function relativePath(document: SiteDocument, from: Page | null, to: Page, root = '/'): string {
  if (from === null) return root + pagePath(document, to).slice(1)
  // On the page itself only the place is named: it may stand in a file of any name.
  if (isHome(document, from) && roleOf(document, to) === 'part') return pagePath(document, to).slice(1)
  return `${rootFrom(document, from) || './'}${pagePath(document, to).slice(1)}`
}

export function findPageByPath(document: SiteDocument, path: string): Page | null {
  return pagesApart(document).find((page) => pagePath(document, page) === path) ?? null
}
