import { own } from '../own'
import type { Template, TemplateSection } from '../pack'
import {
  ranks,
  sectionsIn,
  toFactCells,
  type Apart,
  type Brand,
  type EditStep,
  type Facts,
  type PageId,
  type Section,
  type SectionId,
  type SectionIn,
  type SiteDocument,
} from '../site'

/** What the sections are called that stand on no page of a site's own. */
export const APART_IDS: Readonly<Record<Apart, SectionId>> = {
  header: 'header' as SectionId,
  footer: 'footer' as SectionId,
  notFound: 'not-found' as SectionId,
}

/** What brings a site from before the page for wrong addresses was its own that page's section; null where it has one. */
export function withNotFound(template: Template, document: SiteDocument): EditStep | null {
  const section = own(makeDocument(template, {}, {}).sections, APART_IDS.notFound)
  return section && sectionsIn(document, { type: 'notFound' }).length === 0 ? { type: 'section/insert', section } : null
}

/** A new site on a template: its pages and sections, and nothing yet that is the client's but facts and brand. */
export function makeDocument(template: Template, facts: Facts, brand: Brand): SiteDocument {
  const section = (id: string, where: SectionIn, rank: string, page: string | null, from: TemplateSection): Section => ({
    id: id as SectionId,
    in: where,
    rank,
    kind: from.kind,
    design: from.design,
    tone: from.tone,
    origin: { template: template.id, page, section: from.key },
    slots: {},
  })
  const pageRanks = ranks(template.pages.length)
  const sections = [
    section(APART_IDS.header, { type: 'header' }, 'a0', null, template.header),
    ...template.pages.flatMap((page) => {
      const places = ranks(page.sections.length)
      const where: SectionIn = { type: 'page', page: page.key as PageId }
      return page.sections.map((s, i) => section(`${page.key}.${s.key}`, where, places[i] ?? 'a0', page.key, s))
    }),
    section(APART_IDS.footer, { type: 'footer' }, 'a0', null, template.footer),
    section(APART_IDS.notFound, { type: 'notFound' }, 'a0', null, template.notFound),
  ]
  const pages = template.pages.map((page, i) => ({
    id: page.key as PageId,
    in: { type: 'site' } as const,
    rank: pageRanks[i] ?? 'a0',
    origin: { template: template.id, page: page.key },
    segment: page.segment,
    listed: page.menu === undefined ? ('menu' as const) : page.menu === 'none' ? ('nowhere' as const) : ('foot' as const),
    texts: {},
  }))
  return {
    format: 3,
    language: template.language,
    dress: { template: template.id },
    facts: toFactCells(facts),
    brand,
    labels: {},
    signposts: {},
    collections: {},
    redirects: {},
    verifications: {},
    asIs: {},
    plan: {},
    pages: Object.fromEntries(pages.map((page) => [page.id, page])),
    sections: Object.fromEntries(sections.map((s) => [s.id, s])),
    entries: {},
    outfits: {},
  }
}
