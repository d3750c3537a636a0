import * as v from 'valibot'
import { PLAN_PARTS } from '../document'
import { withValue } from '../own'
import type { StepType } from './step-type'

/** Sets how the plan of the pages is told to visitors: whether addresses are flat, and whether what the menu lists is one page. */
export const planSetSchema = v.strictObject({
  type: v.literal('plan/set'),
  part: v.picklist(PLAN_PARTS),
  value: v.nullable(v.literal(true)),
})
export type PlanSet = v.InferOutput<typeof planSetSchema>

declare module './step-type' {
  interface StepTypes {
    'plan/set': PlanSet
  }
}

export const planSet: StepType<PlanSet> = {
  apply: (document, step) => ({
    ok: true,
    document: { ...document, plan: withValue(document.plan, step.part, step.value) },
    inverse: [{ ...step, value: document.plan[step.part] ?? null }],
  }),
  place: () => null,
  writes: ({ part }) => `plan ${part}`,
}
