import type { Area } from '../image'
import { memoOf } from '../memo'
import type { SectionKind, SlotType } from '../site'
import type { SlotValue } from '../site'

/** Facts that a design may show; `address` and `hours` are written out from their parts. */
export const SHOWN_FACTS = ['name', 'tagline', 'phone', 'email', 'address', 'locality'] as const
export type ShownFact = (typeof SHOWN_FACTS)[number]

/** Lists that are not typed by anyone: menus are the page list, the timetable comes from the opening hours, profiles from the facts. */
export const COMPUTED_LISTS = { menu: ['page'], foot: ['page'], hours: ['days', 'times'], socials: ['profile'] } as const
export type ComputedList = keyof typeof COMPUTED_LISTS

/** A word that a design says of itself, by the label's name, and as the design has it. */
export type LabelWords = { readonly label: string; readonly words: string }

/** What an element of a design is bound to. */
export type Binding =
  | {
      readonly type: 'slot'
      readonly slot: string
      readonly slotType: SlotType
      readonly ratio: string | null
      readonly sizes: string | null
    }
  | { readonly type: 'list'; readonly list: string }
  | { readonly type: 'each'; readonly each: ComputedList }
  | { readonly type: 'part'; readonly part: string }
  | { readonly type: 'fact'; readonly fact: ShownFact }
  | { readonly type: 'logo' }
  | ({ readonly type: 'label' } & LabelWords)

export type DesignElement = {
  readonly tag: string
  readonly attrs: Readonly<Record<string, string>>
  readonly children: readonly DesignNode[]
  readonly binding?: Binding
  /** The element is left out while this slot or fact is empty. */
  readonly when?: string
  /** What the element is called to those who hear the page: its `aria-label`. */
  readonly spoken?: LabelWords
  /** The element lies over the section's picture: on which part of it, on the phone, the tablet and desktop. */
  readonly veil?: readonly [Area, Area, Area]
}
export type DesignNode = string | DesignElement

/** A design as data: the tree to render, its CSS, and the placeholder content found in its HTML. */
export type Design = {
  readonly kind: SectionKind
  readonly name: string
  readonly tree: DesignElement
  readonly css: string
  readonly placeholders: Placeholders
  /** It looks right in a column at the side of a page. */
  readonly narrow?: true
}

/** A template's own content: of a section's slots, and of the entries of its lists, in order. */
export type Placeholders = {
  readonly slots: Readonly<Record<string, SlotValue>>
  readonly lists: Readonly<Record<string, readonly Readonly<Record<string, SlotValue>>[]>>
}
export const NO_PLACEHOLDERS: Placeholders = { slots: {}, lists: {} }

/** One set of placeholders over another; a list replaces the other's entries as a whole. */
export function overlay(under: Placeholders, over: Placeholders): Placeholders {
  return { slots: { ...under.slots, ...over.slots }, lists: { ...under.lists, ...over.lists } }
}

/** Every placeholder with the words for where it stands. */
export function listPlaceholders({ slots, lists }: Placeholders): readonly { readonly at: string; readonly value: SlotValue }[] {
  const entries = Object.entries(lists).flatMap(([list, all]) =>
    all.flatMap((entry, i) => Object.entries(entry).map(([slot, value]) => ({ at: `${list}, entry ${i + 1}, ${slot}`, value }))),
  )
  return [...Object.entries(slots).map(([at, value]) => ({ at, value })), ...entries]
}

export function designKey(kind: SectionKind, design: string): string {
  return `${kind}/${design}`
}

export type ShownSlot = {
  readonly slot: string
  readonly type: SlotType | 'list'
  readonly fields: readonly { readonly slot: string; readonly type: SlotType }[]
}

export type ShownPlaces = {
  readonly slots: readonly ShownSlot[]
  readonly facts: readonly (ShownFact | 'hours')[]
  readonly labels: readonly LabelWords[]
}

/** The slots, facts and labels that a design shows, in reading order; a list carries the fields of its items. */
export const shownPlaces = memoOf(findPlaces)

function findPlaces(design: Design): ShownPlaces {
  const slots: ShownSlot[] = []
  const facts = new Set<ShownFact | 'hours'>()
  const labels: LabelWords[] = []
  const walk = (node: DesignNode, fields: { slot: string; type: SlotType }[] | null): void => {
    if (typeof node === 'string') return
    const b = node.binding
    if (b?.type === 'fact') facts.add(b.fact)
    if (b?.type === 'logo') facts.add('name')
    if (b?.type === 'label') labels.push({ label: b.label, words: b.words })
    if (node.spoken) labels.push(node.spoken)
    if (b?.type === 'each' && b.each === 'hours') facts.add('hours')
    if (b?.type === 'slot') {
      const into: { slot: string }[] = fields ?? slots
      if (!into.some((s) => s.slot === b.slot)) {
        if (fields) fields.push({ slot: b.slot, type: b.slotType })
        else slots.push({ slot: b.slot, type: b.slotType, fields: [] })
      }
    }
    if (b?.type === 'list') {
      const inner: { slot: string; type: SlotType }[] = []
      node.children.forEach((child) => walk(child, inner))
      slots.push({ slot: b.list, type: 'list', fields: inner })
      return
    }
    node.children.forEach((child) => walk(child, fields))
  }
  walk(design.tree, null)
  return { slots, facts: [...facts], labels }
}
