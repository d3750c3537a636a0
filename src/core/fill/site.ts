import type { AssetTable } from '../image'
import type { CountedText, Held, Hyphenation } from '../lines'
import { getTemplate, type Pack, type Template } from '../pack'
import type { CalendarDay, Hold, SiteDocument } from '../site'

/** What a site is drawn from: nothing else is read. */
export type Site = {
  readonly document: SiteDocument
  readonly pack: Pack
  readonly assets: AssetTable
  /** A sheet marks each place's element, so that the editor can find it; a release carries no marks. */
  readonly mode: 'sheet' | 'release'
  /** Drawn to be laid out and measured, unseen: its pictures have their size and are not fetched. */
  readonly isMeasured?: boolean
  /** The path that it stands at, where that is no root of a host: `/shop/`. */
  readonly root?: string
  /** The day that it is: what was to be shown until an earlier one is shown no more. Where nothing is known of the day, all is shown. */
  readonly today?: CalendarDay
  /** From which width of the window, in px, the menu fits as designed; narrower ones have its phone form. Nothing: the design's own. */
  readonly menuFrom?: number | null
  /** How texts are held to their lines; without it each is set as designed. */
  readonly holds?: HoldFinder | null
  /** How long words are divided in the site's language; without it they are not. */
  readonly hyphens?: Hyphenation | null
}

/** Texts that are set in one size, in a slot of a design, and what they are held to. */
export type HoldAsk = {
  readonly look: string
  readonly key: string
  readonly texts: readonly CountedText[]
  readonly hold: Hold
  /** Some of the words are set bold: all are reckoned so. */
  readonly bold: boolean
  readonly language: string
}
/** Null where it is not known, or where the design gives the text no room of its own. The same ask always has the same answer. */
export type HoldFinder = (ask: HoldAsk) => Held | null

export function templateOf(site: Site): Template {
  return getTemplate(site.pack, site.document.dress.template)
}
