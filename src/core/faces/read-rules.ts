import * as csstree from 'css-tree'
import { readSelector, type Step } from './read-selector'

/** The properties that decide which face words are set in. */
export type FaceProperty = 'font-family' | 'font-weight' | 'font-style'
/**
 * A rule that sets one of them. A sure one holds for whatever its steps lead to; one that is not can hold, since it asks for more: a wide
 * window, a state, an attribute that can come and go, what stands before. `isMade` is of what a design has a browser add before or after
 * an element.
 */
export type FaceRule = {
  readonly steps: readonly Step[]
  readonly isSure: boolean
  readonly isMade: boolean
  readonly set: ReadonlyMap<FaceProperty, readonly string[]>
  /** Of two sure rules the one that is later in this order wins (CSS Cascade 5, 6.1): its layer, how exactly it says, where it stands. */
  readonly order: readonly number[]
}

/** A declaration: its property, its value, and whether it is more important than others. */
type Said = readonly [property: string, value: string, isImportant: boolean]

const PROPERTIES: readonly string[] = ['font-family', 'font-weight', 'font-style'] satisfies FaceProperty[]
/** The rules of a style sheet that decide faces, with the values of its custom properties put in; null where one cannot be read. */
export function readFaceRules(css: string): readonly FaceRule[] | null {
  const variables = new Map<string, string[]>()
  const layers: string[] = []
  const found: { selector: csstree.Selector; isSure: boolean; layer: number; said: Said[] }[] = []
  const within: csstree.Atrule[] = []
  const enter = (node: csstree.CssNode): void => {
    if (node.type === 'Atrule') {
      within.push(node)
      if (node.name === 'layer' && node.prelude)
        for (const name of csstree.generate(node.prelude).split(',')) if (!layers.includes(name)) layers.push(name)
    }
    if (node.type !== 'Rule' || node.prelude.type !== 'SelectorList') return
    const said = node.block.children.toArray().flatMap(readDeclaration)
    for (const [property, value] of said)
      if (property.startsWith('--')) variables.set(property, [...(variables.get(property) ?? []), value])
    // A layer by its name only orders what is in it (CSS Cascade 5, 6.4); one without a name, or in another, is left open.
    const [outer, inner] = within
    const named = outer?.name === 'layer' && outer.prelude && !inner ? csstree.generate(outer.prelude) : null
    const isSure = outer === undefined || named !== null
    const layer = named === null ? Infinity : layers.indexOf(named)
    for (const selector of node.prelude.children.toArray()) if (selector.type === 'Selector') found.push({ selector, isSure, layer, said })
  }
  const leave = (node: csstree.CssNode): void => {
    if (node.type === 'Atrule') within.pop()
  }
  csstree.walk(csstree.parse(css, { parseCustomProperty: false }), { enter, leave })
  const rules: FaceRule[] = []
  for (const [at, { selector, isSure, layer, said }] of found.entries()) {
    const set = new Map<FaceProperty, string[]>()
    const isImportant = said.some(([property, , important]) => important && isFaceProperty(property))
    for (const [property, value] of said.flatMap(spelled)) {
      if (property === 'font' || property === 'font-variation-settings') return null
      if (!isFaceProperty(property)) continue
      const values = resolve(value, variables)
      if (values === null) return null
      set.set(property, [...(set.get(property) ?? []), ...values])
    }
    if (set.size === 0 && !hasContent(said)) continue
    for (const { exact, ...read } of readSelector(selector))
      rules.push({ ...read, isSure: read.isSure && isSure && !isImportant, set, order: [layer, exact, at] })
  }
  return rules
}

function readDeclaration(node: csstree.CssNode): Said[] {
  return node.type === 'Declaration' ? [[node.property, csstree.generate(node.value).trim(), node.important !== false]] : []
}

function isFaceProperty(property: string): property is FaceProperty {
  return PROPERTIES.includes(property)
}

/** What is made before or after an element is words where it is a string with some. */
function hasContent(said: readonly Said[]): boolean {
  return said.some(([property, value]) => property === 'content' && value !== 'none' && value !== 'normal' && value !== '""')
}

/** The shorthand says the same of all three where it hands on what stands around; any other is not read. */
function spelled([property, value]: Said): (readonly [string, string])[] {
  return property === 'font' && ['inherit', 'unset'].includes(value)
    ? PROPERTIES.map((one) => [one, 'inherit'] as const)
    : [[property, value]]
}

/** Every value that `var(--name)` can stand for, its signs as they are meant; null where it is none that is known. */
function resolve(value: string, variables: ReadonlyMap<string, readonly string[]>, depth = 0): readonly string[] | null {
  const found = /var\(\s*(--[\w-]+)\s*(?:,([^()]*))?\)/.exec(value)
  if (!found) return /\b(var|env|attr|calc)\(|revert-layer/.test(value) ? null : [csstree.ident.decode(value)]
  const [whole, name = '', otherwise] = found
  const known = [...(variables.get(name) ?? []), ...(otherwise === undefined ? [] : [otherwise.trim()])]
  if (known.length === 0 || depth > 8) return null
  const all = known.map((one) =>
    resolve(
      value.replace(whole, () => one),
      variables,
      depth + 1,
    ),
  )
  return all.some((one) => one === null) ? null : all.flatMap((one) => one ?? [])
}
