import * as v from 'valibot'
import { nameSchema, pageIdSchema, rankSchema } from './ids'

/** The page of a template that a page was made from. */
export const pageOriginSchema = v.pipe(v.strictObject({ template: nameSchema, page: nameSchema }), v.readonly())
export type PageOrigin = v.InferOutput<typeof pageOriginSchema>

/** Last part of a page's address. The home page stands at the root whatever its own says. */
export const segmentSchema = v.pipe(v.string(), v.maxLength(80), v.regex(/^$|^[a-z0-9]+(-[a-z0-9]+)*$/))
/** Where a page is listed: in the menu, only at the foot of every page, or nowhere. */
export const listedSchema = v.picklist(['menu', 'foot', 'nowhere'])
export type Listed = v.InferOutput<typeof listedSchema>

/** The longest a page's own text may be, in UTF-16 units. */
export const MAX_PAGE_TEXT = 1000
const textCellSchema = v.pipe(v.strictObject({ text: v.pipe(v.string(), v.maxLength(MAX_PAGE_TEXT)) }), v.readonly())
export type TextCell = v.InferOutput<typeof textCellSchema>

/** What the menu calls a page, and how a search result shows it. What is absent is the template's. */
export const PAGE_TEXTS = ['name', 'title', 'description'] as const
export type PageText = (typeof PAGE_TEXTS)[number]

export const pageSchema = v.pipe(
  v.strictObject({
    id: pageIdSchema,
    in: v.pipe(v.strictObject({ type: v.literal('site') }), v.readonly()),
    rank: rankSchema,
    origin: v.nullable(pageOriginSchema),
    segment: segmentSchema,
    /** The address was given or kept by hand; one that was not is the template's. */
    addressed: v.optional(v.literal(true)),
    listed: listedSchema,
    texts: v.pipe(
      v.strictObject({ name: v.optional(textCellSchema), title: v.optional(textCellSchema), description: v.optional(textCellSchema) }),
      v.readonly(),
    ),
  }),
  v.readonly(),
)
export type Page = v.InferOutput<typeof pageSchema>

export const placeOfPage = (page: Page): string => page.in.type
