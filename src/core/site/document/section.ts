import * as v from 'valibot'
import { isSectionKind, type SectionKind } from '../kinds'
import { TONES } from '../tones'
import { ALTERATION_NAMES, alterationParts } from './alterations'
import { slotsSchema } from './cell'
import { SIDES } from './column'
import { daySchema } from './day'
import { holdsSchema } from './hold'
import { nameSchema, pageIdSchema, rankSchema, sectionIdSchema, type PageId } from './ids'

/**
 * Where a section stands: on one page, in a column at its side or, without a page, at the side of every page; at the head or foot of every
 * page, or on the page for addresses that lead nowhere.
 */
export const sectionInSchema = v.variant('type', [
  v.strictObject({ type: v.literal('page'), page: pageIdSchema }),
  v.strictObject({ type: v.literal('side'), side: v.picklist(SIDES), page: v.nullable(pageIdSchema) }),
  v.strictObject({ type: v.literal('header') }),
  v.strictObject({ type: v.literal('footer') }),
  v.strictObject({ type: v.literal('notFound') }),
])
export type SectionIn = v.InferOutput<typeof sectionInSchema>
/** Places for sections that are no page of the site. */
export const APART = ['header', 'footer', 'notFound'] as const
export type Apart = (typeof APART)[number]

/** The section of a template that a section was made from; `page` null for one that all its pages share. */
export const sectionOriginSchema = v.pipe(
  v.strictObject({ template: nameSchema, page: v.nullable(nameSchema), section: nameSchema }),
  v.readonly(),
)
export type SectionOrigin = v.InferOutput<typeof sectionOriginSchema>

export const kindSchema = v.custom<SectionKind>((k) => typeof k === 'string' && isSectionKind(k), 'Unknown kind of section')
/** A section but for its content: where it stands and what it wears. */
export const sectionPlacing = {
  id: sectionIdSchema,
  in: sectionInSchema,
  rank: rankSchema,
  kind: kindSchema,
  design: nameSchema,
  tone: v.picklist(TONES),
  origin: v.nullable(sectionOriginSchema),
}
/** The longest name of a section's own, in UTF-16 units. */
export const MAX_SECTION_NAME = 80
/** The name of a spot on a page, as the end of an address has it. `main` is every page's own. */
export const anchorSchema = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9]*(-[a-z0-9]+)*$/), v.maxLength(60), v.notValue('main'))
/** What a section has of its own besides place, dress and content; what is absent is as it comes. */
export const sectionOwn = {
  /** The last day on which visitors see it; absent where it stands for good. */
  until: v.optional(daySchema),
  /** Kept on its page and shown to no visitor. */
  hidden: v.optional(v.literal(true)),
  /** What the designer calls it. */
  name: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(MAX_SECTION_NAME))),
  /** The name that links find it by. */
  anchor: v.optional(anchorSchema),
  /** The section of another page that it is the same as: what stands here is that one's, and is changed with it. */
  same: v.optional(sectionIdSchema),
  /** To how many lines its texts are held. */
  holds: v.optional(holdsSchema),
  ...alterationParts,
}
export const SECTION_OWN = ['until', 'hidden', 'name', 'anchor', 'same', 'holds', ...ALTERATION_NAMES] as const
export type SectionOwn = (typeof SECTION_OWN)[number]
export const sectionSchema = v.pipe(v.strictObject({ ...sectionPlacing, slots: slotsSchema, ...sectionOwn }), v.readonly())
export type Section = v.InferOutput<typeof sectionSchema>

export const placeOfSection = (section: Section): string => sectionPlace(section.in)

/** A page's own id: making a longer key for each of hundreds of pages costs more than the rest of a count. No id begins with a colon. */
export function sectionPlace(where: SectionIn): string {
  if (where.type === 'side') return `:${where.side} ${where.page ?? ''}`
  return where.type === 'page' ? where.page : `:${where.type}`
}

/** The page that a place belongs to; null for one that every page shows, and for that of wrong addresses. */
export function pageOf(where: SectionIn): PageId | null {
  return where.type === 'page' || where.type === 'side' ? where.page : null
}
