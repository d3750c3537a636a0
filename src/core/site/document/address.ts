import { lineOf, pagesOf, type SiteDocument } from './document'
import type { Page } from './page'

type Plan = Pick<SiteDocument, 'pages' | 'plan'>

/** A page's address without the slashes at its ends: `services/boilers`; nothing for home, which gives those under it no part either. */
export function addressOf(document: Plan, page: Page): string {
  const home = pagesOf(document)[0]?.id
  const line = document.plan.flat ? [page] : lineOf(document, page)
  return line
    .filter(({ id }) => id !== home)
    .map(({ segment }) => segment)
    .join('/')
}

const addresses = new WeakMap<SiteDocument['pages'], { readonly flat: boolean; readonly found: ReadonlyMap<string, string> }>()

/** The address of every page, by its id. */
export function addressesOf(document: Plan): ReadonlyMap<string, string> {
  const flat = document.plan.flat ?? false
  const known = addresses.get(document.pages)
  if (known?.flat === flat) return known.found
  const found = new Map(pagesOf(document).map((page) => [page.id, addressOf(document, page)]))
  addresses.set(document.pages, { flat, found })
  return found
}
