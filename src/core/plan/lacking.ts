import { findTemplatePage, pageTexts } from '../fill'
import { getTemplate, type Pack } from '../pack'
import { pagesOf, sectionsOfPage, type PageOrigin, type SectionKind, type SiteDocument } from '../site'
import { findTrade } from '../trade'
import { kindOfName, kindOfPage } from './find-design'

/** A page that sites of a trade have and this one lacks, with how many templates for the trade bring one. */
export type Lacking = {
  readonly origin: PageOrigin
  readonly name: string
  readonly kind: SectionKind
  readonly has: number
  readonly of: number
}

/**
 * The core pages that the templates for a trade bring and a site lacks, those that most of them bring first. Told by what a page is
 * about, so a page under another name counts. Of a template that the site wears before one of another.
 */
export function lackingPages(pack: Pack, document: SiteDocument, trade: string | null): readonly Lacking[] {
  const group = trade === null ? null : findTrade(trade)?.group
  const worn = getTemplate(pack, document.dress.template)
  const all = Object.values(pack.templates)
  const suited = all.filter((t) => t === worn || (group && t.trades.some((name) => findTrade(name)?.group === group)))
  const has = kindsOf(pack, document)
  const found = new Map<SectionKind, Lacking>()
  for (const template of [worn, ...suited.filter((t) => t !== worn)]) {
    for (const page of template.pages.slice(1)) {
      const kind = kindOfPage(page)
      if (kind === null || has.has(kind)) continue
      const known = found.get(kind)
      const origin = { template: template.id, page: page.key }
      found.set(kind, known ? { ...known, has: known.has + 1 } : { origin, name: page.name, kind, has: 1, of: suited.length })
    }
  }
  return [...found.values()].sort((a, b) => b.has - a.has)
}

/** What the pages of a site are about. */
function kindsOf(pack: Pack, document: SiteDocument): ReadonlySet<SectionKind> {
  return new Set(
    pagesOf(document)
      .slice(1)
      .flatMap((page) => {
        const from = findTemplatePage(pack, page.origin)?.page
        const about = from ? kindOfPage(from) : null
        const named = about ?? kindOfName(pageTexts(pack, document, page).name)
        return named ? [named] : sectionsOfPage(document, page.id).map((s) => s.kind)
      }),
  )
}
