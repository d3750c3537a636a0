import * as v from 'valibot'
import {
  factsSchema,
  findSlotType,
  isSectionKind,
  languageSchema,
  nameSchema,
  segmentSchema,
  TONES,
  type SectionKind,
  type SlotValue,
  type Tone,
} from '../site'
import { parseMarked } from '../rich'
import { NO_PLACEHOLDERS, type Placeholders } from './design'
import type { PackFault } from './fault'
import { readJson } from './json-lines'
import { parseLinkTarget } from './link-target'
import { readSpace, readTemplateType, type TemplateSpace } from './read-type'
import type { TemplateType } from '../type'

/** What a document can name, since it does. */
const key = v.pipe(nameSchema, v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/))
const fraction = v.pipe(v.number(), v.minValue(0), v.maxValue(1))

const surfaceSchema = v.strictObject({
  l: fraction,
  c: v.pipe(v.number(), v.minValue(0), v.maxValue(0.4)),
  h: v.union([v.number(), v.literal('brand')]),
})
const hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/, 'A colour is written with six small hex digits, such as #7a2e1d'))
const schemeSchema = v.strictObject({
  key,
  name: v.string(),
  colour: hex,
  second: v.optional(hex),
  third: v.optional(hex),
  paper: surfaceSchema,
  tint: surfaceSchema,
  ink: surfaceSchema,
})
export type TemplateScheme = v.InferOutput<typeof schemeSchema>

const itemSchema = v.record(v.string(), v.unknown())
const sectionSchema = v.strictObject({ key, kind: v.string(), design: key, tone: v.picklist(TONES), slots: v.optional(itemSchema, {}) })

const templateSchema = v.strictObject({
  format: v.literal(1),
  name: v.string(),
  trades: v.array(v.string()),
  description: v.string(),
  licence: v.string(),
  /** What the template costs, in words; “free” where it costs nothing. */
  price: v.string(),
  language: languageSchema,
  fonts: v.strictObject({ display: key, text: key }),
  /** The first is worn unless another is chosen. */
  schemes: v.pipe(v.array(schemeSchema), v.minLength(1), v.readonly()),
  facts: v.required(factsSchema.pipe[0], ['name', 'tagline', 'phone', 'email', 'address', 'hours']),
  media: v.record(v.string(), v.strictObject({ alt: v.string(), focus: v.strictObject({ x: fraction, y: fraction }) })),
  header: sectionSchema,
  footer: sectionSchema,
  /** What a visitor reads at an address where nothing is. */
  notFound: sectionSchema,
  pages: v.pipe(
    v.array(
      v.strictObject({
        key,
        name: v.string(),
        segment: segmentSchema,
        menu: v.optional(v.picklist(['foot', 'none'])),
        description: v.string(),
        sections: v.array(sectionSchema),
      }),
    ),
    v.minLength(1),
  ),
})

export type TemplateSection = {
  readonly key: string
  readonly kind: SectionKind
  readonly design: string
  readonly tone: Tone
  /** Placeholder content that differs from the design's own. */
  readonly placeholders: Placeholders
}
export type TemplatePage = {
  readonly key: string
  readonly name: string
  readonly segment: string
  readonly menu?: 'foot' | 'none' | undefined
  readonly description: string
  readonly sections: readonly TemplateSection[]
}
export type Template = Omit<v.InferOutput<typeof templateSchema>, 'header' | 'footer' | 'notFound' | 'pages'> & {
  readonly id: string
  /** The template's own CSS: how it sets type, links and buttons. */
  readonly css: string
  readonly type: TemplateType
  readonly space: TemplateSpace
  readonly header: TemplateSection
  readonly footer: TemplateSection
  readonly notFound: TemplateSection
  readonly pages: readonly TemplatePage[]
}

/** Every section that a template's pages show, header and footer among them. */
export function templateSections(template: Template): readonly TemplateSection[] {
  return [template.header, ...template.pages.flatMap((p) => p.sections), template.footer]
}

export type ParsedTemplate = {
  readonly template: Template | null
  readonly faults: readonly PackFault[]
  readonly lineOf: (path: (string | number)[]) => number
}

