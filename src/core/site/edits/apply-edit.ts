import type { SiteDocument } from '../document'
import { stepsOf, stepType, toEdit, type Edit, type EditStep } from './edit'
import type { EditProblem } from './problem'
import { settlePages } from './settle-pages'
import { settleSame } from './settle-same'

export type Applied =
  | { readonly ok: true; readonly document: SiteDocument; readonly inverse: Edit }
  | { readonly ok: false; readonly problem: EditProblem }

/**
 * The document after an edit, and the edit that takes it back. The only way a document changes. Total: an edit that
 * names a place that is gone, or a value that does not fit there, gives a problem and changes nothing; so does a
 * batch of which one step fails.
 */
export function applyEdit(document: SiteDocument, edit: Edit): Applied {
  const inverses: (readonly EditStep[])[] = []
  let current = document
  for (const step of stepsOf(edit)) {
    const applied = stepType(step).apply(current, step)
    if (!applied.ok) return applied
    current = applied.document
    inverses.push(applied.inverse)
  }
  for (const settle of [settlePages, settleSame]) {
    const settled = settle(document, current)
    if (!settled.ok) return settled
    current = settled.document
    inverses.push(settled.inverse)
  }
  return { ok: true, document: current, inverse: toEdit(inverses.toReversed().flat()) }
}
