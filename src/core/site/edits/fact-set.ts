import { withValue } from '../../own'
import * as v from 'valibot'
import { FACT_NAMES, factValueSchema } from '../facts/facts'
import { parseFact, type FactCells } from '../facts/fact-cells'
import { refused, type StepType } from './step-type'

/** Sets a fact of the client's; the value is checked against the fact's own schema. Null takes it out again. */
export const factSetSchema = v.strictObject({
  type: v.literal('fact/set'),
  fact: v.picklist(FACT_NAMES),
  value: v.nullable(factValueSchema),
})
export type FactSet = v.InferOutput<typeof factSetSchema>

declare module './step-type' {
  interface StepTypes {
    'fact/set': FactSet
  }
}

export const factSet: StepType<FactSet> = {
  apply: (document, step) => {
    const cell = step.value === null ? null : parseFact(step.fact, step.value)
    if (step.value !== null && cell === null) return refused({ code: 'valueWrong', place: step.fact })
    const facts: FactCells = withValue(document.facts, step.fact, cell)
    return { ok: true, document: { ...document, facts }, inverse: [{ ...step, value: document.facts[step.fact]?.value ?? null }] }
  },
  place: ({ fact }) => ({ type: 'fact', fact }),
  writes: ({ fact }) => `fact ${fact}`,
}
