import * as v from 'valibot'
import { saidPart } from '../language'
import { memoOf } from '../../memo'
import { factsSchema, type FactName, type Facts } from './facts'

type Entries = (typeof factsSchema.pipe)[0]['entries']
type CellEntries = {
  [K in keyof Entries]: v.OptionalSchema<
    v.StrictObjectSchema<
      { readonly value: Entries[K]['wrapped']; readonly said: ReturnType<typeof saidPart<Entries[K]['wrapped']>> },
      undefined
    >,
    undefined
  >
}
const cells = Object.fromEntries(
  Object.entries(factsSchema.pipe[0].entries).map(([name, { wrapped }]) => [
    name,
    v.optional(v.strictObject({ value: wrapped as v.GenericSchema, said: saidPart(wrapped as v.GenericSchema) })),
  ]),
) as unknown as CellEntries

/** The client's facts as a site keeps them: each in a cell of its own, with what it is in other languages. */
export const factCellsSchema = v.pipe(v.strictObject(cells), v.readonly())
export type FactCells = v.InferOutput<typeof factCellsSchema>

/** The facts of a site by name; those that were never given are absent. */
export function factsOf({ facts }: { readonly facts: FactCells }): Facts {
  return plain(facts)
}

const plain = memoOf(
  (facts: FactCells) => Object.fromEntries(Object.entries(facts).flatMap(([name, cell]) => (cell ? [[name, cell.value]] : []))) as Facts,
)

export function toFactCells(facts: Facts): FactCells {
  return Object.fromEntries(Object.entries(facts).flatMap(([name, value]) => (value === undefined ? [] : [[name, { value }]]))) as FactCells
}

/** A value as the fact's own schema has it; null where it does not fit. */
export function parseFact(fact: FactName, value: unknown): { readonly value: unknown } | null {
  const read = v.safeParse(factsSchema.pipe[0].entries[fact].wrapped as v.GenericSchema, value)
  return read.success ? { value: read.output } : null
}
