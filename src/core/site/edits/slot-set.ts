import { own, withValue } from '../../own'
import * as v from 'valibot'
import {
  cellAt,
  cellSchema,
  entriesOf,
  entryKey,
  entryRefSchema,
  findSection,
  naturalRank,
  placeOfEntry,
  placeOfSection,
  placeKey,
  sectionIdSchema,
  slotNameSchema,
  whyNotSame,
  withRecord,
  withoutRecord,
  type Cell,
  type Entry,
  type EntryRef,
  type Section,
  type SiteDocument,
} from '../document'
import { findSlotType } from '../kinds'
import { asTaken } from './fits-kind'
import { refused, type StepApplied, type StepType } from './step-type'
import { isAsItCame } from './with-entries'

/** Puts a value, or that it is the same as another, into a slot of a section or of an entry of its lists; null takes it out again. */
export const slotSetSchema = v.strictObject({
  type: v.literal('slot/set'),
  section: sectionIdSchema,
  entry: v.nullable(entryRefSchema),
  slot: slotNameSchema,
  value: v.nullable(cellSchema),
})
export type SlotSet = v.InferOutput<typeof slotSetSchema>

declare module './step-type' {
  interface StepTypes {
    'slot/set': SlotSet
  }
}

export const slotSet: StepType<SlotSet> = {
  apply: (document, given) => {
    const section = findSection(document, given.section)
    if (!section) return refused({ code: 'sectionGone', section: given.section })
    const type = findSlotType(section.kind, given.entry?.list ?? null, given.slot)
    const step = { ...given, value: given.value && asTaken(given.value, type) }
    const place = [section.kind, step.entry?.list, step.slot].filter(Boolean).join('/')
    if (type === null) return refused({ code: 'slotUnknown', slot: place })
    if (step.value && !suits(document, step, step.value, type)) return refused({ code: 'valueWrong', place })
    return step.entry ? setInEntry(document, step, step.entry) : setInSection(document, section, step)
  },
  place: placeOf,
  writes: (step) => `slot ${placeKey(placeOf(step))}`,
}

function suits(document: SiteDocument, step: SlotSet, cell: Cell, type: string): boolean {
  if (cell.type !== 'same') return cell.type === type
  const why = whyNotSame(document, step, cell.as)
  // What takes a removal back may say so before the other is there again.
  return (cell.own === null || cell.own.type === type) && (why === null || why === 'gone')
}

function placeOf({ section, entry, slot }: SlotSet) {
  return { type: 'slot', section, entry, slot } as const
}

function setInSection(document: SiteDocument, section: Section, step: SlotSet): StepApplied {
  const next = { ...section, slots: withValue(section.slots, step.slot, step.value) }
  return {
    ok: true,
    document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
    inverse: [{ ...step, value: own(section.slots, step.slot) ?? null }],
  }
}

function setInEntry(document: SiteDocument, step: SlotSet, ref: EntryRef): StepApplied {
  const key = entryKey(step.section, ref)
  // Of a list that follows another, nothing of its own is shown.
  if (cellAt(document, { section: step.section, entry: null, slot: ref.list })?.type === 'same')
    return refused({ code: 'entryGone', entry: key })
  const known = own(document.entries, key)
  if (known ? known.in.section !== step.section || known.in.list !== ref.list : !('nth' in ref))
    return refused({ code: 'entryGone', entry: key })
  const entry = known ?? untouchedEntry(step.section, ref)
  const before: Cell | null = own(entry.slots, step.slot) ?? null
  const next = { ...entry, slots: withValue(entry.slots, step.slot, step.value) }
  return { ok: true, document: { ...document, entries: withEntry(document, next) }, inverse: [{ ...step, value: before }] }
}

/** The record of one of the template's entries before anything was done with it. */
export function untouchedEntry(section: Entry['in']['section'], ref: EntryRef): Entry {
  const nth = 'nth' in ref ? ref.nth : null
  return { id: entryKey(section, ref), in: { section, list: ref.list }, nth, rank: naturalRank(nth ?? 1), slots: {} }
}

/** The table with an entry set; one of the template's that is as it came needs no record. */
export function withEntry(document: SiteDocument, entry: Entry): SiteDocument['entries'] {
  if (!isAsItCame(entry)) return withRecord(document.entries, entry, placeOfEntry)
  return own(document.entries, entry.id) ? withoutRecord(document.entries, entry.id, placeOfEntry) : document.entries
}

export function entryCount(document: SiteDocument, section: Entry['in']['section'], list: string): number {
  return entriesOf(document, section).filter((e) => e.in.list === list && !e.gone).length
}
