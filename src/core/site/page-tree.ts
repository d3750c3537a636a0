import type { Page, SiteDocument } from './document'

/** The home page: the first one, so there is always one and never two. */
export function homePage(document: SiteDocument): Page {
  const home = document.pages[0]
  if (!home) throw new Error('A site document has at least one page')
  return home
}

/** A page's address on the site: `/` for home, `/about/` for others. */
export function pagePath(page: Page): string {
  return page.segment === '' ? '/' : `/${page.segment}/`
}

/** The file a page is published as. */
export function pageFile(page: Page): string {
  return page.segment === '' ? 'index.html' : `${page.segment}/index.html`
}

/** The address of one page as written on another, so that the site works in any folder: `../about/`, `./`. */
export function relativePath(from: Page | null, to: Page): string {
  if (from === null) return pagePath(to)
  const up = from.segment === '' ? './' : '../'
  return to.segment === '' ? up : `${up}${to.segment}/`
}

export function findPageByPath(document: SiteDocument, path: string): Page | null {
  return document.pages.find((page) => pagePath(page) === path) ?? null
}
