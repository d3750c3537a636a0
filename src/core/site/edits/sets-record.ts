import { own, withValue } from '../../own'
import type { SiteDocument } from '../document'
import type { EditProblem } from './problem'
import { refused, type EditStep, type StepType } from './step-type'

type Given<S> = Pick<StepType<S>, 'schema'> & {
  /** The table that the record is in. */
  readonly table: 'collections' | 'signposts' | 'redirects' | 'verifications'
  readonly nameOf: (step: S) => string
  /** How many records the table has at most, and what they are called. */
  readonly most: number
  readonly many: string
  /** Why a value that is set does not fit; null where it does. */
  readonly problemOf?: (document: SiteDocument, step: S) => EditProblem | null
}

/** A step that sets one record of a table by its name; null takes it away. */
export function setsRecord<S extends EditStep & { readonly value: unknown }>({
  schema,
  table,
  nameOf,
  most,
  many,
  problemOf = () => null,
}: Given<S>): StepType<S> {
  return {
    schema,
    apply: (document, step) => {
      const records: Readonly<Record<string, unknown>> = document[table]
      const was = own(records, nameOf(step)) ?? null
      const problem = step.value === null ? null : problemOf(document, step)
      if (problem) return refused(problem)
      if (step.value !== null && was === null && Object.keys(records).length >= most) return refused({ code: 'tooMany', of: many })
      return {
        ok: true,
        document: { ...document, [table]: withValue(records, nameOf(step), step.value) },
        inverse: [{ ...step, value: was } as S],
      }
    },
    place: () => null,
    writes: (step) => `${table} ${nameOf(step)}`,
  }
}
