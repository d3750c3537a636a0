import type * as csstree from 'css-tree'

/** What one selector asks of an element: its tag, classes, id and attributes (null for any value), each only where it says so. */
export type Compound = {
  readonly tag: string | null
  readonly classes: readonly string[]
  readonly id: string | null
  readonly attributes: readonly (readonly [name: string, value: string | null])[]
}
/** From an element outwards: what it is, and whether the next stands right around it or anywhere. */
export type Step = { readonly is: Compound; readonly within: 'parent' | 'any' | null }

/**
 * What one selector leads to. It is sure where it asks for nothing beside tags, classes, ids and what stands around; what else it asks
 * for is taken for granted. `exact` is its specificity (Selectors 4, 17), the three counts in one number; `isMade` where it is of what a
 * browser adds to an element.
 */
export type Led = { readonly steps: readonly Step[]; readonly isSure: boolean; readonly isMade: boolean; readonly exact: number }

const [BY_ID, BY_CLASS, BY_TAG] = [1_000_000, 1000, 1] as const
const ANY: Compound = { tag: null, classes: [], id: null, attributes: [] }

/** A selector read so far: what it asks of the element that is read now, and of those around, each with how the one inside stands. */
type Reading = Omit<Led, 'steps'> & {
  readonly now: Compound
  readonly outer: readonly { readonly is: Compound; readonly by: 'parent' | 'any' }[]
}

export function readSelector(selector: csstree.Selector): readonly Led[] {
  const start: Reading = { now: ANY, outer: [], isSure: true, isMade: false, exact: 0 }
  const readings = selector.children.toArray().reduce<readonly Reading[]>((all, node) => all.flatMap((one) => readOn(one, node)), [start])
  return readings.map(({ now, outer, ...led }) => ({
    ...led,
    steps: [now, ...outer.map(({ is }) => is)].map((is, i) => ({ is, within: outer[i]?.by ?? null })),
  }))
}

/** A reading with the next part of its selector; several where that names several. */
function readOn(reading: Reading, node: csstree.CssNode): readonly Reading[] {
  const { now, outer, exact } = reading
  const asks = (more: Partial<Compound>, by: number): Reading[] => [{ ...reading, now: { ...now, ...more }, exact: exact + by }]
  switch (node.type) {
    case 'TypeSelector':
      return node.name === '*' ? [reading] : asks({ tag: node.name.toLowerCase() }, BY_TAG)
    case 'ClassSelector':
      return asks({ classes: [...now.classes, node.name] }, BY_CLASS)
    case 'IdSelector':
      return asks({ id: node.name }, BY_ID)
    case 'AttributeSelector':
      return asks({ attributes: [...now.attributes, asked(node)] }, BY_CLASS).map(unsure)
    case 'Combinator':
      // What stands before an element is not looked at, nor what stands around that.
      if (node.name === '+' || node.name === '~') return [unsure({ ...reading, now: ANY, outer: [] })]
      return [{ ...reading, now: ANY, outer: [{ is: now, by: node.name === '>' ? 'parent' : 'any' }, ...outer] }]
    case 'PseudoElementSelector':
      return [{ ...reading, isMade: true }]
    case 'PseudoClassSelector':
      if (node.name === 'root') return asks({ tag: 'html' }, BY_CLASS)
      return node.name === 'is' || node.name === 'where' ? readList(reading, node) : [unsure(reading)]
    default:
      return [unsure(reading)]
  }
}

/** `:is(…)` and `:where(…)`: of each selector in them what it asks of the element itself. */
function readList(reading: Reading, node: csstree.PseudoClassSelector): readonly Reading[] {
  const lists = (node.children?.toArray() ?? []).flatMap((list) => (list.type === 'SelectorList' ? list.children.toArray() : []))
  const led = lists.flatMap((one) => (one.type === 'Selector' ? readSelector(one) : []))
  const most = node.name === 'is' ? Math.max(0, ...led.map(({ exact }) => exact)) : 0
  return led.map(({ steps, isSure }) => ({
    ...reading,
    now: both(reading.now, steps[0]?.is ?? ANY),
    isSure: reading.isSure && isSure && steps.length === 1,
    exact: reading.exact + most,
  }))
}

function unsure(reading: Reading): Reading {
  return { ...reading, isSure: false }
}

function asked({ name, matcher, value }: csstree.AttributeSelector): readonly [string, string | null] {
  const text = value?.type === 'String' ? value.value : value?.name
  return [name.name.toLowerCase(), matcher === '=' && text !== undefined ? text : null]
}

function both(one: Compound, other: Compound): Compound {
  return {
    tag: one.tag ?? other.tag,
    classes: [...one.classes, ...other.classes],
    id: one.id ?? other.id,
    attributes: [...one.attributes, ...other.attributes],
  }
}
