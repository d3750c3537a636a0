import { byRank, isHidden, pagesIn, type Listed, type Page, type PageIn, type Signpost, type SiteDocument } from '../site'

/** What a menu lists, with what it lists under it: a page, or an entry that leads elsewhere. */
export type MenuEntry =
  | { readonly type: 'page'; readonly page: Page; readonly under: readonly MenuEntry[] }
  | { readonly type: 'signpost'; readonly signpost: Signpost; readonly under: readonly MenuEntry[] }

type Plan = Pick<SiteDocument, 'pages' | 'signposts'>

/**
 * A menu as the tree has it: the pages that are listed there and visitors see, and the entries that are no pages, in order. What stands
 * under a page that the menu does not list goes up to where that page would be.
 */
export function menuOf(document: Plan, listed: Exclude<Listed, 'nowhere'>): readonly MenuEntry[] {
  return entriesUnder(document, { type: 'site' }, listed)
}

/** The same with every entry beside the others, in order. */
export function flatMenu(entries: readonly MenuEntry[]): readonly MenuEntry[] {
  return entries.flatMap((entry) => [entry, ...flatMenu(entry.under)])
}

function entriesUnder(document: Plan, where: PageIn, listed: Listed): MenuEntry[] {
  const parent = where.type === 'page' ? where.page : null
  const signposts = Object.values(document.signposts).filter(
    (sign) => sign.listed === listed && (sign.in.type === 'page' ? sign.in.page : null) === parent,
  )
  return [...pagesIn(document, where), ...signposts].sort(byRank).flatMap((one): readonly MenuEntry[] => {
    if (isSignpost(one)) return [{ type: 'signpost', signpost: one, under: [] }]
    if (one.hidden || isHidden(document, one)) return []
    const under = entriesUnder(document, { type: 'page', page: one.id }, listed)
    return one.listed === listed ? [{ type: 'page', page: one, under }] : under
  })
}

function isSignpost(one: Page | Signpost): one is Signpost {
  return 'to' in one
}
