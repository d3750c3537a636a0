import { withValue } from '../../own'
import * as v from 'valibot'
import { FACT_NAMES, factValueSchema, type FactName, type FactValue } from '../facts/facts'
import { parseFact, type FactCells } from '../facts/fact-cells'
import { languageSchema } from '../language'
import { say, saidSteps } from './say-cell'
import { refused, type StepType } from './step-type'

/**
 * Sets a fact of the client's; the value is checked against the fact's own schema. Null takes it out again. With a language: what it is
 * there.
 */
export const factSetSchema = v.strictObject({
  type: v.literal('fact/set'),
  fact: v.picklist(FACT_NAMES),
  value: v.nullable(factValueSchema),
  language: v.optional(languageSchema),
})
export type FactSet = v.InferOutput<typeof factSetSchema>

declare module './step-type' {
  interface StepTypes {
    'fact/set': FactSet
  }
}

export const factSet: StepType<FactSet> = {
  schema: factSetSchema,
  apply: (document, step) => {
    const cell = step.value === null ? null : parseFact(step.fact, step.value)
    if (step.value !== null && cell === null) return refused({ code: 'valueWrong', place: step.fact })
    const before = document.facts[step.fact]
    if (step.language !== undefined && (before === undefined || step.fact === 'language')) return refused({ code: 'ownWordsGone' })
    const was = spokenFact(before)
    const is = say(was, { ...step, value: (cell?.value ?? null) as FactValue | null })
    const facts: FactCells = withValue(document.facts, step.fact, toFactCell(is))
    return { ok: true, document: { ...document, facts }, inverse: factSteps(step.fact, saidSteps(is, was)) }
  },
  place: ({ fact }) => ({ type: 'fact', fact }),
  writes: ({ fact, language = '' }) => `fact ${fact} ${language}`,
}

type SpokenFact = Parameters<typeof say<FactValue>>[0]

export function spokenFact(cell: FactCells[FactName]): SpokenFact {
  return { own: cell?.value ?? null, said: cell?.said ?? {} }
}

function toFactCell({ own: value, said }: SpokenFact): object | null {
  return value === null ? null : { value, ...(Object.keys(said).length > 0 && { said }) }
}

/** The steps that set a fact. */
export function factSteps(fact: FactName, said: ReturnType<typeof saidSteps<FactValue>>): readonly FactSet[] {
  return said.map((how) => ({ type: 'fact/set', fact, ...how }))
}
