import { own, withValue } from '../../own'
import * as v from 'valibot'
import { asIsSchema } from '../document'
import type { StepType } from './step-type'

/** Keeps words that a check found as they are, wherever they stand; null has the check find them again. */
export const asIsSetSchema = v.strictObject({ type: v.literal('as-is/set'), words: asIsSchema, value: v.nullable(v.literal(true)) })
export type AsIsSet = v.InferOutput<typeof asIsSetSchema>

declare module './step-type' {
  interface StepTypes {
    'as-is/set': AsIsSet
  }
}

export const asIsSet: StepType<AsIsSet> = {
  schema: asIsSetSchema,
  apply: (document, step) => ({
    ok: true,
    document: { ...document, asIs: withValue(document.asIs, step.words, step.value) },
    inverse: [{ ...step, value: own(document.asIs, step.words) ?? null }],
  }),
  place: () => null,
  writes: ({ words }) => `as it is ${words}`,
}
