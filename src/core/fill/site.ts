import type { AssetTable } from '../image'
import { getTemplate, type Pack, type Template } from '../pack'
import type { CalendarDay, SiteDocument } from '../site'

/** What a site is drawn from: nothing else is read. */
export type Site = {
  readonly document: SiteDocument
  readonly pack: Pack
  readonly assets: AssetTable
  /** A sheet marks each place's element, so that the editor can find it; a release carries no marks. */
  readonly mode: 'sheet' | 'release'
  /** The day that it is: what was to be shown until an earlier one is shown no more. Where nothing is known of the day, all is shown. */
  readonly today?: CalendarDay
  /** From which width of the window, in px, the menu fits as designed; narrower ones have its phone form. Nothing: the design's own. */
  readonly menuFrom?: number | null
}

export function templateOf(site: Site): Template {
  return getTemplate(site.pack, site.document.dress.template)
}
