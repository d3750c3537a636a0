import { memoBy } from '../memo'
import { getTemplate, type Pack } from '../pack'
import {
  factsOf,
  homePage,
  roleOf,
  shownPages,
  type Page,
  type PageId,
  type PageRole,
  type PageText,
  type Place,
  type SiteDocument,
} from '../site'
import { findTemplatePage } from './placeholders'

export type PageTexts = { readonly name: string; readonly label: string; readonly title: string; readonly description: string }

/** A page's own texts, over the template's. */
export function pageTexts(pack: Pack, document: SiteDocument, page: Page): PageTexts {
  const from = findTemplatePage(pack, page.origin)?.page
  const facts = factsOf(document)
  const name = page.texts.name?.text ?? from?.name ?? 'Page'
  const business = facts.name ?? getTemplate(pack, document.dress.template).facts.name
  const computed = page.id === homePage(document).id ? [business, facts.tagline].filter(Boolean).join(' – ') : `${name} – ${business}`
  const label = page.texts.label?.text ?? name
  return { name, label, title: page.texts.title?.text ?? computed, description: page.texts.description?.text ?? from?.description ?? '' }
}

/** Id of the page for wrong addresses, which is none of the site's pages. */
export const NOT_FOUND = 'not-found' as PageId

export type PagePart = Extract<Place, { type: 'page' }>['part']

/**
 * What a page still has of its template beside its sections: what it is called, its address, its description. What the menu calls it and
 * its title are made from others by themselves, the home page stands at no address of its own, and a part of it has no description.
 */
export function leftoverParts(page: Page, role: PageRole): readonly PagePart[] {
  const parts: PagePart[] = []
  if (page.texts.name === undefined) parts.push('name')
  if (role !== 'part' && page.texts.description === undefined) parts.push('description')
  if (role !== 'home' && !page.addressed) parts.push('address')
  return parts
}

/** What one of a page's texts says as long as nobody gives it words of its own: the template's, or made from the others. */
export function usualText(pack: Pack, document: SiteDocument, page: Page, part: PageText): string {
  const { [part]: _, ...texts } = page.texts
  return pageTexts(pack, document, { ...page, texts })[part]
}

/** How many names, addresses and descriptions of the pages that visitors see are the template's still. */
export const unplannedParts = memoBy(
  ({ pages, plan }: SiteDocument) => [pages, plan],
  (document): number => shownPages(document).reduce((sum, page) => sum + leftoverParts(page, roleOf(document, page)).length, 0),
)
