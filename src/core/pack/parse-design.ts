import { own } from '../own'
import { parseFragment, type DefaultTreeAdapterTypes as P5 } from 'parse5'
import {
  findSlotType,
  isSectionKind,
  KINDS,
  labelNameSchema,
  type KindSlots,
  type SectionKind,
  type SlotType,
  type SlotValue,
} from '../site'
import {
  COMPUTED_LISTS,
  SHOWN_FACTS,
  type Binding,
  type ComputedList,
  type Design,
  type DesignElement,
  type DesignNode,
  type LabelWords,
} from './design'
import type { PackFault } from './fault'
import { checkDesignCss } from './check-css'
import { ALLOWED_ATTRIBUTES, ALLOWED_TAGS } from './allowed-html'
import { readPlaceholder } from './placeholder-html'
import * as v from 'valibot'
import type { Area } from '../image'

export type ParsedDesign = { readonly design: Design | null; readonly faults: readonly PackFault[] }

/**
 * Reads one design: its HTML becomes a tree of plain data, its placeholder content is taken out beside it, and every
 * fault is reported with its line. Nothing from the HTML is kept that is not on the allow-list.
 */
export function parseDesign(kind: string, name: string, html: string, css: string): ParsedDesign {
  const file = `designs/${kind}/${name}.html`
  if (!isSectionKind(kind)) return { design: null, faults: [{ file, line: 0, fault: `There is no kind of section called “${kind}”.` }] }
  const reader = new DesignReader(kind, file)
  const roots = parseFragment(html, { sourceCodeLocationInfo: true }).childNodes.filter(isElement)
  const root = roots[0]
  if (!root || roots.length > 1)
    return { design: null, faults: [{ file, line: 0, fault: `A design is one element; here are ${roots.length}.` }] }
  const tree = reader.element(root, null)
  const className = `${kind}-${name}`
  if (tree.attrs.class !== className) reader.fault(root, `The outer element's class must be “${className}”.`)
  const faults = [...reader.faults, ...checkDesignCss(`designs/${kind}/${name}.css`, css, className)]
  const narrow = root.attrs.some((attr) => attr.name === 'data-narrow')
  return { design: { kind, name, tree, css, placeholders: reader.readPlaceholders(), ...(narrow ? { narrow } : {}) }, faults }
}

/** Whether an element is a design's outer one. */
function isOuter(element: P5.Element): boolean {
  return element.parentNode?.nodeName === '#document-fragment'
}

function isElement(node: P5.ChildNode): node is P5.Element {
  return 'tagName' in node
}

/**
 * Where in a design the reader is: outside lists; in a list, with what its entry in hand holds; or on a row of one that
 * nobody types.
 */
type Item = { readonly list: string; readonly slots: Map<string, SlotValue> } | { readonly each: ComputedList } | null

/** A frame as `4:5`, or several that take turns. */
const RATIOS = /^[1-9]\d*(\.\d+)?:[1-9]\d*(\.\d+)?( [1-9]\d*(\.\d+)?:[1-9]\d*(\.\d+)?)*$/
/** What a fact has to be for `data-when`. */
const ABSENT_FACTS: readonly string[] = [...SHOWN_FACTS, 'hours', 'socials']

function isRich(binding: Binding | undefined): boolean {
  return binding?.type === 'slot' && binding.slotType === 'rich'
}

class DesignReader {
  readonly faults: PackFault[] = []
  private readonly slots = new Map<string, SlotValue>()
  private readonly lists = new Map<string, readonly ReadonlyMap<string, SlotValue>[]>()

  constructor(
    private readonly kind: SectionKind,
    private readonly file: string,
  ) {}

  fault(at: P5.Element, fault: string): void {
    this.faults.push({ file: this.file, line: at.sourceCodeLocation?.startLine ?? 0, fault })
  }

  element(from: P5.Element, item: Item): DesignElement {
    const tag = from.tagName
    if (!ALLOWED_TAGS.has(tag)) this.fault(from, `<${tag}> is not allowed in a design.`)
    const data = new Map(from.attrs.map((a) => [a.name, a.value]))
    const binding = this.binding(from, data, item)
    const when = data.get('data-when')
    const children = this.children(from, binding, item)
    this.checkWhen(from, when, item)
    this.checkBound(from, data, binding)
    const veil = this.veil(from, data.get('data-veil'))
    const spoken = this.spoken(from, data)
    return {
      // Paragraphs cannot stand in a paragraph (HTML, 4.4.1): a place that takes them, as some did not once, is a division.
      tag: tag === 'p' && isRich(binding) ? 'div' : tag,
      attrs: this.attributes(from),
      children,
      ...(binding ? { binding } : {}),
      ...(when ? { when } : {}),
      ...(spoken ? { spoken } : {}),
      ...(veil ? { veil } : {}),
    }
  }

