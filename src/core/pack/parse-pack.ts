import { isDeepJson } from '../json-depth'
import { own } from '../own'
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
  const faults = [...texts].flatMap(([file, text]) => tooLong(file, text))
  if (faults.length > 0) return { pack: { templates: {}, designs: {} }, faults }
  const found = new Map<string, Design>()
  const read = new Map<string, Template>()
  const lines = new Map<string, (path: (string | number)[]) => number>()
  for (const [path, html] of texts) {
    const [, kind = '', name = '', type] = DESIGN.exec(path) ?? []
    if (type !== 'html') continue
    const css = texts.get(`designs/${kind}/${name}.css`)
    if (css === undefined) faults.push({ file: path, line: 0, fault: `Its style ${name}.css is missing.` })
    const parsed = parseDesign(kind, name, html, css ?? '')
    faults.push(...parsed.faults)
    if (parsed.design && isSectionKind(kind)) found.set(designKey(kind, name), parsed.design)
  }
  for (const [path, json] of texts) {
    const [, id = '', type] = TEMPLATE.exec(path) ?? []
    if (type !== 'json') continue
    const css = texts.get(`${id}/template.css`)
    if (css === undefined) faults.push({ file: path, line: 0, fault: 'Its style template.css is missing.' })
    const parsed = parseTemplate(id, json, css ?? '')
    faults.push(...parsed.faults, ...checkTemplateCss(`${id}/template.css`, css ?? ''))
    if (parsed.template) {
      read.set(id, parsed.template)
      lines.set(id, parsed.lineOf)
    }
  }
  for (const path of texts.keys()) {
    if (path.endsWith('.css') && !texts.has(path.replace(/\.css$/, path.endsWith('template.css') ? '.json' : '.html')))
      faults.push({ file: path, line: 0, fault: 'A style without the file that it belongs to.' })
  }
  const [designs, templates] = [Object.fromEntries(found), Object.fromEntries(read)]
  const all = { ...base.designs, ...designs }
  const pack: Pack = { templates: Object.fromEntries(Object.entries(templates).map(([id, t]) => [id, withOwnDesigns(t, all)])), designs }
  const shown = new Set([...media].map((path) => path.replace('/media/', '/')).concat([...baseMedia]))
  const asset = (design: string): string => texts.get(`designs/${design}.html`) ?? ''
  faults.push(...checkPack({ templates, designs: all }, shown, (template, path) => lines.get(template)?.(path) ?? 0, asset))
  return { pack, faults }
}

/** The most that a text of a pack may be; the largest shipped one, a template's particulars, has 11 kB. */
const MOST_TEXT = 512 * 1024
/** How deep elements or lists may lie in each other. */
const MOST_DEPTH = 100

/** A text that is too much to be read, said before it is. */
function tooLong(file: string, text: string): PackFault[] {
  if (text.length > MOST_TEXT) return [{ file, line: 0, fault: `It holds more than ${MOST_TEXT / 1024} kB.` }]
  const isDeep = file.endsWith('.json') ? isDeepJson(text, MOST_DEPTH) : file.endsWith('.html') && isDeepHtml(text)
  return isDeep ? [{ file, line: 0, fault: `Its parts lie more than ${MOST_DEPTH} deep in each other.` }] : []
}

/** Elements that hold nothing and have no end tag (HTML Standard, 13.1.2, “void elements”). */
const VOID = /^<(?:area|base|br|col|embed|hr|img|input|link|meta|source|track|wbr)[\s/>]/i

/** Tags that open and do not close are counted, whatever they are in: never fewer than the parser finds. */
function isDeepHtml(text: string): boolean {
  let depth = 0
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
    const start = text.slice(at, at + 8)
    if (start[1] === '/') depth--
    else if (/^<[a-z]/i.test(start) && !VOID.test(start)) depth++
    if (depth > MOST_DEPTH) return true
  }
  return false
}

/** A template with its type as its own header and its first quoting section set it too. */
function withOwnDesigns(template: Template, designs: Readonly<Record<string, Design>>): Template {
  const quoting = templateSections(template).find((s) => s.kind === 'quote' || s.kind === 'testimonials')
  const css = [template.header, ...(quoting ? [quoting] : [])].map((s) => own(designs, designKey(s.kind, s.design))?.css ?? '')
  return { ...template, type: readTemplateType(template.css, css.join('\n')) }
}
