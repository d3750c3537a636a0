import * as v from 'valibot'
import { linkTargetSchema } from '../values/link'
import { nameSchema, rankSchema } from './ids'
import { listedSchema, pageInSchema } from './page'

export const MAX_SIGNPOST_LABEL = 200
export const MAX_SIGNPOSTS = 200

/** An entry of a menu that is no page: it leads to an address elsewhere, a place on a page, a fact. It stands among the pages, by rank. */
export const signpostSchema = v.pipe(
  v.strictObject({
    id: nameSchema,
    in: pageInSchema,
    rank: rankSchema,
    listed: listedSchema,
    label: v.pipe(v.strictObject({ text: v.pipe(v.string(), v.maxLength(MAX_SIGNPOST_LABEL)) }), v.readonly()),
    to: v.pipe(linkTargetSchema, v.readonly()),
  }),
  v.readonly(),
)
export type Signpost = v.InferOutput<typeof signpostSchema>
