import { own } from '../own'
import type { SlotType } from './values/slot-value'

export type ListSlots = {
  readonly list: Readonly<Record<string, SlotType>>
  /** Its entries are blocks: each says its own type, and has the slots of that. */
  readonly blocks?: true
}
export type KindSlots = Readonly<Record<string, SlotType | ListSlots>>

/**
 * The kinds of section and the slots each one has, whatever its design. Content is kept under these names,
 * so a section can change its design, or the site its template, and keep every word.
 */
export const KINDS = {
  header: { action: 'link' },
  title: { heading: 'text', lead: 'rich' },
  hero: { heading: 'text', lead: 'rich', picture: 'image', caption: 'text', action: 'link', second: 'link' },
  services: {
    heading: 'text',
    intro: 'rich',
    action: 'link',
    items: { list: { title: 'text', text: 'rich', price: 'text', note: 'text' } },
  },
  prices: {
    heading: 'text',
    intro: 'rich',
    note: 'rich',
    items: { list: { title: 'text', note: 'text', price: 'text' } },
  },
  story: { heading: 'text', body: 'rich', picture: 'image', caption: 'text', aside: 'text', action: 'link' },
  gallery: { heading: 'text', intro: 'rich', items: { list: { picture: 'image', caption: 'text' } }, action: 'link' },
  testimonials: { heading: 'text', items: { list: { quote: 'text', name: 'text', detail: 'text' } } },
  steps: { heading: 'text', intro: 'rich', items: { list: { title: 'text', text: 'rich' } } },
  figures: { heading: 'text', items: { list: { figure: 'text', label: 'text' } } },
  team: { heading: 'text', intro: 'rich', items: { list: { initials: 'text', name: 'text', role: 'text', text: 'rich' } } },
  questions: { heading: 'text', intro: 'rich', items: { list: { question: 'text', answer: 'rich' } } },
  visit: { heading: 'text', body: 'rich', note: 'rich', picture: 'image', caption: 'text' },
  action: { heading: 'text', text: 'rich', action: 'link' },
  contact: { heading: 'text', intro: 'rich', note: 'rich', items: { list: { title: 'text', text: 'rich' } } },
  logos: { heading: 'text', items: { list: { picture: 'image', name: 'text' } } },
  quote: { quote: 'text', name: 'text', detail: 'text', picture: 'image' },
  notice: { heading: 'text', text: 'rich', action: 'link' },
  'before-after': { heading: 'text', intro: 'rich', items: { list: { before: 'image', after: 'image', caption: 'text' } } },
  months: { heading: 'text', intro: 'rich', items: { list: { month: 'text', text: 'text' } } },
  areas: { heading: 'text', intro: 'rich', note: 'rich', items: { list: { name: 'text', text: 'text' } } },
  legal: { body: 'rich', items: { list: { title: 'text', text: 'rich' } } },
  mixed: { heading: 'text', blocks: { list: {}, blocks: true } },
  footer: { closing: 'text', legal: 'rich' },
} as const satisfies Record<string, KindSlots>

export type SectionKind = keyof typeof KINDS

export function isSectionKind(name: string): name is SectionKind {
  return Object.hasOwn(KINDS, name)
}

/** The types of block that stand in a mixed section, and the slots of each. */
export const BLOCKS = {
  heading: { heading: 'text' },
  text: { text: 'rich' },
  picture: { picture: 'image', caption: 'text' },
  quote: { quote: 'text', name: 'text' },
  button: { action: 'link' },
} as const satisfies Record<string, Readonly<Record<string, SlotType>>>
export type BlockType = keyof typeof BLOCKS
export const BLOCK_TYPES = Object.keys(BLOCKS) as readonly BlockType[]

/** Whether the entries of a kind's list are blocks. */
export function takesBlocks(kind: SectionKind, list: string): boolean {
  const slots: KindSlots = KINDS[kind]
  const of = own(slots, list)
  return typeof of === 'object' && of.blocks === true
}

/**
 * The type of a kind's slot, or of a slot of its list's entries, or of an entry that is a block; `list` for a list itself; null where
 * there is none.
 */
export function findSlotType(kind: SectionKind, list: string | null, slot: string, block?: BlockType): SlotType | 'list' | null {
  const slots: KindSlots = KINDS[kind]
  if (list === null) {
    const found = own(slots, slot)
    return found === undefined ? null : typeof found === 'string' ? found : 'list'
  }
  const of = own(slots, list)
  if (of === undefined || typeof of === 'string') return null
  const fields: Readonly<Record<string, SlotType>> = of.blocks && block ? BLOCKS[block] : of.list
  return own(fields, slot) ?? null
}
