import { parseColour } from '../core/colour'
import { findFactFault, type Brand, type Facts } from '../core/site'
import { createJob } from './jobs'
import { linkAsset } from './media/assets'
import { pack } from './packs'
import { Problem } from './problems'

/** A new job from what is known of the client; a name is all that is needed. */
export function createJobFromBrief({ template, facts, brand }: { template: string; facts: Facts; brand: Brand }): string {
  if (!facts.name?.trim()) throw new Problem('nameWrong', { fault: 'A job needs the client’s name. The rest can wait.' })
  for (const name of ['name', 'trade', 'phone', 'email'] as const) {
    const fault = findFactFault(name, facts[name] ?? '', facts.address?.country ?? null)
    if (fault) throw new Problem('nameWrong', { fault })
  }
  const colour = brand.colour === undefined ? null : parseColour(brand.colour)
  if (colour && !colour.ok) throw new Problem('nameWrong', { fault: colour.fault })
  if (!pack().templates[template]) throw new Problem('requestWrong', { fault: `there is no template ${template}` })
  const job = createJob(template, facts, { ...brand, ...(colour ? { colour: colour.hex } : {}) })
  if (brand.logo) linkAsset(job.id, brand.logo)
  return job.id
}
