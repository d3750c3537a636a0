import { printedUrl, type ComputedList } from '../../pack'
import { flatMenu, menuOf, relativePath, type MenuEntry } from '../../pages'
import { DAYS, factsOf, isNoFact, lineOf, toHoursRows, type Day, type Page } from '../../site'
import { pageTexts } from '../page-texts'
import { goesByClock } from './by-the-clock'
import { hoursWords } from '../labels'
import { linkHref } from './links'
import { profileName } from '../shown-fact'
import { templateOf } from '../site'
import type { PageScope } from './page-scope'

/** One row of a list that nobody types: what each of its parts says, with the attributes it brings. */
export type ComputedEntry = {
  readonly parts: Readonly<Record<string, { readonly text: string; readonly extra?: Readonly<Record<string, string>> }>>
  /** What is listed under it, in a list that is opened there. */
  readonly under?: { readonly id: string; readonly entries: readonly ComputedEntry[] }
}

/** The rows of a computed list on the page in hand. */
export function computedEntries(scope: PageScope, each: ComputedList): readonly ComputedEntry[] {
  switch (each) {
    case 'menu':
      return menuOf(scope.site.document, 'menu').map((entry) => menuEntry(scope, entry))
    case 'foot':
      return flatMenu(menuOf(scope.site.document, 'foot')).map((entry) => menuEntry(scope, { ...entry, under: [] }))
    case 'hours':
      return hoursEntries(scope)
    case 'socials':
      return (factsOf(scope.site.document).socials ?? []).map((url) => ({
        parts: { profile: { text: profileName(url), extra: { href: printedUrl(url), rel: 'me' } } },
      }))
    default:
      return each satisfies never
  }
}

/** The number of a day as ECMAScript counts them, from Sunday, 0 (ECMA-262, Week Day). */
function weekday(day: Day): number {
  return (DAYS.indexOf(day) + 1) % 7
}

function hoursEntries(scope: PageScope): ComputedEntry[] {
  const { site } = scope
  const hours = factsOf(site.document).hours ?? templateOf(site).facts.hours
  if (isNoFact(hours)) return []
  // Only a page that carries a script anyway tells which are today's.
  const isMarked = goesByClock(scope)
  return toHoursRows(hours, hoursWords(site.document)).map((row) => {
    const days = isMarked ? { 'data-days': row.of.map(weekday).join(' ') } : {}
    return {
      parts: {
        days: { text: row.days, extra: days },
        times: { text: row.times, extra: { ...(row.closed && { class: 'closed' }), ...days } },
      },
    }
  })
}

/** How an entry of a menu is marked on the page in hand: its own, or one that it stands under. */
function currentMark({ site: { document }, page: here }: PageScope, page: Page): string | null {
  return page === here ? 'page' : here && lineOf(document, here).includes(page) ? 'true' : null
}

/** A menu's entry: the page in hand is marked as such, and so is what it stands under. */
function menuEntry(scope: PageScope, entry: MenuEntry): ComputedEntry {
  const { document, pack } = scope.site
  if (entry.type === 'signpost')
    return { parts: { page: { text: entry.signpost.label.text, extra: { href: linkHref(scope, entry.signpost.to) } } } }
  const { page, under } = entry
  const current = scope.namesAll ? `page:${page.id}` : currentMark(scope, page)
  const extra = {
    href: relativePath(document, scope.page, page, scope.site.root),
    ...(current === null ? {} : { 'aria-current': current }),
  }
  const own: ComputedEntry = { parts: { page: { text: pageTexts(pack, document, page).label, extra } } }
  return under.length === 0 ? own : { ...own, under: { id: page.id, entries: under.map((one) => menuEntry(scope, one)) } }
}
