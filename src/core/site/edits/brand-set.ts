import { withValue } from '../../own'
import * as v from 'valibot'
import { BRAND_PARTS, brandSchema } from '../brand'
import { refused, type StepType } from './step-type'

/** Sets a part of the brand; the value is checked against the brand's own schema. Null goes back to the template's. */
export const brandSetSchema = v.strictObject({ type: v.literal('brand/set'), part: v.picklist(BRAND_PARTS), value: v.unknown() })
export type BrandSet = v.InferOutput<typeof brandSetSchema>

declare module './step-type' {
  interface StepTypes {
    'brand/set': BrandSet
  }
}

export const brandSet: StepType<BrandSet> = {
  schema: brandSetSchema,
  apply: (document, step) => {
    const read = v.safeParse(brandSchema, withValue(document.brand, step.part, step.value ?? null))
    if (!read.success) return refused({ code: 'valueWrong', place: `brand ${step.part}` })
    return { ok: true, document: { ...document, brand: read.output }, inverse: [{ ...step, value: document.brand[step.part] ?? null }] }
  },
  place: ({ part }) => ({ type: 'brand', part }),
  writes: ({ part }) => `brand ${part}`,
}
