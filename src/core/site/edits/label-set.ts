import { own, withValue } from '../../own'
import * as v from 'valibot'
import { labelNameSchema, labelTextSchema } from '../document'
import { languageSchema } from '../language'
import { say, saidSteps, spokenText, toTextCell } from './say-cell'
import { refused, type StepType } from './step-type'

/**
 * Says a label in other words, once for the site; null goes back to the design's or the language's own. With a language: how it is said
 * there.
 */
export const labelSetSchema = v.strictObject({
  type: v.literal('label/set'),
  label: labelNameSchema,
  value: v.nullable(v.strictObject({ text: labelTextSchema })),
  language: v.optional(languageSchema),
})
export type LabelSet = v.InferOutput<typeof labelSetSchema>

declare module './step-type' {
  interface StepTypes {
    'label/set': LabelSet
  }
}

export const labelSet: StepType<LabelSet> = {
  schema: labelSetSchema,
  apply: (document, step) => {
    const before = own(document.labels, step.label)
    if (step.language !== undefined && before === undefined) return refused({ code: 'ownWordsGone' })
    const was = spokenText(before)
    const is = say(was, { ...step, value: step.value?.text ?? null })
    return {
      ok: true,
      document: { ...document, labels: withValue(document.labels, step.label, toTextCell(is)) },
      inverse: labelSteps(step.label, saidSteps(is, was)),
    }
  },
  place: ({ label }) => ({ type: 'label', label }),
  writes: ({ label, language = '' }) => `label ${label} ${language}`,
}

/** The steps that say a label. */
export function labelSteps(label: string, said: ReturnType<typeof saidSteps<string>>): readonly LabelSet[] {
  return said.map(({ value: text, ...how }) => ({ type: 'label/set', label, value: text === null ? null : { text }, ...how }))
}
