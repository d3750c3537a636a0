import { own, withValue } from '../../own'
import * as v from 'valibot'
import { nameSchema, outfitSchema } from '../document'
import type { StepType } from './step-type'

/** Remembers how the site was arranged under a template, or forgets it. */
export const outfitSetSchema = v.strictObject({ type: v.literal('outfit/set'), template: nameSchema, value: v.nullable(outfitSchema) })
export type OutfitSet = v.InferOutput<typeof outfitSetSchema>

declare module './step-type' {
  interface StepTypes {
    'outfit/set': OutfitSet
  }
}

export const outfitSet: StepType<OutfitSet> = {
  schema: outfitSetSchema,
  apply: (document, step) => ({
    ok: true,
    document: { ...document, outfits: withValue(document.outfits, step.template, step.value) },
    inverse: [{ ...step, value: own(document.outfits, step.template) ?? null }],
  }),
  place: () => null,
  writes: ({ template }) => `outfit ${template}`,
}
