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
  slotTypeAt,
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
import { languageSchema, type Language } from '../language'
import { asPut, exactly, saidIn, withSaid } from '../values'
import { asTaken } from './fits-kind'
import { refused, type StepApplied, type StepType } from './step-type'
import { isAsItCame } from './with-entries'

/**
 * Puts a value, or that it is the same as another, into a slot of a section or of an entry of its lists; null takes it out again. Where a
 * language is named that is not the site's own, it is the words in that language alone; others stay, whatever is put in the site's own.
 */
export const slotSetSchema = v.strictObject({
  type: v.literal('slot/set'),
  section: sectionIdSchema,
  entry: v.nullable(entryRefSchema),
  slot: slotNameSchema,
  value: v.nullable(cellSchema),
  language: v.optional(languageSchema),
})
export type SlotSet = v.InferOutput<typeof slotSetSchema>

declare module './step-type' {
  interface StepTypes {
    'slot/set': SlotSet
  }
}

export const slotSet: StepType<SlotSet> = {
  schema: slotSetSchema,
  apply: (document, given) => {
    const section = findSection(document, given.section)
    if (!section) return refused({ code: 'sectionGone', section: given.section })
    const type = slotTypeAt(document, given)
    const step = { ...given, value: given.value && asTaken(given.value, type) }
    const place = [section.kind, step.entry?.list, step.slot].filter(Boolean).join('/')
    if (type === null) return refused({ code: 'slotUnknown', slot: place })
    if (step.value && !suits(document, step, step.value, type)) return refused({ code: 'valueWrong', place })
    if (step.language !== undefined) return setSaid(document, step, step.language)
    return step.entry ? setInEntry(document, step, step.entry) : setInSection(document, section, step)
  },
  place: placeOf,
  writes: (step) => {
    // One that says itself what stands in other languages is not written over by one that does not.
    const isWhole = step.value !== null && step.value.type !== 'same' && 'said' in step.value
    return isWhole ? null : `slot ${placeKey(placeOf(step))} ${step.language ?? ''}`
  },
}

/** The words of one language, beside those of the site's own; where there are none of its own there is nothing to say otherwise. */
function setSaid(document: SiteDocument, step: SlotSet, language: Language): StepApplied {
  const { language: _, ...at } = step
  const own = cellAt(document, step)
  const words = step.value
  if (own === undefined || own.type === 'same' || words?.type === 'same' || (words !== null && words.type !== own.type))
    return refused({ code: 'ownWordsGone' })
  const applied = slotSet.apply(document, { ...at, value: exactly(withSaid(own, language, words), own) })
  return applied.ok ? { ...applied, inverse: [{ ...step, value: saidIn(own, language) }] } : applied
}

/** What stands in a slot once something is put over what was there. */
function putOver(value: Cell | null, before: Cell | null): Cell | null {
  if (value === null || value.type === 'same') return value
  return asPut(value, before?.type === 'same' ? null : before)
}

/** The step that puts back what was there, just as it was. */
function putBack(step: SlotSet, before: Cell | null, after: Cell | null): SlotSet {
  if (before === null || before.type === 'same') return { ...step, value: before }
  return { ...step, value: exactly(before, after?.type === 'same' ? null : after) }
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
  const before: Cell | null = own(section.slots, step.slot) ?? null
  const after = putOver(step.value, before)
  const next = { ...section, slots: withValue(section.slots, step.slot, after) }
  return {
    ok: true,
    document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
    inverse: [putBack(step, before, after)],
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
  const after = putOver(step.value, before)
  const next = { ...entry, slots: withValue(entry.slots, step.slot, after) }
  return { ok: true, document: { ...document, entries: withEntry(document, next) }, inverse: [putBack(step, before, after)] }
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
