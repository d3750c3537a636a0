import { cellAt, followedFrom, followers, type Follower, type SiteDocument, type Spot } from '../document'
import { freeEntryId, partSteps } from './part-same'
import { stepType } from './edit'
import type { StepApplied, EditStep } from './step-type'

/**
 * What follows others, asked once a whole edit is made: where the other has gone, the first that followed it says of its own what it
 * showed, and the rest follow that one.
 */
export function settleSame(before: SiteDocument, document: SiteDocument): StepApplied {
  const left = followers(before).length === 0 ? [] : leftAlone(before, document)
  const heirs = new Map<string, Spot>()
  let settled = document
  const inverses: (readonly EditStep[])[] = []
  for (const { follower, gone } of left) {
    const name = JSON.stringify(gone)
    const heir = heirs.get(name)
    const steps: readonly EditStep[] = heir
      ? [{ type: 'slot/set', ...follower.spot, value: { ...follower.same, as: heir } }]
      : partSteps(before, follower, (id) => freeEntryId(settled, id))
    if (!heir) heirs.set(name, follower.spot)
    for (const step of steps) {
      const applied = stepType(step).apply(settled, step)
      if (!applied.ok) return applied
      settled = applied.document
      inverses.push(applied.inverse)
    }
  }
  return { ok: true, document: settled, inverse: inverses.toReversed().flat() }
}

type Left = { readonly follower: Follower; readonly gone: Spot }

/** What followed something that is gone now, and still would. */
function leftAlone(before: SiteDocument, document: SiteDocument): readonly Left[] {
  return followers(before).flatMap((follower): readonly Left[] => {
    const gone = followedFrom(before, follower.spot)[1]
    if (!gone || cellAt(document, follower.spot) !== follower.same) return []
    return followedFrom(document, follower.spot).length > 1 ? [] : [{ follower, gone }]
  })
}
