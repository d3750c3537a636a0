import { addressOf } from './address'
import { homePage, isHidden, sectionsOn, shownPages, type SiteDocument } from './document'
import type { Page } from './page'

/** How a page stands to visitors: as home, as a page of its own, or as a part of the one page that home is. */
export type PageRole = 'home' | 'page' | 'part'

/** On a site of one page, what the menu lists are parts of home; what it does not list, such as terms, stays a page. */
export function roleOf(document: SiteDocument, page: Page): PageRole {
  if (homePage(document).id === page.id) return 'home'
  return document.plan.onePage && page.listed === 'menu' && !isHidden(document, page) ? 'part' : 'page'
}

/** The parts of the one page, in order; none where each page stands by itself. */
export function partsOf(document: SiteDocument): readonly Page[] {
  return document.plan.onePage ? shownPages(document).filter((page) => roleOf(document, page) === 'part') : []
}

/** The pages that visitors find at an address of their own. */
export function pagesApart(document: SiteDocument): readonly Page[] {
  const pages = shownPages(document)
  return document.plan.onePage ? pages.filter((page) => roleOf(document, page) !== 'part') : pages
}

/** The page that visitors find a page's sections on: home, where it is a part of it. */
export function standsOn(document: SiteDocument, page: Page): Page {
  return roleOf(document, page) === 'part' ? homePage(document) : page
}

/** The name that links find a part by: its first section's own, or its address as one word, which no other spot there has. */
export function partAnchor(document: SiteDocument, page: Page): string {
  const own = sectionsOn(document, page.id).find((section) => !section.hidden)?.anchor
  if (own !== undefined) return own
  const word = addressOf(document, page).replaceAll('/', '-')
  const taken = new Set(['main', ...anchorsOnHome(document)])
  return taken.has(word) ? `${word}-page` : word
}

function anchorsOnHome(document: SiteDocument): readonly string[] {
  return [homePage(document), ...partsOf(document)].flatMap((page) => sectionsOn(document, page.id).flatMap((s) => s.anchor ?? []))
}