  /** `0 0 1 1; 0 0 .5 1`: left, top, right, bottom as shares of the picture, one to three times; the last holds for wider screens. */
  private veil(from: P5.Element, text: string | undefined): readonly [Area, Area, Area] | null {
    if (text === undefined) return null
    const areas = text.split(';').map((part) => part.trim().split(/\s+/).map(Number))
    const isArea = ([left = -1, top = -1, right = -1, bottom = -1, ...more]: number[]): boolean =>
      more.length === 0 && left >= 0 && top >= 0 && right <= 1 && bottom <= 1 && left < right && top < bottom
    if (areas.length > 3 || !areas.every(isArea)) {
      this.fault(from, 'data-veil is left, top, right and bottom as shares from 0 to 1, such as “0 0 1 1; 0 0 .5 1”.')
      return null
    }
    const at = (i: number): Area => {
      const [left = 0, top = 0, right = 1, bottom = 1] = areas[Math.min(i, areas.length - 1)] ?? []
      return { left, top, right, bottom }
    }
    return [at(0), at(1), at(2)]
  }

  private checkWhen(from: P5.Element, when: string | undefined, item: Item): void {
    if (when === undefined) return
    const [, fact] = /^fact:(.*)$/.exec(when) ?? []
    const isKnown = fact === undefined ? this.typeOf(when, item) !== null : ABSENT_FACTS.includes(fact)
    if (!isKnown) this.fault(from, `data-when takes a slot that stands here, or fact: and a fact, not “${when}”.`)
  }

  private typeOf(slot: string, item: Item): SlotType | 'list' | null {
    return findSlotType(this.kind, item && 'list' in item ? item.list : null, slot)
  }

  /** An address, a picture or a frame that nothing here is bound to would be dropped in silence. */
  private checkBound(from: P5.Element, data: ReadonlyMap<string, string>, binding: Binding | undefined): void {
    const isPicture = binding?.type === 'slot' && binding.slotType === 'image'
    const isLink =
      (binding?.type === 'slot' && binding.slotType === 'link') ||
      (binding !== undefined && ['fact', 'logo', 'part'].includes(binding.type))
    const dropped = ['src', 'alt', 'sizes', 'data-ratio'].filter((name) => data.has(name) && !isPicture)
    if (data.has('href') && !isLink) dropped.push('href')
    for (const name of dropped) this.fault(from, `${name} is dropped here: nothing on this element is bound to it.`)
    const ratio = data.get('data-ratio')
    if (isPicture && ratio !== undefined && !RATIOS.test(ratio))
      this.fault(from, `data-ratio is one frame or several, such as “4:5 3:2”, not “${ratio}”.`)
  }

  /** `data-spoken="pages"` beside an `aria-label`: which label the words in it are. */
  private spoken(from: P5.Element, data: ReadonlyMap<string, string>): LabelWords | null {
    const label = data.get('data-spoken')
    const words = data.get('aria-label')
    const isOwn = words !== undefined && /\p{L}/u.test(words)
    if (label === undefined && isOwn) this.fault(from, `“${words}” is said by the design itself: name the label with data-spoken.`)
    if (label === undefined) return null
    if (!isOwn) this.fault(from, 'data-spoken stands beside an aria-label with words in it.')
    return { label: this.labelName(from, label), words: words ?? '' }
  }

  private labelName(from: P5.Element, label: string): string {
    if (!v.is(labelNameSchema, label)) this.fault(from, `A label is named in small letters, digits and hyphens, not “${label}”.`)
    return label
  }

  /** What the design's own content is, out of its places. */
  readPlaceholders(): Design['placeholders'] {
    const lists = [...this.lists].map(([list, entries]) => [list, entries.map((entry) => Object.fromEntries(entry))] as const)
    return { slots: Object.fromEntries(this.slots), lists: Object.fromEntries(lists) }
  }

  private attributes(from: P5.Element): Record<string, string> {
    const kept = new Map<string, string>()
    for (const { name, value } of from.attrs) {
      if (name.startsWith('data-')) {
        const isKnown = BINDING_ATTRIBUTES.has(name) || (isOuter(from) && ROOT_ATTRIBUTES.has(name))
        if (!isKnown) this.fault(from, `The attribute ${name} means nothing here.`)
      } else if (['href', 'src', 'alt', 'sizes'].includes(name)) continue
      else if (ALLOWED_ATTRIBUTES.has(name) || /^aria-[a-z]+$/.test(name)) kept.set(name, value)
      else this.fault(from, `The attribute ${name} is not allowed in a design.`)
    }
    return Object.fromEntries(kept)
  }

