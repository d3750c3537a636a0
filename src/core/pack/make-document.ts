import type { Brand, Facts, PageId, Section, SectionId, SiteDocument } from '../site'
import type { Template, TemplateSection } from './template'

/** A new site on a template: its pages and sections, and nothing yet that is the client's but facts and brand. */
export function makeDocument(template: Template, facts: Facts, brand: Brand): SiteDocument {
  const section = (id: string, from: TemplateSection): Section => ({
    id: id as SectionId, kind: from.kind, design: from.design, tone: from.tone, from: from.key, slots: {},
  })
  return {
    format: 1,
    template: template.id,
    language: template.language,
    facts,
    brand,
    header: section('header', template.header),
    footer: section('footer', template.footer),
    pages: template.pages.map((page) => ({
      id: page.key as PageId,
      from: page.key,
      segment: page.segment,
      ...(page.menu ? { menu: page.menu } : {}),
      sections: page.sections.map((s) => section(`${page.key}.${s.key}`, s)),
    })),
  }
}
