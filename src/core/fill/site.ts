import type { AssetTable } from '../image'
import { getTemplate, type Pack, type Template } from '../pack'
import type { SiteDocument } from '../site'

/** What a site is drawn from: nothing else is read. */
export type Site = {
  readonly document: SiteDocument
  readonly pack: Pack
  readonly assets: AssetTable
  /** A sheet marks each place's element, so that the editor can find it; a release carries no marks. */
  readonly mode: 'sheet' | 'release'
}

export function templateOf(site: Site): Template {
  return getTemplate(site.pack, site.document.dress.template)
}
