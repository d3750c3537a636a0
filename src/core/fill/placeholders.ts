import { memoBy } from '../memo'
import {
  designKey,
  findDesign,
  findTemplate,
  NO_PLACEHOLDERS,
  overlay,
  type Pack,
  type Placeholders,
  type Template,
  type TemplatePage,
  type TemplateSection,
} from '../pack'
import type { PageOrigin, Section, SectionOrigin } from '../site'

const byOrigin = new WeakMap<Pack, Map<string, Placeholders>>()

/**
 * The placeholder content of a section: the chosen design's own, under the words of the template's section that it was
 * made from. So the words stay the same while one design after another is tried. A section is never changed in place, so
 * what was found for one holds.
 */
export const placeholdersOf = memoBy((pack: Pack, section: Section) => [section, pack], findPlaceholders)

function findPlaceholders(pack: Pack, section: Section): Placeholders {
  let made = byOrigin.get(pack)
  if (!made) byOrigin.set(pack, (made = new Map()))
  const { template = '', page = '', section: key = '' } = section.origin ?? {}
  const name = `${designKey(section.kind, section.design)} ${template} ${page ?? ' '} ${key}`
  let found = made.get(name)
  if (!found) {
    const origin = findTemplateSection(pack, section.origin, section.kind)
    const native = origin ? overlay(ofDesign(pack, origin.kind, origin.design), origin.placeholders) : NO_PLACEHOLDERS
    made.set(name, (found = overlay(ofDesign(pack, section.kind, section.design), native)))
  }
  return found
}

function ofDesign(pack: Pack, kind: Section['kind'], name: string): Placeholders {
  return findDesign(pack, kind, name)?.placeholders ?? NO_PLACEHOLDERS
}

/** The template's page that a page was made from. */
export function findTemplatePage(
  pack: Pack,
  origin: PageOrigin | null,
): { readonly template: Template; readonly page: TemplatePage } | null {
  const template = origin && findTemplate(pack, origin.template)
  const page = template?.pages.find((p) => p.key === origin?.page)
  return template && page ? { template, page } : null
}

/** The template's section that a section of a kind was made from; where its key is gone, the page's first of that kind. */
export function findTemplateSection(pack: Pack, origin: SectionOrigin | null, kind: Section['kind']): TemplateSection | null {
  const template = origin && findTemplate(pack, origin.template)
  if (!template) return null
  const all: readonly TemplateSection[] =
    origin.page === null
      ? [template.header, template.footer, template.notFound]
      : (template.pages.find((p) => p.key === origin.page)?.sections ?? [])
  const same = all.filter((s) => s.kind === kind)
  return same.find((s) => s.key === origin.section) ?? same[0] ?? null
}
