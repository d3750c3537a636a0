import { bySuiting, suitsBrief, templateProfile, type Candidate } from '@/core/choice'
import type { AssetTable } from '@/core/image'
import { memoBy } from '@/core/memo'
import type { Pack, Template } from '@/core/pack'
import type { Facts } from '@/core/site'

/** What a job begins on while nothing says which template would suit it. */
const FIRST = 'tallow'
export const BLANK = 'blank'

/** Every template with what it is and how well it suits a brief; what a template is, is counted once. */
export function candidates(pack: Pack, assets: AssetTable, facts: Facts): Candidate[] {
  return Object.values(pack.templates).map((template) => {
    const profile = profileOf(pack, assets, template)
    return { template, profile, suits: suitsBrief(pack, template, profile, facts) }
  })
}

const profileOf = memoBy((_pack: Pack, _assets: AssetTable, template: Template) => [template], templateProfile)

/** The template that suits a brief best, so that a job can begin before anything is chosen. */
export function bestTemplate(pack: Pack, assets: AssetTable, facts: Facts): Candidate | null {
  const best = candidates(pack, assets, facts)
    .filter((c) => c.template.id !== BLANK)
    .sort(bySuiting)[0]
  return best && best.suits.score > 0 ? best : (candidates(pack, assets, facts).find((c) => c.template.id === FIRST) ?? null)
}
