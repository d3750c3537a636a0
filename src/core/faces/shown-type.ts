import { parse, type DefaultTreeAdapterTypes } from 'parse5'
import { own } from '../own'
import { fontFeatures } from './font-features'
import { readFaceRules, type FaceProperty, type FaceRule } from './read-rules'
import type { Compound, Step } from './read-selector'

/**
 * In which weights a family is shown, upright or slanted: all that any page can show, those that every page can, and how many a page shows
 * that shows one.
 */
export type ShownFace = { readonly weights: readonly number[]; readonly everywhere: readonly number[]; readonly perPage: number }
/** The faces that pages show, by the family's name and `normal` or `italic`; what is not among them is shown nowhere. */
export type ShownFaces = (family: string, style: 'normal' | 'italic') => ShownFace | null

/** What browsers set of their own accord (HTML, 15.3): strong words, headings, and what is filled in, which has letters of its own. */
const OWN: Readonly<Record<FaceProperty, Readonly<Record<string, string>>>> = {
  'font-weight': {
    ...ofEach(['b', 'strong'], 'bolder'),
    ...ofEach(['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'th'], 'bold'),
    ...ofEach(['input', 'textarea', 'select', 'button'], 'normal'),
  },
  'font-style': {
    ...ofEach(['i', 'em', 'cite', 'var', 'dfn', 'address'], 'italic'),
    ...ofEach(['input', 'textarea', 'select', 'button'], 'normal'),
  },
  'font-family': ofEach(['input', 'textarea', 'select', 'button', 'code', 'kbd', 'pre', 'samp'], 'monospace'),
}
/** What is shown in words that no page says: what a visitor types or chooses. */
const FIELDS = new Set(['input', 'textarea', 'select', 'option'])
/** Attributes whose words are shown: of a picture that does not come, of what is filled in. */
const SHOWN = new Set(['alt', 'placeholder', 'value', 'label'])
const UNSEEN = new Set(['head', 'script', 'style', 'template', 'title'])

/** How words can be set: a stack of families, a weight, a style. */
type Setting = Readonly<Record<FaceProperty, string>>

/** One spot of all pages, told apart by the tags and classes around it: how words can be set there. */
type Spot = {
  readonly around: Spot | null
  readonly tag: string
  readonly classes: ReadonlySet<string>
  readonly id: string | null
  readonly attributes: ReadonlyMap<string, string>
  readonly settings: readonly Setting[]
  readonly isMade: boolean
  readonly inside: Map<string, Spot>
}

/**
 * What pages show of their fonts: the letters, those that the style sheet writes among them; the OpenType features that they are shaped
 * with (null for every one); and the faces, by the rules of the style sheet. Every face that a browser shows is among them; so is one
 * that only a rule asks for that holds in some windows or states. Null where the style sheet cannot be read so: then any can be shown.
 */
export type ShownType = {
  readonly letters: ReadonlySet<string>
  readonly features: readonly string[] | null
  readonly faces: ShownFaces | null
}

/** What one page shows: its letters, each once, and the weights of each face; null where the style sheet cannot be read so. */
export type PageType = { readonly letters: string; readonly faces: ReadonlyMap<string, readonly number[]> | null }

/** `lookedAt` can know what was found of a page that was looked at before, with the same style sheet and families. */
export function shownType(
  css: string,
  pages: Iterable<string>,
  families: readonly string[],
  lookedAt: (html: string, look: () => PageType) => PageType = (_, look) => look(),
): ShownType {
  const letters = new Set([...css.matchAll(/"([^"\\]*)"/g)].flatMap(([, words = '']) => [...words]))
  let look: ((html: string) => PageType) | null = null
  const found = [...pages].map((html) => lookedAt(html, () => (look ??= pageReader(css, families))(html)))
  for (const page of found) for (const letter of page.letters) letters.add(letter)
  const faces: ShownFaces = (family, style) => {
    const showing = found.flatMap((page) => page.faces?.get(nameOf(family, style)) ?? [])
    const pagesWith = found.filter((page) => page.faces?.has(nameOf(family, style)) === true).length
    if (pagesWith === 0) return null
    const weights = [...new Set(showing)].sort((a, b) => a - b)
    const isEverywhere = (weight: number): boolean =>
      found.every((page) => page.faces?.get(nameOf(family, style))?.includes(weight) === true)
    return { weights, everywhere: weights.filter(isEverywhere), perPage: showing.length / pagesWith }
  }
  const isRead = found.every((page) => page.faces !== null)
  return { letters, features: fontFeatures(css, letters), faces: isRead ? faces : null }
}

/** Looks at one page after another that a style sheet sets. */
function pageReader(css: string, families: readonly string[]): (html: string) => PageType {
  const rules = readFaceRules(css)
  const root = outermost()
  return (html) => {
    const here: Here = { rules: rules ?? [], spots: new Set(), words: new Set() }
    lookIn(parse(html), root, here)
    const faces = new Map<string, Set<number>>()
    for (const spot of here.spots)
      for (const { name, weight } of facesOf(spot, families)) faces.set(name, (faces.get(name) ?? new Set()).add(weight))
    return {
      letters: [...new Set([...here.words].join(''))].join(''),
      faces: rules && new Map([...faces].map(([name, weights]) => [name, [...weights]])),
    }
  }
}

function nameOf(family: string, style: 'normal' | 'italic'): string {
  return `${style} ${family}`
}

/** Where all pages begin: outside of them nothing is said. */
function outermost(): Spot {
  const settings = [{ 'font-family': '', 'font-weight': '400', 'font-style': 'normal' }]
  return { around: null, tag: '', classes: new Set(), id: null, attributes: new Map(), settings, isMade: false, inside: new Map() }
}

/** Looks for words: every spot that shows some, and what they are. */
type Here = { readonly rules: readonly FaceRule[]; readonly spots: Set<Spot>; readonly words: Set<string> }

function lookIn(node: DefaultTreeAdapterTypes.ParentNode, around: Spot, here: Here): void {
  for (const child of node.childNodes) {
    if (child.nodeName === '#text' && 'value' in child && child.value.trim() !== '') {
      here.spots.add(around)
      here.words.add(child.value)
    }
    if (!('tagName' in child) || UNSEEN.has(child.tagName)) continue
    for (const { name, value } of child.attrs) if (SHOWN.has(name)) here.words.add(value)
    const spot = spotOf(child, around, here.rules)
    if (spot.isMade || FIELDS.has(spot.tag)) here.spots.add(spot)
    lookIn(child, spot, here)
  }
}

function spotOf({ tagName: tag, attrs }: DefaultTreeAdapterTypes.Element, around: Spot, rules: readonly FaceRule[]): Spot {
  let key = tag
  for (const { name, value } of attrs) if (MARKS.has(name)) key += ` ${name}=${value}`
  const known = around.inside.get(key)
  if (known) return known
  const attributes = new Map(attrs.map(({ name, value }) => [name, value]))
  const [id = null, said = ''] = [attributes.get('id'), attributes.get('class')]
  const bare = { around, tag, classes: new Set(said.split(/\s+/)), id, attributes }
  const matched = rules.filter((rule) => leadsTo(rule.steps, 0, bare))
  const spot: Spot = {
    ...bare,
    settings: settingsAt(tag, around.settings, matched),
    isMade: matched.some(({ isMade }) => isMade),
    inside: new Map(),
  }
  around.inside.set(key, spot)
  return spot
}

type Bare = Pick<Spot, 'around' | 'tag' | 'classes' | 'id' | 'attributes'>

function leadsTo(steps: readonly Step[], at: number, spot: Bare): boolean {
  const step = steps[at]
  if (!step || !isOne(step.is, spot)) return false
  if (step.within === null) return true
  for (let next = spot.around; next; next = next.around) {
    if (leadsTo(steps, at + 1, next)) return true
    if (step.within === 'parent') return false
  }
  return false
}

function isOne({ tag, classes, id, attributes }: Compound, spot: Bare): boolean {
  return (
    (tag === null || tag === spot.tag) &&
    (id === null || id === spot.id) &&
    classes.every((one) => spot.classes.has(one)) &&
    attributes.every(([name, value]) => canHave(spot, name, value))
  )
}

/** Attributes that tell one spot from another; any other is as if it could be there. */
const MARKS = new Set(['id', 'class', 'aria-current', 'data-days', 'type', 'hidden'])

/** Whether an attribute is there, or can come: what is not told apart, and on opening hours that today is one (`page-scripts.ts`). */
function canHave({ attributes }: Bare, name: string, value: string | null): boolean {
  const isToday = name === 'aria-current' && (value ?? 'date') === 'date' && attributes.has('data-days')
  if (!MARKS.has(name) || isToday) return true
  const found = attributes.get(name)
  return found !== undefined && (value === null || value === found)
}

/** How words can be set in an element: as all sure rules together have it, and as any of the others may change that. */
function settingsAt(tag: string, outside: readonly Setting[], matched: readonly FaceRule[]): readonly Setting[] {
  const isSure = (rule: FaceRule): boolean => rule.isSure && !rule.isMade
  const sure = matched.filter(isSure).toSorted(byOrder)
  let settings = outside
  for (const property of PROPERTIES) {
    const values = sure.findLast((rule) => rule.set.has(property))?.set.get(property) ?? [own(OWN[property], tag) ?? 'inherit']
    settings = apart(settings.flatMap((one) => values.map((value) => ({ ...one, [property]: meant(property, value, tag, one[property]) }))))
  }
  // What is around is handed on from there, whatever the element has by other rules.
  for (const rule of matched.filter((one) => !isSure(one))) {
    let changed = settings
    for (const [property, values] of rule.set)
      changed = changed.flatMap((one) =>
        values.flatMap((value) => outside.map((from) => ({ ...one, [property]: meant(property, value, tag, from[property]) }))),
      )
    settings = apart([...settings, ...changed])
  }
  return settings
}

function byOrder(one: FaceRule, other: FaceRule): number {
  const [a, b] = [one, other].map(({ order }) => order)
  const at = (a ?? []).findIndex((part, i) => part !== b?.[i])
  return at < 0 ? 0 : (a?.[at] ?? 0) - (b?.[at] ?? 0)
}

function apart(settings: readonly Setting[]): readonly Setting[] {
  return [...new Map(settings.map((one) => [PROPERTIES.map((property) => one[property]).join('|'), one])).values()]
}

/** What a value comes to where that one is around it. */
function meant(property: FaceProperty, value: string, tag: string, around: string): string {
  if (value === 'inherit' || value === 'unset') return around
  if (value === 'revert') return meant(property, own(OWN[property], tag) ?? 'inherit', tag, around)
  if (property !== 'font-weight') return value
  if (value === 'bolder') return bolder(Number(around))
  if (value === 'lighter') return lighter(Number(around))
  return NAMED.get(value) ?? value
}

const PROPERTIES = ['font-family', 'font-weight', 'font-style'] as const satisfies readonly FaceProperty[]
const NAMED = new Map([
  ['normal', '400'],
  ['initial', '400'],
  ['bold', '700'],
])

function ofEach(tags: readonly string[], value: string): Record<string, string> {
  return Object.fromEntries(tags.map((tag) => [tag, value]))
}

/** CSS Fonts 4, 2.2.1. */
function bolder(weight: number): string {
  if (weight < 350) return '400'
  return String(weight < 550 ? 700 : Math.max(900, weight))
}
function lighter(weight: number): string {
  if (weight < 100) return String(weight)
  return weight < 550 ? '100' : weight < 750 ? '400' : '700'
}

/** The faces that a spot can show: of each setting every family that its stack names. */
function facesOf({ settings }: Spot, families: readonly string[]): { readonly name: string; readonly weight: number }[] {
  return settings.flatMap((one) => {
    const style = /^(italic|oblique)/.test(one['font-style']) ? 'italic' : 'normal'
    const weight = Number(one['font-weight'])
    return weight > 0
      ? families.filter((family) => one['font-family'].includes(family)).map((family) => ({ name: nameOf(family, style), weight }))
      : []
  })
}
