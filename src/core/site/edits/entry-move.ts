import { own } from '../../own'
import * as v from 'valibot'
import { entryKey, entryRefSchema, findSection, rankSchema, sectionIdSchema } from '../document'
import { untouchedEntry, withEntry } from './slot-set'
import { refused, type StepType } from './step-type'

/** Puts an entry elsewhere in its list. */
export const entryMoveSchema = v.strictObject({
  type: v.literal('entry/move'),
  section: sectionIdSchema,
  entry: entryRefSchema,
  rank: rankSchema,
})
export type EntryMove = v.InferOutput<typeof entryMoveSchema>

declare module './step-type' {
  interface StepTypes {
    'entry/move': EntryMove
  }
}

export const entryMove: StepType<EntryMove> = {
  schema: entryMoveSchema,
  apply: (document, step) => {
    if (!findSection(document, step.section)) return refused({ code: 'sectionGone', section: step.section })
    const key = entryKey(step.section, step.entry)
    const known = own(document.entries, key) ?? ('nth' in step.entry ? untouchedEntry(step.section, step.entry) : null)
    if (!known || known.gone || known.in.section !== step.section) return refused({ code: 'entryGone', entry: key })
    const entries = withEntry(document, { ...known, rank: step.rank })
    return { ok: true, document: { ...document, entries }, inverse: [{ ...step, rank: known.rank }] }
  },
  place: () => null,
  writes: ({ section, entry }) => `entry ${entryKey(section, entry)} place`,
}
