import { sectionsIn, sectionsOn, type Page, type Section } from '../../site'
import { NOT_FOUND } from '../page-texts'
import type { Site } from '../site'
import { fillSection } from './fill-section'
import type { FilledSection } from './tree'

/** A page whole: what stands at the head of every page, its own sections, and what stands at the foot. */
export type PageParts<T> = { readonly header: readonly T[]; readonly main: readonly T[]; readonly footer: readonly T[] }

/** The sections of a page; of none, those of the page for wrong addresses. */
export function pageSections({ document }: Site, page: Page | null): PageParts<Section> {
  const isOwn = page !== null && page.id !== NOT_FOUND
  return {
    header: sectionsIn(document, { type: 'header' }),
    main: isOwn ? sectionsOn(document, page.id) : sectionsIn(document, { type: 'notFound' }),
    footer: sectionsIn(document, { type: 'footer' }),
  }
}

export function fillPage(site: Site, page: Page | null): PageParts<FilledSection> {
  const { header, main, footer } = pageSections(site, page)
  const fill = (section: Section): FilledSection => fillSection({ site, page }, section)
  return { header: header.map(fill), main: main.map(fill), footer: footer.map(fill) }
}

/** The page for addresses that lead nowhere, as a page that a sheet can show. */
export function notFoundPage(): Page {
  return { id: NOT_FOUND, in: { type: 'site' }, rank: 'a0', origin: null, segment: NOT_FOUND, listed: 'nowhere', texts: {} }
}
