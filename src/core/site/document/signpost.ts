import * as v from 'valibot'
import { saidPart } from '../language'
import { linkTargetSchema } from '../values/link'
import { nameSchema, rankSchema } from './ids'
import { listedSchema, pageInSchema } from './page'

export const MAX_SIGNPOST_LABEL = 200
export const MAX_SIGNPOSTS = 200

const labelText = v.pipe(v.string(), v.maxLength(MAX_SIGNPOST_LABEL))

/** An entry of a menu that is no page: it leads to an address elsewhere, a place on a page, a fact. It stands among the pages, by rank. */
export const signpostSchema = v.pipe(
  v.strictObject({
    id: nameSchema,
    in: pageInSchema,
    rank: rankSchema,
    listed: listedSchema,
    label: v.pipe(v.strictObject({ text: labelText, said: saidPart(labelText) }), v.readonly()),
    to: v.pipe(linkTargetSchema, v.readonly()),
  }),
  v.readonly(),
)
export type Signpost = v.InferOutput<typeof signpostSchema>
