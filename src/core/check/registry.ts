import type { Pack } from '../pack'
import type { SiteDocument } from '../site'
import { brandMissing, factMissing } from './left-for-later'
import { draft, leftover, unplanned } from './leftovers'
import { findNear } from './near'
import type { Snag, SnagCheck, SnagStage } from './snag'

/** Every check there is, by name: what is open in a job, what its stages show as numbers, and what is listed come from here alone. */
export const CHECKS = {
  factMissing,
  brandMissing,
  leftover,
  draft,
  unplanned,
  near: {
    stages: [],
    counted: 'nearly leftovers',
    find: (pack, document) => findNear(pack, document).map(({ of, words }): Snag => ({ check: 'near', place: of.place, words })),
  },
} as const satisfies Readonly<Record<string, SnagCheck>>
export type CheckName = keyof typeof CHECKS
const ALL: Readonly<Record<CheckName, SnagCheck>> = CHECKS
export const CHECK_NAMES = Object.keys(CHECKS) as readonly CheckName[]

/** What a check finds. */
export function snagsOf(check: CheckName, pack: Pack, document: SiteDocument): readonly Snag[] {
  return ALL[check].find(pack, document)
}

export function countSnags(check: CheckName, pack: Pack, document: SiteDocument): number {
  const { find, count } = ALL[check]
  return count ? count(pack, document) : find(pack, document).length
}

/** How many snags of each check are open in a stage; those that find nothing are left out. */
export function openIn(
  stage: SnagStage,
  pack: Pack,
  document: SiteDocument,
): readonly { readonly check: CheckName; readonly count: number; readonly counted: string }[] {
  return CHECK_NAMES.filter((check) => ALL[check].stages.includes(stage))
    .map((check) => ({ check, count: countSnags(check, pack, document), counted: ALL[check].counted }))
    .filter(({ count }) => count > 0)
}
