import type { AssetTable } from '../image'
import { own } from '../own'
import { looksOf, targetsIn, type SectionKind, type SiteDocument, type SlotValue } from '../site'
import { FAMILIES } from '../type'
import { designKey, listPlaceholders, overlay, type Design } from './design'
import type { PackFault } from './fault'
import type { Template, TemplateSection } from './template'

/** All templates and designs at hand, as plain data: the same on the server, in the browser and in tests. */
export type Pack = {
  readonly templates: Readonly<Record<string, Template>>
  readonly designs: Readonly<Record<string, Design>>
}

/** Templates and designs with their pictures, by asset id (`tallow/front-door.jpg`). */
export type TemplateLibrary = { readonly pack: Pack; readonly assets: AssetTable }

export function getTemplate(pack: Pack, id: string): Template {
  const template = findTemplate(pack, id)
  if (!template) throw new Error(`No template ${id}`)
  return template
}

export function getDesign(pack: Pack, kind: SectionKind, name: string): Design {
  const design = findDesign(pack, kind, name)
  if (!design) throw new Error(`No design ${designKey(kind, name)}`)
  return design
}

/** Names of every design of a kind, in the order of the alphabet. */
export function designsOf(pack: Pack, kind: SectionKind): string[] {
  return Object.values(pack.designs)
    .filter((d) => d.kind === kind)
    .map((d) => d.name)
    .sort()
}

/** The line of a part of a template's JSON. */
export type LineIn = (template: string, path: (string | number)[]) => number

/** Faults between the parts of a pack: designs, pictures and pages that are named but not there. */
export function checkPack(pack: Pack, mediaFiles: ReadonlySet<string>, lineIn: LineIn, htmlOf: (design: string) => string): PackFault[] {
  return Object.values(pack.templates).flatMap((template) => {
    const file = `${template.id}/template.json`
    const places: readonly (readonly [TemplateSection, (string | number)[]])[] = [
      [template.header, ['header']],
      [template.footer, ['footer']],
      [template.notFound, ['notFound']],
      ...template.pages.flatMap((page, i) =>
        page.sections.map((s, j) => [s, ['pages', i, 'sections', j]] as [TemplateSection, (string | number)[]]),
      ),
    ]
    const missing = Object.keys(template.media).filter((name) => !mediaFiles.has(`${template.id}/${name}`))
    const families = [template.fonts.display, template.fonts.text].filter((key) => !Object.hasOwn(FAMILIES, key))
    return [
      ...missing.map((name) => ({
        file,
        line: lineIn(template.id, ['media', name]),
        fault: `The picture media/${name} is named but not there.`,
      })),
      ...families.map((key) => ({
        file,
        line: lineIn(template.id, ['fonts']),
        fault: `There is no type family “${key}”; there are ${Object.keys(FAMILIES).join(', ')}.`,
      })),
      ...places.flatMap(([s, path]) =>
        checkSection(pack, s, template, mediaFiles, htmlOf).map((found) => ({
          file,
          line: lineIn(template.id, path),
          ...found,
          fault: `${s.key}: ${found.fault}`,
        })),
      ),
    ]
  })
}

type Found = { readonly fault: string; readonly file?: string; readonly line?: number }

function checkSection(
  pack: Pack,
  section: TemplateSection,
  template: Template,
  mediaFiles: ReadonlySet<string>,
  htmlOf: (design: string) => string,
): Found[] {
  const key = designKey(section.kind, section.design)
  const design = own(pack.designs, key)
  if (!design) return [{ fault: `there is no design ${key}.` }]
  const pages = new Set(template.pages.map((p) => p.key))
  const faults: Found[] = []
  const isOwn = (value: SlotValue): boolean => listPlaceholders(section.placeholders).some((p) => p.value === value)
  for (const { at, value } of listPlaceholders(overlay(design.placeholders, section.placeholders))) {
    if (value.type === 'image' && !mediaFiles.has(value.asset)) {
      const html = htmlOf(key).split('\n')
      const line = html.findIndex((l) => l.includes(value.asset.split('/').at(-1) ?? ' '))
      faults.push({
        fault: `${at}: the picture ${value.asset} is not there.`,
        ...(isOwn(value) || line < 0 ? {} : { file: `designs/${key}.html`, line: line + 1 }),
      })
    }
    for (const to of targetsIn(value))
      if (to.type === 'page' && !pages.has(to.page)) faults.push({ fault: `${at}: there is no page ${to.page}.` })
  }
  return faults
}

/** The template of an id, or null: only a template that is here leads to one. */
export function findTemplate(pack: Pack, id: string): Template | null {
  return own(pack.templates, id) ?? null
}

export function findDesign(pack: Pack, kind: SectionKind, name: string): Design | null {
  return own(pack.designs, designKey(kind, name)) ?? null
}

/** What a site wears and is not here: its template, or designs of its sections. Empty where all are. */
export function missingFor(pack: Pack, document: SiteDocument): readonly string[] {
  const template = findTemplate(pack, document.dress.template) ? [] : [document.dress.template]
  const designs = looksOf(document)
    .filter(({ kind, design }) => !findDesign(pack, kind, design))
    .map(({ kind, design }) => designKey(kind, design))
  return [...template, ...new Set(designs)]
}