  private binding(from: P5.Element, data: Map<string, string>, item: Item): Binding | undefined {
    const slot = data.get('data-slot')
    if (slot !== undefined) return this.slotBinding(from, slot, data, item)
    const list = data.get('data-list')
    if (list !== undefined) {
      const slots: KindSlots = KINDS[this.kind]
      if (typeof own(slots, list) !== 'object') this.fault(from, `The kind ${this.kind} has no list called “${list}”.`)
      return { type: 'list', list }
    }
    const each = data.get('data-each')
    if (each !== undefined) {
      if (!Object.hasOwn(COMPUTED_LISTS, each))
        this.fault(from, `data-each takes ${Object.keys(COMPUTED_LISTS).join(' or ')}, not “${each}”.`)
      return { type: 'each', each: each as keyof typeof COMPUTED_LISTS }
    }
    const part = data.get('data-part')
    if (part !== undefined) {
      const parts: readonly string[] = item && 'each' in item ? (own(COMPUTED_LISTS, item.each) ?? []) : []
      if (!parts.includes(part)) this.fault(from, `data-part takes ${parts.join(' or ') || 'nothing outside data-each'}, not “${part}”.`)
      return { type: 'part', part }
    }
    const fact = data.get('data-fact')
    if (fact !== undefined) {
      const known = SHOWN_FACTS.find((f) => f === fact)
      if (!known) this.fault(from, `There is no fact called “${fact}” to show.`)
      return { type: 'fact', fact: known ?? 'name' }
    }
    const label = data.get('data-label')
    if (label !== undefined) {
      const words = textOf(from)
      if (words === '') this.fault(from, 'A label has words of its own, which stand there until the site says it otherwise.')
      return { type: 'label', label: this.labelName(from, label), words }
    }
    return data.has('data-logo') ? { type: 'logo' } : undefined
  }

  private slotBinding(from: P5.Element, slot: string, data: Map<string, string>, item: Item): Binding | undefined {
    const slotType = this.typeOf(slot, item)
    const entry = item && 'list' in item ? item : null
    if (slotType === null || slotType === 'list') {
      this.fault(from, `The kind ${this.kind} has no slot called “${entry ? `${entry.list} › ` : ''}${slot}”.`)
      return undefined
    }
    const value = readPlaceholder(slotType, from)
    if (typeof value === 'string') this.fault(from, value)
    else (entry?.slots ?? this.slots).set(slot, value)
    return { type: 'slot', slot, slotType, ratio: data.get('data-ratio') ?? null, sizes: data.get('sizes') ?? null }
  }

  private children(from: P5.Element, binding: Binding | undefined, item: Item): DesignNode[] {
    const elements = from.childNodes.filter(isElement)
    if (binding && ['slot', 'fact', 'part', 'label'].includes(binding.type)) return []
    if (binding?.type === 'list') {
      if (!elements[0]) this.fault(from, 'A list needs a first entry as the pattern for the others.')
      const entries: Map<string, SlotValue>[] = []
      const items = elements.map((child) => {
        const slots = new Map<string, SlotValue>()
        entries.push(slots)
        return this.element(child, { list: binding.list, slots })
      })
      this.lists.set(binding.list, entries)
      return items.slice(0, 1)
    }
    if (binding?.type === 'each') return elements.slice(0, 1).map((child) => this.element(child, { each: binding.each }))
    return from.childNodes.flatMap((node): DesignNode[] => {
      if (isElement(node)) return [this.element(node, item)]
      if (node.nodeName !== '#text') return []
      const text = ('value' in node ? node.value : '').replace(/\s+/g, ' ')
      if (/\p{L}/u.test(text) && binding?.type !== 'logo')
        this.fault(from, `“${text.trim()}” stands in no place: give it a slot, a fact or a label.`)
      return text === '' ? [] : [text]
    })
  }
}

function textOf(from: P5.Element): string {
  const words = (node: P5.ChildNode): string => ('value' in node ? node.value : isElement(node) ? node.childNodes.map(words).join('') : '')
  return from.childNodes.map(words).join('').replace(/\s+/g, ' ').trim()
}

const BINDING_ATTRIBUTES = new Set([
  'data-slot',
  'data-list',
  'data-each',
  'data-part',
  'data-fact',
  'data-when',
  'data-logo',
  'data-ratio',
  'data-veil',
  'data-label',
  'data-spoken',
])
/** What only the outer element of a design says. */
const ROOT_ATTRIBUTES = new Set(['data-narrow'])
