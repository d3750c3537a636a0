import { withValue } from '../../own'
import * as v from 'valibot'
import { DRESS_PARTS, dressSchema } from '../document'
import { refused, type StepType } from './step-type'

/** Sets what the site wears: its template, its scheme, its dark form; null goes back to the usual one. A template there always is. */
export const dressSetSchema = v.strictObject({
  type: v.literal('dress/set'),
  part: v.picklist(DRESS_PARTS),
  value: v.nullable(v.union([v.string(), v.literal(true)])),
})
export type DressSet = v.InferOutput<typeof dressSetSchema>

declare module './step-type' {
  interface StepTypes {
    'dress/set': DressSet
  }
}

export const dressSet: StepType<DressSet> = {
  schema: dressSetSchema,
  apply: (document, step) => {
    const read = v.safeParse(dressSchema, withValue(document.dress, step.part, step.value))
    if (!read.success) return refused({ code: 'valueWrong', place: step.part })
    return { ok: true, document: { ...document, dress: read.output }, inverse: [{ ...step, value: document.dress[step.part] ?? null }] }
  },
  place: () => null,
  writes: ({ part }) => `dress ${part}`,
}