/** Reads the text of a template.json with its CSS; every fault is reported with the line it was found at. */
export function parseTemplate(id: string, json: string, css: string): ParsedTemplate {
  const file = `${id}/template.json`
  const { value, lineOf, faults: wrong } = readJson(json)
  if (value === undefined) return { template: null, faults: wrong.map((fault) => ({ file, ...fault })), lineOf }
  const read = v.safeParse(templateSchema, value)
  if (!read.success)
    return {
      template: null,
      lineOf,
      faults: read.issues.map((issue) => ({
        file,
        line: lineOf(issue.path?.map((p) => p.key as string) ?? []),
        fault: `${v.getDotPath(issue) ?? 'file'}: ${issue.message}`,
      })),
    }
  const faults: PackFault[] = []
  const section = (from: v.InferOutput<typeof sectionSchema>, ...path: (string | number)[]): TemplateSection => {
    const kind = isSectionKind(from.kind) ? from.kind : null
    if (!kind)
      faults.push({ file, line: lineOf([...path, 'kind']), fault: `${from.key}: there is no kind of section called “${from.kind}”.` })
    const report = (slot: string, fault: string): void => {
      faults.push({ file, line: lineOf([...path, 'slots', slot]), fault: `${from.key}: ${fault}` })
    }
    const { slots, ...rest } = from
    return { ...rest, kind: kind ?? 'story', placeholders: kind ? readSlots(id, kind, slots, report) : NO_PLACEHOLDERS }
  }
  const template: Template = {
    ...read.output,
    id,
    css,
    type: readTemplateType(css),
    space: readSpace(css),
    header: section(read.output.header, 'header'),
    footer: section(read.output.footer, 'footer'),
    notFound: section(read.output.notFound, 'notFound'),
    pages: read.output.pages.map((page, i) => ({ ...page, sections: page.sections.map((s, j) => section(s, 'pages', i, 'sections', j)) })),
  }
  return {
    template,
    faults: [
      ...faults,
      ...checkPages(
        read.output.pages.map((p) => p.key),
        read.output.pages.map((p) => p.segment),
        file,
        lineOf,
      ),
    ],
    lineOf,
  }
}

/** The first page is the home page, and no two share a key or an address. */
function checkPages(
  keys: readonly string[],
  segments: readonly string[],
  file: string,
  lineOf: (path: (string | number)[]) => number,
): PackFault[] {
  return keys.flatMap((key, i): PackFault[] => [
    ...(keys.indexOf(key) < i ? [{ file, line: lineOf(['pages', i, 'key']), fault: `There are two pages with the key “${key}”.` }] : []),
    ...(segments.indexOf(segments[i] ?? '') < i
      ? [{ file, line: lineOf(['pages', i, 'segment']), fault: `There are two pages at “/${segments[i]}”.` }]
      : []),
    ...(i === 0 && segments[0] !== ''
      ? [{ file, line: lineOf(['pages', 0, 'segment']), fault: 'The first page is the home page; its segment is empty.' }]
      : []),
  ])
}

/** Short forms of a template.json become slot values: a string, a picture, a link, a list of entries. */
function readSlots(
  id: string,
  kind: SectionKind,
  given: Record<string, unknown>,
  report: (slot: string, fault: string) => void,
): Placeholders {
  const read = (slot: string, list: string | null, short: unknown): Readonly<Record<string, SlotValue>> => {
    const at = list === null ? slot : `${list}/${slot}`
    const type = findSlotType(kind, list, slot)
    const value = type === null || type === 'list' ? null : readShort(id, type, short)
    if (type === null || type === 'list') report(list ?? slot, `the kind ${kind} has no slot called “${at}”.`)
    else if (value === null) report(list ?? slot, `${at} is not a ${type}.`)
    return value === null ? {} : { [slot]: value }
  }
  let slots: Readonly<Record<string, SlotValue>> = {}
  let lists: Readonly<Record<string, readonly Readonly<Record<string, SlotValue>>[]>> = {}
  for (const [slot, short] of Object.entries(given)) {
    if (findSlotType(kind, null, slot) !== 'list') slots = { ...slots, ...read(slot, null, short) }
    else if (!v.is(entriesSchema, short)) report(slot, `${slot} must be a list of entries.`)
    else {
      const entries = short.map((entry) =>
        Object.entries(entry).reduce((all, [field, value]) => ({ ...all, ...read(field, slot, value) }), {} as Record<string, SlotValue>),
      )
      lists = { ...lists, [slot]: entries }
    }
  }
  return { slots, lists }
}

const entriesSchema = v.array(itemSchema)
const pictureSchema = v.strictObject({ picture: v.string(), alt: v.string() })
const linkSchema = v.strictObject({ label: v.string(), to: v.string() })

function readShort(id: string, type: 'text' | 'rich' | 'image' | 'link', given: unknown): SlotValue | null {
  if (type === 'text') return typeof given === 'string' ? { type, text: given } : null
  if (type === 'rich') return typeof given === 'string' ? { type, rich: parseMarked(given) } : null
  if (type === 'image') return v.is(pictureSchema, given) ? { type, asset: `${id}/${given.picture}`, alt: given.alt } : null
  if (!v.is(linkSchema, given)) return null
  const to = parseLinkTarget(given.to)
  return to ? { type, label: given.label, to } : null
}
