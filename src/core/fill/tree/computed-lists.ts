import { type ComputedList } from '../../pack'
import { relativePath } from '../../pages'
import { factsOf, isNoFact, pagesOf, toHoursRows, type Listed } from '../../site'
import { pageTexts } from '../page-texts'
import { hoursWords } from '../labels'
import { profileName } from '../shown-fact'
import { templateOf } from '../site'
import type { PageScope } from './page-scope'

/** One row of a list that nobody types: what each of its parts says, with the attributes it brings. */
export type ComputedEntry = { readonly [part: string]: { readonly text: string; readonly extra?: Readonly<Record<string, string>> } }

/** The rows of a computed list on the page in hand. */
export function computedEntries(scope: PageScope, each: ComputedList): readonly ComputedEntry[] {
  switch (each) {
    case 'menu':
      return pageEntries(scope, 'menu')
    case 'foot':
      return pageEntries(scope, 'foot')
    case 'hours':
      return hoursEntries(scope)
    case 'socials':
      return (factsOf(scope.site.document).socials ?? []).map((url) => ({
        profile: { text: profileName(url), extra: { href: url, rel: 'me' } },
      }))
    default:
      return each satisfies never
  }
}

function hoursEntries({ site }: PageScope): ComputedEntry[] {
  const hours = factsOf(site.document).hours ?? templateOf(site).facts.hours
  if (isNoFact(hours)) return []
  return toHoursRows(hours, hoursWords(site.document)).map((row) => ({
    days: { text: row.days },
    times: { text: row.times, ...(row.closed ? { extra: { class: 'closed' } } : {}) },
  }))
}

function pageEntries(scope: PageScope, listed: Listed): ComputedEntry[] {
  const { document, pack } = scope.site
  return pagesOf(document)
    .filter((page) => page.listed === listed)
    .map((page) => ({
      page: {
        text: pageTexts(pack, document, page).name,
        extra: { href: relativePath(document, scope.page, page), ...(page === scope.page ? { 'aria-current': 'page' } : {}) },
      },
    }))
}
