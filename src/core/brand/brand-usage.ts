import { allOf, fillPage, readElements, type Site } from '../fill'
import { memoBy } from '../memo'
import { pagesOf, sectionsOfPage, sharedSections, type Section, type TextStyleName } from '../site'
import { STYLED } from './styled'

/** How many places of a site something is found at, and on how many pages; every page shares header and footer. */
export type BrandUsage = { readonly places: number; readonly pages: number }

type Counts = ReadonlyMap<string, number>

/** For each page how many elements there are of each style; counted once for a document. */
const countStyles = memoBy(
  ({ document, pack }: Site) => [document, pack],
  (site): readonly Counts[] =>
    pagesOf(site.document).map((page) => {
      const counts = new Map<string, number>()
      for (const { root } of allOf(fillPage({ ...site, mode: 'release' }, page))) {
        readElements(root, (element) => {
          for (const [style, isOf] of Object.entries(STYLED)) if (isOf(element)) counts.set(style, (counts.get(style) ?? 0) + 1)
        })
      }
      return counts
    }),
)

/** What a text style reaches. */
export function usageOfStyle(site: Site, style: TextStyleName): BrandUsage {
  const pages = pagesOf(site.document)
  if (style === 'menu') return { places: pages.filter((p) => p.listed === 'menu').length, pages: pages.length }
  const counts = countStyles(site).map((page) => page.get(style) ?? 0)
  return { places: counts.reduce((sum, n) => sum + n, 0), pages: counts.filter((n) => n > 0).length }
}

/** The sections of a site that stand on a tone. */
export function usageOfTone({ document }: Site, tone: Section['tone']): BrandUsage {
  const on = (sections: readonly Section[]): number => sections.filter((s) => s.tone === tone).length
  const shared = on(sharedSections(document))
  const pages = pagesOf(document).map((page) => on(sectionsOfPage(document, page.id)))
  return { places: pages.reduce((sum, n) => sum + n, shared), pages: pages.filter((n) => shared > 0 || n > 0).length }
}
