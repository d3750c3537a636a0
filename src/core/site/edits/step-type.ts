import type * as v from 'valibot'
import type { Place, SiteDocument } from '../document'
import type { EditProblem } from './problem'

/** Every type of step by its name. Each one's own file writes itself in, so that this one needs none of them. */
export interface StepTypes {}

/** One step of an edit. */
export type EditStep = StepTypes[keyof StepTypes]

export type StepApplied =
  | { readonly ok: true; readonly document: SiteDocument; readonly inverse: readonly EditStep[] }
  | { readonly ok: false; readonly problem: EditProblem }

/** Everything about one type of edit. */
export type StepType<S> = {
  readonly schema: v.GenericSchema<unknown, S>
  /** Total: gives the new document and the steps that take it back, or a problem; changes nothing else. */
  readonly apply: (document: SiteDocument, step: S) => StepApplied
  /** The place whose content it sets, for going there; null where it sets none. */
  readonly place: (step: S) => Place | null
  /** What it writes: of two steps of one gesture that write the same, the later stands for both. Null: it stands alone. */
  readonly writes: (step: S) => string | null
}

export function refused(problem: EditProblem): StepApplied {
  return { ok: false, problem }
}
