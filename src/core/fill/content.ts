import { own } from '../own'
import {
  byRank,
  entriesOf,
  entryKey,
  MAX_ENTRIES,
  naturalRank,
  ownValues,
  refOf,
  type BlockType,
  type EditStep,
  type Entry,
  type EntryRef,
  type Same,
  type Section,
  type SectionKind,
  type SectionId,
  type SiteDocument,
  type SlotValue,
  type Values,
  type Spot,
} from '../site'
import type { Pack, Placeholders } from '../pack'
import { placeholdersOf } from './placeholders'

/** What stands in a slot now, and whether it is still the template's. */
export type Shown = { readonly value: SlotValue; readonly leftover: boolean }

/** What is shown in a section: what the client put there or what it follows, over the words that it stands in for. */
export type Content = {
  readonly section: Section
  /** The records of its own entries. */
  readonly entries: readonly Entry[]
  readonly slots: Values
  readonly placeholders: Placeholders
  /** By slot, where it is kept if that is elsewhere. */
  readonly from: Readonly<Record<string, Kept>>
  /** The entries of lists that follow others, or in which one does. */
  readonly lists: Readonly<Record<string, readonly ShownEntry[]>>
  /** By list of those, how many entries there are to show. */
  readonly there: Readonly<Record<string, number>>
}

/** Where a slot is kept that follows another, and how. */
export type Kept = { readonly at: Spot; readonly same: Same }

/** One entry of a list as it is shown: what the client put into it, over the template's words that it stands in for. */
export type ShownEntry = {
  /** The section that it is an entry of. */
  readonly section: SectionId
  readonly kind: SectionKind
  /** What it is, of a list of blocks. */
  readonly block: BlockType | undefined
  readonly ref: EntryRef
  readonly key: string
  readonly rank: string
  readonly slots: Values
  /** Shown to no visitor. */
  readonly hidden: boolean
  /** The template's entry whose words it shows until it is filled. */
  readonly placeholder: Values
  readonly from: Readonly<Record<string, Kept>>
}

const NOTHING: Values = {}
const NOWHERE: Readonly<Record<string, Kept>> = {}

/** What a slot of a section shows: the client's value, or the placeholder as a leftover; null where neither exists. */
export function shownSlot(content: Content, slot: string): Shown | null {
  return shownOf(content.slots, content.placeholders.slots, slot)
}

export function shownEntrySlot(entry: ShownEntry, slot: string): Shown | null {
  return shownOf(entry.slots, entry.placeholder, slot)
}

function shownOf(slots: Values, placeholders: Values, slot: string): Shown | null {
  const value = own(slots, slot)
  if (value) return { value, leftover: false }
  const placeholder = own(placeholders, slot)
  return placeholder ? { value: placeholder, leftover: true } : null
}

/** Where a slot is kept, of a section or of an entry that it shows. */
export function keptAt(content: Content, entry: ShownEntry | null, slot: string): Spot {
  const kept = own(entry?.from ?? content.from, slot)
  return kept?.at ?? { section: entry?.section ?? content.section.id, entry: entry?.ref ?? null, slot }
}

/** How many of the template's entries a list begins with: as many as when it was first arranged by hand, else the template's. */
export function baseCount({ slots, entries, placeholders }: Content, list: string): number {
  const set = own(slots, list)
  if (set?.type === 'list') return set.of
  // One that is filled beyond the template's own makes the list longer.
  return entries.reduce(
    (most, e) => (e.in.list === list && e.nth !== null ? Math.max(most, e.nth) : most),
    own(placeholders.lists, list)?.length ?? 0,
  )
}

/** What fixes how many of the template's entries a list begins with: from the first arranging by hand on it is the client's own. */
export function fixedList(content: Content, list: string): readonly EditStep[] {
  if (own(content.slots, list)) return []
  const value = { type: 'list', of: baseCount(content, list) } as const
  return [{ type: 'slot/set', section: content.section.id, entry: null, slot: list, value }]
}

/**
 * The entries of a list in order. The template's own need no record until something is done with them; an added entry, or
 * one beyond the template's own, borrows the words of one of the template's until it is filled. Those that are hidden are among them.
 */
export function shownEntries(content: Content, list: string): readonly ShownEntry[] {
  const followed = own(content.lists, list)
  if (followed) return followed
  const { section, placeholders } = content
  const words = own(placeholders.lists, list) ?? []
  const records = content.entries.filter((e) => e.in.list === list)
  const count = Math.min(MAX_ENTRIES, baseCount(content, list))
  const borrowed = (nth: number): Values => words[(nth - 1) % Math.max(1, words.length)] ?? NOTHING
  const shown: ShownEntry[] = []
  const known = new Map(records.map((e) => [e.nth, e]))
  for (let nth = 1; nth <= count; nth++) {
    const record = known.get(nth)
    if (record?.gone) continue
    const ref: EntryRef = { list, nth }
    shown.push({
      section: section.id,
      kind: section.kind,
      block: record?.block,
      ref,
      key: entryKey(section.id, ref),
      rank: record?.rank ?? naturalRank(nth),
      slots: record ? ownValues(record.slots) : NOTHING,
      hidden: record?.hidden ?? false,
      placeholder: borrowed(nth),
      from: NOWHERE,
    })
  }
  const added = records.filter((e) => e.nth === null)
  for (const record of added)
    shown.push({
      section: section.id,
      kind: section.kind,
      block: record.block,
      ref: refOf(record),
      key: record.id,
      rank: record.rank,
      slots: ownValues(record.slots),
      hidden: record.hidden ?? false,
      placeholder: borrowed(1),
      from: NOWHERE,
    })
  if (records.length === 0) return shown
  return shown.sort((a, b) => byRank({ id: a.key, rank: a.rank }, { id: b.key, rank: b.rank }))
}

/** What a section says of its own, without what it follows. */
export function plainContent(pack: Pack, document: SiteDocument, section: Section): Content {
  const placeholders = placeholdersOf(pack, section)
  return {
    section,
    entries: entriesOf(document, section.id),
    slots: ownValues(section.slots),
    placeholders,
    from: NOWHERE,
    lists: {},
    there: {},
  }
}
