import { isSectionKind } from '../site'
import { checkTemplateCss } from './check-css'
import { designKey, type Design } from './design'
import type { PackFault } from './fault'
import { checkPack, type Pack } from './pack'
import { parseDesign } from './parse-design'
import { readTemplateType } from './read-type'
import { parseTemplate, templateSections, type Template } from './template'

/** A pack's files: text by path, and the paths of its pictures. */
export type PackFiles = { readonly texts: ReadonlyMap<string, string>; readonly media: ReadonlySet<string> }
export type ParsedPack = { readonly pack: Pack; readonly faults: readonly PackFault[] }

const DESIGN = /^designs\/([a-z0-9-]+)\/([a-z0-9]+(?:-[a-z0-9]+)*)\.(html|css)$/
const TEMPLATE = /^([a-z0-9]+(?:-[a-z0-9]+)*)\/template\.(json|css)$/
const MEDIA = /^([a-z0-9]+(?:-[a-z0-9]+)*)\/media\/[a-z0-9-]+\.(jpg|png|webp|svg)$/

/** Where a file belongs in a pack, or null where it has no place in one. */
export function placeInPack(path: string): 'design' | 'template' | 'media' | null {
  if (DESIGN.test(path)) return 'design'
  if (TEMPLATE.test(path)) return path.startsWith('designs/') ? null : 'template'
  return MEDIA.test(path) && !path.startsWith('designs/') ? 'media' : null
}

/**
 * Reads all files of a pack and checks them, each by itself and against each other. `base` holds what is there already:
 * its designs may be used. Every fault is reported; a pack with one is not to be used.
 */
export function parsePack(
  { texts, media }: PackFiles,
  base: Pack = { templates: {}, designs: {} },
  baseMedia: ReadonlySet<string> = new Set(),
): ParsedPack {
  const faults: PackFault[] = []
  const designs: Record<string, Design> = {}
  const templates: Record<string, Template> = {}
  const lines: Record<string, (path: (string | number)[]) => number> = {}
  for (const [path, html] of texts) {
    const [, kind = '', name = '', type] = DESIGN.exec(path) ?? []
    if (type !== 'html') continue
    const css = texts.get(`designs/${kind}/${name}.css`)
    if (css === undefined) faults.push({ file: path, line: 0, fault: `Its style ${name}.css is missing.` })
    const parsed = parseDesign(kind, name, html, css ?? '')
    faults.push(...parsed.faults)
    if (parsed.design && isSectionKind(kind)) designs[designKey(kind, name)] = parsed.design
  }
  for (const [path, json] of texts) {
    const [, id = '', type] = TEMPLATE.exec(path) ?? []
    if (type !== 'json') continue
    const css = texts.get(`${id}/template.css`)
    if (css === undefined) faults.push({ file: path, line: 0, fault: 'Its style template.css is missing.' })
    const parsed = parseTemplate(id, json, css ?? '')
    faults.push(...parsed.faults, ...checkTemplateCss(`${id}/template.css`, css ?? ''))
    if (parsed.template) {
      templates[id] = parsed.template
      lines[id] = parsed.lineOf
    }
  }
  for (const path of texts.keys()) {
    if (path.endsWith('.css') && !texts.has(path.replace(/\.css$/, path.endsWith('template.css') ? '.json' : '.html')))
      faults.push({ file: path, line: 0, fault: 'A style without the file that it belongs to.' })
  }
  const all = { ...base.designs, ...designs }
  const pack: Pack = { templates: Object.fromEntries(Object.entries(templates).map(([id, t]) => [id, withOwnDesigns(t, all)])), designs }
  const shown = new Set([...media].map((path) => path.replace('/media/', '/')).concat([...baseMedia]))
  const asset = (design: string): string => texts.get(`designs/${design}.html`) ?? ''
  faults.push(...checkPack({ templates, designs: all }, shown, (template, path) => lines[template]?.(path) ?? 0, asset))
  return { pack, faults }
}

/** A template with its type as its own header and its first quoting section set it too. */
function withOwnDesigns(template: Template, designs: Readonly<Record<string, Design>>): Template {
  const quoting = templateSections(template).find((s) => s.kind === 'quote' || s.kind === 'testimonials')
  const own = [template.header, ...(quoting ? [quoting] : [])].map((s) => designs[designKey(s.kind, s.design)]?.css ?? '')
  return { ...template, type: readTemplateType(template.css, own.join('\n')) }
}
