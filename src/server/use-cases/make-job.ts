import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { parseColour } from '../../core/colour'
import { makeDocument } from '../../core/fill'
import { findTemplate } from '../../core/pack'
import { brandSchema, factsSchema, findFactFault, type Brand, type SiteDocument } from '../../core/site'
import { firstDraft } from '../../core/trade'
import { Problem } from '../problems'
import { appendRows, beginLog } from '../log/edit-log'
import { pack } from '../packs/packs'
import { isAsset, linkAsset, linkAssetsOf } from '../store/assets'
import { db } from '../store/db'
import { insertJob } from '../store/jobs'

const { colour: _c, second: _s, third: _t, ...restOfBrand } = brandSchema.pipe[0].entries
const typed = v.optional(v.pipe(v.string(), v.maxLength(100)))
export const makeJobSchema = v.strictObject({
  template: v.string(),
  facts: factsSchema,
  /** Colours may come as they were typed. */
  brand: v.strictObject({ ...restOfBrand, colour: typed, second: typed, third: typed }),
  draft: v.optional(v.boolean()),
})

/** A new job from what is known of the client; a name is all that is needed. With `draft`, trade copy fills its pages as drafts. */
export function makeJob({ template: id, facts, brand, draft = false }: v.InferOutput<typeof makeJobSchema>): string {
  if (!facts.name?.trim()) throw new Problem('nameWrong', { fault: 'A job needs the client’s name. The rest can wait.' })
  for (const name of ['name', 'trade', 'phone', 'email', 'special'] as const) {
    const fault = findFactFault(name, facts[name] ?? '', facts.address?.country ?? null)
    if (fault) throw new Problem('nameWrong', { fault })
  }
  const template = findTemplate(pack(), id)
  if (!template) throw new Problem('requestWrong', { fault: `there is no template ${id}` })
  const document = makeDocument(template, facts, { ...brand, ...parsedColours(brand) } as Brand)
  const logos = [brand.logo, brand['logo-on-dark']].filter((logo) => logo !== undefined)
  if (!logos.every(isAsset)) throw new Problem('nameWrong', { fault: 'The logo is not here any more. Choose its file again.' })
  const edit = draft ? firstDraft(pack(), document) : null
  return db().transaction(() => {
    const job = createJob(document)
    for (const logo of logos) linkAsset(job, logo)
    if (edit) appendRows(job, null, 0, [{ id: nanoid(), gesture: nanoid(10), undoes: null, edit }])
    return job
  })()
}

/** A job with its first state: revision 0. A copy shows the pictures of the job that it was made from. */
export function createJob(document: SiteDocument, copyOf: string | null = null): string {
  const id = nanoid(12)
  db().transaction(() => {
    insertJob({ id, createdAt: new Date().toISOString(), copyOf })
    beginLog(id, document)
    if (copyOf !== null) linkAssetsOf(copyOf, id)
  })()
  return id
}

function parsedColours(brand: { readonly [part in 'colour' | 'second' | 'third']?: string | undefined }): Brand {
  return Object.fromEntries(
    (['colour', 'second', 'third'] as const).flatMap((part) => {
      const given = brand[part]
      if (given === undefined) return []
      const colour = parseColour(given)
      if (!colour.ok) throw new Problem('nameWrong', { fault: colour.fault })
      return [[part, colour.hex]]
    }),
  )
}
