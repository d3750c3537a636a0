import { withValue } from '../../own'
import * as v from 'valibot'
import { COLUMN_PARTS, columnSchema } from '../document'
import type { StepType } from './step-type'

const onPlan = { type: v.literal('plan/set') }
/**
 * Sets how the plan of the pages is told to visitors: whether addresses are flat, whether what the menu lists is one page, the columns at
 * the sides of every page.
 */
export const planSetSchema = v.variant('part', [
  v.strictObject({ ...onPlan, part: v.picklist(['flat', 'onePage']), value: v.nullable(v.literal(true)) }),
  v.strictObject({ ...onPlan, part: v.picklist(COLUMN_PARTS), value: v.nullable(columnSchema) }),
])
export type PlanSet = v.InferOutput<typeof planSetSchema>

declare module './step-type' {
  interface StepTypes {
    'plan/set': PlanSet
  }
}

export const planSet: StepType<PlanSet> = {
  schema: planSetSchema,
  apply: (document, step) => ({
    ok: true,
    document: { ...document, plan: withValue(document.plan, step.part, step.value) },
    inverse: [{ ...step, value: document.plan[step.part] ?? null } as PlanSet],
  }),
  place: () => null,
  writes: ({ part }) => `plan ${part}`,
}
