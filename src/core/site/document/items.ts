import { own } from '../../own'
import type { Collection } from './collection'
import { pagesOf, siteLanguage, type SiteDocument } from './document'
import type { Page } from './page'

/** The collection that a page stands in; null for one in none, or in one that is gone. */
export function collectionOf(document: Pick<SiteDocument, 'collections'>, page: Page): Collection | null {
  return page.collection === undefined ? null : (own(document.collections, page.collection) ?? null)
}

/** A collection's items in its order; of two of one day, or without a day, the one that stands first in the tree. */
export function itemsOf(document: SiteDocument, collection: Collection): readonly Page[] {
  const items = pagesOf(document).filter((page) => page.role === 'item' && page.collection === collection.id)
  if (collection.order === 'hand') return items
  if (collection.order === 'day')
    return items.toSorted((a, b) => ((a.date ?? '') < (b.date ?? '') ? 1 : (a.date ?? '') > (b.date ?? '') ? -1 : 0))
  const { compare } = new Intl.Collator(siteLanguage(document), { numeric: true, sensitivity: 'base' })
  return items.toSorted((a, b) => compare(a.texts.name?.text ?? '', b.texts.name?.text ?? ''))
}
