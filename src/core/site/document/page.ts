import * as v from 'valibot'
import { saidPart } from '../language'
import { collectionRoleSchema } from './collection'
import { columnParts } from './column'
import { daySchema } from './day'
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
const textSchema = v.pipe(v.string(), v.maxLength(MAX_PAGE_TEXT))
const textCellSchema = v.pipe(v.strictObject({ text: textSchema, said: saidPart(textSchema) }), v.readonly())
export type TextCell = v.InferOutput<typeof textCellSchema>

/** What a page is called, in the menu too, and how a search result shows it. What is absent is the template's, or made from others. */
export const PAGE_TEXTS = ['name', 'label', 'title', 'description'] as const
export type PageText = (typeof PAGE_TEXTS)[number]

/** What a page is to a collection, and its day; each absent where it has none. */
export const PAGE_OWN = ['role', 'collection', 'date'] as const

/** Where a page stands in the tree: at its top, or under another page. */
export const pageInSchema = v.pipe(
  v.variant('type', [v.strictObject({ type: v.literal('site') }), v.strictObject({ type: v.literal('page'), page: pageIdSchema })]),
  v.readonly(),
)
export type PageIn = v.InferOutput<typeof pageInSchema>
/** How many levels of pages there are at most. */
export const MAX_LEVELS = 3

export const pageSchema = v.pipe(
  v.strictObject({
    id: pageIdSchema,
    in: pageInSchema,
    rank: rankSchema,
    origin: v.nullable(pageOriginSchema),
    segment: segmentSchema,
    /** The address was given or kept by hand; one that was not is the template's. */
    addressed: v.optional(v.literal(true)),
    listed: listedSchema,
    /** Kept in the job and published nowhere, with every page under it. */
    hidden: v.optional(v.literal(true)),
    /** Those who search are not to find it: it says so, and stands in no map. */
    unfound: v.optional(v.literal(true)),
    /** What it is to the collection that it stands in. */
    role: v.optional(collectionRoleSchema),
    collection: v.optional(nameSchema),
    /** The day that it is of: that of a post, or on which something begins. */
    date: v.optional(daySchema),
    ...columnParts,
    texts: v.pipe(
      v.strictObject({
        name: v.optional(textCellSchema),
        label: v.optional(textCellSchema),
        title: v.optional(textCellSchema),
        description: v.optional(textCellSchema),
      }),
      v.readonly(),
    ),
  }),
  v.readonly(),
)
export type Page = v.InferOutput<typeof pageSchema>

export const placeOfPage = (page: Page): string => pagePlace(page.in)

/** The name of a place in the tree. No id begins with a colon. */
export function pagePlace(where: PageIn): string {
  return where.type === 'page' ? where.page : ':site'
}
