import { own, withValue } from '../../own'
import * as v from 'valibot'
import { labelNameSchema, MAX_LABEL } from '../document'
import type { StepType } from './step-type'

/** Says a label in other words, once for the site; null goes back to the design's or the language's own. */
export const labelSetSchema = v.strictObject({
  type: v.literal('label/set'),
  label: labelNameSchema,
  value: v.nullable(v.strictObject({ text: v.pipe(v.string(), v.maxLength(MAX_LABEL)) })),
})
export type LabelSet = v.InferOutput<typeof labelSetSchema>

declare module './step-type' {
  interface StepTypes {
    'label/set': LabelSet
  }
}

export const labelSet: StepType<LabelSet> = {
  apply: (document, step) => ({
    ok: true,
    document: { ...document, labels: withValue(document.labels, step.label, step.value) },
    inverse: [{ ...step, value: own(document.labels, step.label) ?? null }],
  }),
  place: ({ label }) => ({ type: 'label', label }),
  writes: ({ label }) => `label ${label}`,
}
