import { partsOf, roleOf, sectionsIn, sectionsOn, standsOn, type Page, type Section, type SiteDocument } from '../../site'
import { NOT_FOUND } from '../page-texts'
import type { Site } from '../site'
import { fillSection } from './fill-section'
import type { FilledSection } from './tree'

/** A page whole: what stands at the head of every page, its own sections, and what stands at the foot. */
export type PageParts<T> = { readonly header: readonly T[]; readonly main: readonly T[]; readonly footer: readonly T[] }

/** The sections of a page, and of those that are parts of it; of none, those of the page for wrong addresses. */
export function pageSections({ document }: Site, page: Page | null): PageParts<Section> {
  const isOwn = page !== null && page.id !== NOT_FOUND
  return {
    header: sectionsIn(document, { type: 'header' }),
    main: isOwn ? ownSections(document, page) : sectionsIn(document, { type: 'notFound' }),
    footer: sectionsIn(document, { type: 'footer' }),
  }
}

function ownSections(document: SiteDocument, page: Page): readonly Section[] {
  if (!document.plan.onePage || roleOf(document, page) === 'page') return sectionsOn(document, page.id)
  return [standsOn(document, page), ...partsOf(document)].flatMap((one) => sectionsOn(document, one.id))
}

export function fillPage(site: Site, asked: Page | null): PageParts<FilledSection> {
  const page = asked && asked.id !== NOT_FOUND ? standsOn(site.document, asked) : asked
  const { header, main, footer } = pageSections(site, page)
  const fill = (section: Section): FilledSection => fillSection({ site, page }, section)
  return { header: header.map(fill), main: main.map(fill), footer: footer.map(fill) }
}

/** The page for addresses that lead nowhere, as a page that a sheet can show. */
export function notFoundPage(): Page {
  return { id: NOT_FOUND, in: { type: 'site' }, rank: 'a0', origin: null, segment: NOT_FOUND, listed: 'nowhere', texts: {} }
}
