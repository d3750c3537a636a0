import { findTemplate } from '../../pack'
import { sectionsIn, sectionsOn, type Page, type PageId, type Section, type SectionId } from '../../site'
import { templateOf, type Site } from '../site'
import { fillSection } from './fill-section'
import type { FilledSection } from './tree'

/** Id of the section on the page for wrong addresses; it is the template's and belongs to no document. */
export const NOT_FOUND = 'not-found'

/** A page whole: what stands at the head of every page, its own sections, and what stands at the foot. */
export type PageParts<T> = { readonly header: readonly T[]; readonly main: readonly T[]; readonly footer: readonly T[] }

/** The sections of a page; of none, those of the page for wrong addresses. */
export function pageSections({ document, pack }: Site, page: Page | null): PageParts<Section> {
  const isOwn = page !== null && page.id !== NOT_FOUND
  return {
    header: sectionsIn(document, { type: 'header' }),
    main: isOwn ? sectionsOn(document, page.id) : findTemplate(pack, document.dress.template) ? [notFoundSection({ document, pack })] : [],
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
  return { id: NOT_FOUND as PageId, in: { type: 'site' }, rank: 'a0', origin: null, segment: NOT_FOUND, listed: 'nowhere', texts: {} }
}

const notFound = new WeakMap<object, Section>()

function notFoundSection(site: Pick<Site, 'document' | 'pack'>): Section {
  const { id, notFound: from } = templateOf(site as Site)
  let section = notFound.get(from)
  if (!section) {
    const { key, kind, design, tone } = from
    const where = { type: 'page', page: NOT_FOUND as PageId } as const
    section = {
      id: NOT_FOUND as SectionId,
      in: where,
      rank: 'a0',
      kind,
      design,
      tone,
      origin: { template: id, page: null, section: key },
      slots: {},
    }
    notFound.set(from, section)
  }
  return section
}
