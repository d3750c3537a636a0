import type { SectionKind } from '../site'
import { designKey, type Design } from './design'
import type { PackFault } from './fault'
import { templateSections, type Template, type TemplateSection } from './template'

/** All templates and designs at hand, as plain data: the same on the server, in the browser and in tests. */
export type Pack = {
  readonly templates: Readonly<Record<string, Template>>
  readonly designs: Readonly<Record<string, Design>>
}

export function getTemplate(pack: Pack, id: string): Template {
  const template = pack.templates[id]
  if (!template) throw new Error(`No template ${id}`)
  return template
}

export function getDesign(pack: Pack, kind: SectionKind, name: string): Design {
  const design = pack.designs[designKey(kind, name)]
  if (!design) throw new Error(`No design ${designKey(kind, name)}`)
  return design
}

/** Faults between the parts of a pack: designs, pictures and pages that are named but not there. */
export function checkPack(pack: Pack, mediaFiles: ReadonlySet<string>): PackFault[] {
  return Object.values(pack.templates).flatMap((template) => {
    const file = `${template.id}/template.json`
    const pages = new Set(template.pages.map((p) => p.key))
    const sections = [...templateSections(template), template.notFound]
    const missing = Object.keys(template.media).filter((name) => !mediaFiles.has(`${template.id}/${name}`))
    return [
      ...missing.map((name) => ({ file, line: 0, fault: `The picture media/${name} is named but not there.` })),
      ...sections.flatMap((s) => checkSection(pack, s, pages, mediaFiles).map((fault) => ({ file, line: 0, fault: `${s.key}: ${fault}` }))),
    ]
  })
}

function checkSection(pack: Pack, section: TemplateSection, pages: ReadonlySet<string>, mediaFiles: ReadonlySet<string>): string[] {
  const design = pack.designs[designKey(section.kind, section.design)]
  if (!design) return [`there is no design ${designKey(section.kind, section.design)}.`]
  const faults: string[] = []
  for (const [slot, value] of Object.entries({ ...design.placeholders, ...section.slots })) {
    if (value.type === 'image' && !mediaFiles.has(value.asset)) faults.push(`${slot}: the picture ${value.asset} is not there.`)
    if (value.type === 'link' && value.to.type === 'page' && !pages.has(value.to.page)) faults.push(`${slot}: there is no page ${value.to.page}.`)
  }
  return faults
}
