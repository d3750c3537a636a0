import { own } from '../../own'
import * as v from 'valibot'
import {
  blockTypeSchema,
  entryKey,
  entryRefSchema,
  findSection,
  MAX_ENTRIES,
  naturalRank,
  rankSchema,
  sectionIdSchema,
  slotsSchema,
  type Entry,
  type EntryRef,
  type Slots,
} from '../document'
import { KINDS, takesBlocks, type KindSlots } from '../kinds'
import { asKindTakes, fits } from './fits-kind'
import { entryCount, untouchedEntry, withEntry } from './slot-set'
import { refused, type StepType, type EditStep } from './step-type'

/** Adds an entry to a list, or brings back one of the template's that was taken out; `slots` are laid over what it still has. */
export const entryInsertSchema = v.strictObject({
  type: v.literal('entry/insert'),
  section: sectionIdSchema,
  entry: entryRefSchema,
  rank: rankSchema,
  /** What it is, of a list of blocks. */
  block: v.optional(blockTypeSchema),
  slots: slotsSchema,
})
export type EntryInsert = v.InferOutput<typeof entryInsertSchema>

declare module './step-type' {
  interface StepTypes {
    'entry/insert': EntryInsert
  }
}

export const entryInsert: StepType<EntryInsert> = {
  schema: entryInsertSchema,
  apply: (document, given) => {
    const section = findSection(document, given.section)
    if (!section) return refused({ code: 'sectionGone', section: given.section })
    const step = { ...given, slots: asKindTakes(section.kind, given.entry.list, given.slots, given.block) }
    const kind: KindSlots = KINDS[section.kind]
    const { list } = step.entry
    if (typeof own(kind, list) !== 'object') return refused({ code: 'slotUnknown', slot: `${section.kind}/${list}` })
    if (takesBlocks(section.kind, list) !== (step.block !== undefined))
      return refused({ code: 'valueWrong', place: `${section.kind}/${list}` })
    if (!fits(section.kind, list, step.slots, step.block)) return refused({ code: 'valueWrong', place: `${section.kind}/${list}` })
    const known = own(document.entries, entryKey(step.section, step.entry))
    if (known && !known.gone) return refused({ code: 'idTaken', id: known.id })
    if (entryCount(document, step.section, list) >= MAX_ENTRIES) return refused({ code: 'tooMany', of: 'entries' })
    const { gone: _, ...was }: Entry = known ?? untouchedEntry(step.section, step.entry)
    const entries = withEntry(document, {
      ...was,
      rank: step.rank,
      ...(step.block && { block: step.block }),
      slots: { ...was.slots, ...step.slots },
    })
    return { ok: true, document: { ...document, entries }, inverse: takeOut(step, known) }
  },
  place: () => null,
  writes: () => null,
}

/** What takes the entry out again, and leaves of one that had been there what it had. */
function takeOut({ section, entry, rank, slots }: EntryInsert, known: Entry | undefined): EditStep[] {
  const out: EditStep = { type: 'entry/remove', section, entry }
  if (!known)
    return 'nth' in entry ? [...emptied(section, entry, slots, {}), ...moved(section, entry, rank, naturalRank(entry.nth)), out] : [out]
  return [...emptied(section, entry, slots, known.slots), ...moved(section, entry, rank, known.rank), out]
}

function emptied(section: EntryInsert['section'], entry: EntryRef, slots: Slots, was: Slots): EditStep[] {
  return Object.keys(slots).map((slot) => ({ type: 'slot/set', section, entry, slot, value: own(was, slot) ?? null }))
}

function moved(section: EntryInsert['section'], entry: EntryRef, rank: string, was: string): EditStep[] {
  return rank === was ? [] : [{ type: 'entry/move', section, entry, rank: was }]
}
