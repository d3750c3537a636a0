import { nanoid } from 'nanoid'
import { parseColour } from '../core/colour'
import { firstDraft } from '../core/trade'
import { findFactFault, type Brand, type Facts } from '../core/site'
import { appendRows, jobState } from './edit-log'
import { createJob } from './jobs'
import { linkAsset } from './media/assets'
import { pack } from './packs'
import { Problem } from './problems'

/** A new job from what is known of the client; a name is all that is needed. With `draft`, trade copy fills its pages as drafts. */
export function createJobFromBrief({ template, facts, brand, draft = false }: { template: string; facts: Facts; brand: Brand; draft?: boolean | undefined }): string {
  if (!facts.name?.trim()) throw new Problem('nameWrong', { fault: 'A job needs the client’s name. The rest can wait.' })
  for (const name of ['name', 'trade', 'phone', 'email', 'special'] as const) {
    const fault = findFactFault(name, facts[name] ?? '', facts.address?.country ?? null)
    if (fault) throw new Problem('nameWrong', { fault })
  }
  if (!pack().templates[template]) throw new Problem('requestWrong', { fault: `there is no template ${template}` })
  const job = createJob(template, facts, { ...brand, ...parsedColours(brand) })
  for (const logo of [brand.logo, brand['logo-on-dark']]) if (logo) linkAsset(job.id, logo)
  const edit = draft ? firstDraft(pack(), jobState(job.id).document) : null
  if (edit) appendRows(job.id, 0, [{ id: nanoid(), edit, group: nanoid(10), mark: 'do' }])
  return job.id
}

function parsedColours(brand: Brand): Brand {
  return Object.fromEntries((['colour', 'second', 'third'] as const).flatMap((part) => {
    const given = brand[part]
    if (given === undefined) return []
    const colour = parseColour(given)
    if (!colour.ok) throw new Problem('nameWrong', { fault: colour.fault })
    return [[part, colour.hex]]
  }))
}
