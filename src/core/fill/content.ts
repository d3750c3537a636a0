import { own } from '../own'
import {
  byRank,
  entryKey,
  MAX_ENTRIES,
  naturalRank,
  refOf,
  type EditStep,
  type Entry,
  type EntryRef,
  type Section,
  type SlotValue,
} from '../site'
import type { Placeholders } from '../pack'

/** What stands in a slot now, and whether it is still the template's. */
export type Shown = { readonly value: SlotValue; readonly leftover: boolean }

/** A section with the records of its entries: all of the client's that it holds. */
export type SectionContent = { readonly section: Section; readonly entries: readonly Entry[] }

/** One entry of a list as it is shown: what the client put into it, over the template's words that it stands in for. */
export type ShownEntry = {
  readonly ref: EntryRef
  readonly key: string
  readonly rank: string
  readonly slots: Section['slots']
  /** Shown to no visitor. */
  readonly hidden: boolean
  /** The template's entry whose words it shows until it is filled. */
  readonly placeholder: Readonly<Record<string, SlotValue>>
}

const NOTHING: Readonly<Record<string, SlotValue>> = {}

/** What a slot of a section shows: the client's value, or the placeholder as a leftover; null where neither exists. */
export function shownSlot(section: Section, placeholders: Placeholders, slot: string): Shown | null {
  return shownOf(section.slots, placeholders.slots, slot)
}

export function shownEntrySlot(entry: ShownEntry, slot: string): Shown | null {
  return shownOf(entry.slots, entry.placeholder, slot)
}

function shownOf(slots: Section['slots'], placeholders: Readonly<Record<string, SlotValue>>, slot: string): Shown | null {
  const value = own(slots, slot)
  if (value) return { value, leftover: false }
  const placeholder = own(placeholders, slot)
  return placeholder ? { value: placeholder, leftover: true } : null
}

/** How many of the template's entries a list begins with: as many as when it was first arranged by hand, else the template's. */
export function baseCount({ section, entries }: SectionContent, placeholders: Placeholders, list: string): number {
  const set = own(section.slots, list)
  if (set?.type === 'list') return set.of
  // One that is filled beyond the template's own makes the list longer.
  return entries.reduce(
    (most, e) => (e.in.list === list && e.nth !== null ? Math.max(most, e.nth) : most),
    own(placeholders.lists, list)?.length ?? 0,
  )
}

/** What fixes how many of the template's entries a list begins with: from the first arranging by hand on it is the client's own. */
export function fixedList(content: SectionContent, placeholders: Placeholders, list: string): readonly EditStep[] {
  const { section } = content
  if (own(section.slots, list)) return []
  const of = baseCount(content, placeholders, list)
  return [{ type: 'slot/set', section: section.id, entry: null, slot: list, value: { type: 'list', of } }]
}

/**
 * The entries of a list in order. The template's own need no record until something is done with them; an added entry, or
 * one beyond the template's own, borrows the words of one of the template's until it is filled. Those that are hidden are among them.
 */
export function shownEntries(content: SectionContent, placeholders: Placeholders, list: string): readonly ShownEntry[] {
  const { section } = content
  const words = own(placeholders.lists, list) ?? []
  const records = content.entries.filter((e) => e.in.list === list)
  const count = Math.min(MAX_ENTRIES, baseCount(content, placeholders, list))
  const borrowed = (nth: number): Readonly<Record<string, SlotValue>> => words[(nth - 1) % Math.max(1, words.length)] ?? NOTHING
  const shown: ShownEntry[] = []
  const known = new Map(records.map((e) => [e.nth, e]))
  for (let nth = 1; nth <= count; nth++) {
    const record = known.get(nth)
    if (record?.gone) continue
    const ref: EntryRef = { list, nth }
    shown.push({
      ref,
      key: entryKey(section.id, ref),
      rank: record?.rank ?? naturalRank(nth),
      slots: record?.slots ?? NOTHING,
      hidden: record?.hidden ?? false,
      placeholder: borrowed(nth),
    })
  }
  const added = records.filter((e) => e.nth === null)
  for (const record of added)
    shown.push({
      ref: refOf(record),
      key: record.id,
      rank: record.rank,
      slots: record.slots,
      hidden: record.hidden ?? false,
      placeholder: borrowed(1),
    })
  if (records.length === 0) return shown
  return shown.sort((a, b) => byRank({ id: a.key, rank: a.rank }, { id: b.key, rank: b.rank }))
}
