import { own } from '../../own'
import * as v from 'valibot'
import { entryKey, entryRefSchema, findSection, sectionIdSchema, type Entry } from '../document'
import { untouchedEntry, withEntry } from './slot-set'
import { refused, type StepType } from './step-type'

/** Hides an entry from visitors, or shows it again (null): it keeps its spot in the list, and its words. */
export const entrySetSchema = v.strictObject({
  type: v.literal('entry/set'),
  section: sectionIdSchema,
  entry: entryRefSchema,
  part: v.literal('hidden'),
  value: v.nullable(v.literal(true)),
})
export type EntrySet = v.InferOutput<typeof entrySetSchema>

declare module './step-type' {
  interface StepTypes {
    'entry/set': EntrySet
  }
}

export const entrySet: StepType<EntrySet> = {
  schema: entrySetSchema,
  apply: (document, step) => {
    if (!findSection(document, step.section)) return refused({ code: 'sectionGone', section: step.section })
    const key = entryKey(step.section, step.entry)
    const known = own(document.entries, key) ?? ('nth' in step.entry ? untouchedEntry(step.section, step.entry) : null)
    if (!known || known.gone || known.in.section !== step.section) return refused({ code: 'entryGone', entry: key })
    const { hidden: was, ...rest }: Entry = known
    const entries = withEntry(document, { ...rest, ...(step.value && { hidden: step.value }) })
    return { ok: true, document: { ...document, entries }, inverse: [{ ...step, value: was ?? null }] }
  },
  place: () => null,
  writes: ({ section, entry }) => `entry ${entryKey(section, entry)} hidden`,
}
