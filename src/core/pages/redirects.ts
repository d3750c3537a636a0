import { own } from '../own'
import { findPage, homePage, isHidden, type Page, type SiteDocument } from '../site'
import { pathAt } from './origin'
import { findPageByPath, pagePath } from './page-tree'

/** An address at which visitors have found a page. */
export type PublishedPath = { readonly path: string; readonly page: string }

/** Where an address leads on, and why: its page stands elsewhere, is gone, or somebody said so. `to` null: nothing is there any more. */
export type Redirect = {
  readonly from: string
  readonly to: { readonly page: Page } | { readonly url: string } | null
  readonly why: 'moved' | 'gone' | 'set'
}

/**
 * Every address that leads on. Each leads to a page that stands, or off the site, and never to an address that leads on itself; so there
 * are no loops and no chains. An address at which a page stands is none of them, whatever was said of it before. A page that is gone
 * leads to the nearest page above its address. `origin` is the site's own, where it is known: what leads there leads to a page.
 */
export function redirectsOf(document: SiteDocument, published: readonly PublishedPath[], origin: string | null): readonly Redirect[] {
  const pages = new Map(published.map(({ path, page }) => [path, page]))
  return [...new Set([...pages.keys(), ...Object.keys(document.redirects)])]
    .sort()
    .filter((from) => findPageByPath(document, withSlash(from)) === null)
    .map((from) => redirectFrom(document, from, pages.get(from) ?? null, origin))
}

function redirectFrom(document: SiteDocument, from: string, page: string | null, origin: string | null): Redirect {
  const set = own(document.redirects, from)
  if (set?.type === 'url') {
    const path = origin === null ? null : pathAt(origin, set.url)
    if (path === null) return { from, to: { url: set.url }, why: 'set' }
    return { from, to: { page: findPageByPath(document, withSlash(path)) ?? nearest(document, path) }, why: 'set' }
  }
  if (set?.type === 'gone') return { from, to: null, why: 'set' }
  const named = shownPage(document, set?.page ?? null)
  if (named) return { from, to: { page: named }, why: 'set' }
  const moved = shownPage(document, page)
  return moved ? { from, to: { page: moved }, why: 'moved' } : { from, to: { page: nearest(document, from) }, why: 'gone' }
}

function shownPage(document: SiteDocument, id: string | null): Page | null {
  const page = id === null ? null : findPage(document, id)
  return page && !isHidden(document, page) ? page : null
}

/** The page at the longest part of an address, up to home. */
function nearest(document: SiteDocument, path: string): Page {
  const parts = path.split('/').filter(Boolean)
  for (let n = parts.length - 1; n > 0; n--) {
    const page = findPageByPath(document, `/${parts.slice(0, n).join('/')}/`)
    if (page) return page
  }
  return homePage(document)
}

function withSlash(path: string): string {
  return path.endsWith('/') ? path : `${path}/`
}

/** The file that leads on from an address; null where a file cannot, since servers say by its ending that it is no page. */
export function redirectFile(from: string): string | null {
  const path = from.slice(1)
  if (path.endsWith('/')) return `${path}index.html`
  if (/\.html?$/i.test(path)) return path
  return /\.[A-Za-z0-9]{1,8}$/.test(path) ? null : `${path}/index.html`
}

/** Where a redirect leads, as an address from the root or a whole one; null: nowhere. */
export function redirectTarget(document: SiteDocument, { to }: Redirect): string | null {
  if (to === null) return null
  return 'url' in to ? to.url : pagePath(document, to.page)
}
