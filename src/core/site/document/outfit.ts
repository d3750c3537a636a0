import * as v from 'valibot'
import { isTableName, nameSchema } from './ids'
import { pageOriginSchema } from './page'
import { sectionPlacing } from './section'

/** What a site wears: its template, a scheme (`general/chalk`, `tallow/verdigris`; absent: the template's first), its dark form. */
export const dressSchema = v.pipe(
  v.strictObject({
    template: nameSchema,
    scheme: v.optional(v.pipe(v.string(), v.maxLength(130))),
    /** The scheme's dark form: always, or where a visitor's own system is set to dark. */
    dark: v.optional(v.union([v.literal(true), v.literal('visitor')])),
  }),
  v.readonly(),
)
export type Dress = v.InferOutput<typeof dressSchema>
export const DRESS_PARTS = ['template', 'scheme', 'dark'] as const

/** A section's place and dress, without its content. */
export const placedSectionSchema = v.pipe(v.strictObject(sectionPlacing), v.readonly())
export type PlacedSection = v.InferOutput<typeof placedSectionSchema>

/** How a site was arranged by hand under a template that it does not wear now. */
export const outfitSchema = v.pipe(
  v.strictObject({
    scheme: dressSchema.pipe[0].entries.scheme,
    dark: dressSchema.pipe[0].entries.dark,
    /** What each page was made from then, by the page's id. */
    pages: v.pipe(v.record(v.pipe(v.string(), v.check(isTableName, 'not a name')), v.nullable(pageOriginSchema)), v.readonly()),
    sections: v.pipe(v.array(placedSectionSchema), v.readonly()),
  }),
  v.readonly(),
)
export type Outfit = v.InferOutput<typeof outfitSchema>
