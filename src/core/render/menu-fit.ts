import { fillPage, siteDirection, type Site } from '../fill'
import { findDesign } from '../pack'
import { homePage, sectionsIn, shownSection, siteLanguage } from '../site'
import { sectionHtml } from './html/to-html'
import { openPage } from './page-writer'
import { shortHash } from './short-hash'

/** No window is so wide. */
export const NEVER = 10_000
/** Each rem is 16 px in a media query, whatever the page's own font size (Media Queries 4, 1.3). */
const REM = 16

/**
 * The CSS of a header whose menu stands in the page only in windows of `from` px and more: in narrower ones it has its phone form,
 * whatever the width at which its design changes by itself.
 */
export function menuFrom(css: string, from: number | null | undefined): string {
  if (!from) return css
  return css.replaceAll(/\((min|max)-width:\s*([\d.]+)rem\)/g, (whole, side: string, rems: string) => {
    if (Number(rems) * REM >= from) return whole
    return side === 'min' ? `(min-width: ${from / REM}rem)` : `(max-width: ${from / REM - 0.01}rem)`
  })
}

/**
 * A name for all that decides how wide the menu is: what stands at the head of every page, with its styles. While it stays the same, so
 * does what was measured. `styles` is the CSS that is not the header's own.
 */
export function menuKey(site: Site, styles: string): string {
  const { document, pack, assets } = site
  const release: Site = { document, pack, assets, mode: 'release' }
  const home = homePage(document)
  const header = fillPage(release, home).header.map((section) => sectionHtml(openPage(release, home), section))
  const designs = sectionsIn(document, { type: 'header' }).map((section) => {
    const { kind, design } = shownSection(document, section)
    return findDesign(pack, kind, design)?.css ?? ''
  })
  return shortHash([siteLanguage(document), siteDirection(document), ...header, ...designs, styles].join('\n'))
}
