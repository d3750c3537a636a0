import * as v from 'valibot'
import { BLOCK_TYPES } from '../kinds'
import { MAX_ENTRIES, slotNameSchema, slotsSchema, type EntryRef } from './cell'
import { isTableName, rankSchema, sectionIdSchema, type SectionId } from './ids'
import { ranks } from './order'

export const blockTypeSchema = v.picklist(BLOCK_TYPES)

export const entrySchema = v.pipe(
  v.strictObject({
    /** Its own id, or what `entryKey` makes of the template's number. */
    id: v.pipe(v.string(), v.maxLength(160), v.check(isTableName, 'not a name')),
    in: v.pipe(v.strictObject({ section: sectionIdSchema, list: slotNameSchema }), v.readonly()),
    /** Its number among the template's; null for one that was added. */
    nth: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MAX_ENTRIES))),
    rank: rankSchema,
    /** What it is, of a list of blocks: its slots are those of that. */
    block: v.optional(blockTypeSchema),
    slots: slotsSchema,
    /** One of the template's that was taken out; what had been put into it is kept. */
    gone: v.optional(v.literal(true)),
    /** Kept in its list and shown to no visitor. */
    hidden: v.optional(v.literal(true)),
  }),
  v.readonly(),
)
export type Entry = v.InferOutput<typeof entrySchema>

export const placeOfEntry = (entry: Entry): string => entry.in.section

/** The key of an entry's record in the table of entries. */
export function entryKey(section: SectionId, ref: EntryRef): string {
  return 'nth' in ref ? `${section} ${ref.list} ${ref.nth}` : ref.id
}

const NATURAL = ranks(MAX_ENTRIES)

/** Where the template's own entry of a number stands while nobody has moved it. */
export function naturalRank(nth: number): string {
  return NATURAL[nth - 1] ?? NATURAL[MAX_ENTRIES - 1] ?? 'a0'
}

export function refOf(entry: Entry): EntryRef {
  return entry.nth === null ? { list: entry.in.list, id: entry.id as never } : { list: entry.in.list, nth: entry.nth }
}
