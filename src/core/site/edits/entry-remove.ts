import { own } from '../../own'
import * as v from 'valibot'
import { entryKey, entryRefSchema, findSection, placeOfEntry, sectionIdSchema, withoutRecord } from '../document'
import { untouchedEntry, withEntry } from './slot-set'
import { refused, type StepType } from './step-type'

/** Takes an entry out of its list. One of the template's keeps what was put into it, for when it comes back. */
export const entryRemoveSchema = v.strictObject({ type: v.literal('entry/remove'), section: sectionIdSchema, entry: entryRefSchema })
export type EntryRemove = v.InferOutput<typeof entryRemoveSchema>

declare module './step-type' {
  interface StepTypes {
    'entry/remove': EntryRemove
  }
}

export const entryRemove: StepType<EntryRemove> = {
  schema: entryRemoveSchema,
  apply: (document, step) => {
    if (!findSection(document, step.section)) return refused({ code: 'sectionGone', section: step.section })
    const key = entryKey(step.section, step.entry)
    const known = own(document.entries, key) ?? ('nth' in step.entry ? untouchedEntry(step.section, step.entry) : null)
    if (!known || known.gone || known.in.section !== step.section) return refused({ code: 'entryGone', entry: key })
    const isOwn = known.nth === null
    return {
      ok: true,
      document: {
        ...document,
        entries: isOwn ? withoutRecord(document.entries, key, placeOfEntry) : withEntry(document, { ...known, gone: true }),
      },
      inverse: [
        {
          type: 'entry/insert',
          section: step.section,
          entry: step.entry,
          rank: known.rank,
          ...(known.block && { block: known.block }),
          slots: isOwn ? known.slots : {},
        },
        ...(isOwn && known.hidden ? [{ ...step, type: 'entry/set', part: 'hidden', value: true } as const] : []),
      ],
    }
  },
  place: () => null,
  writes: () => null,
}
