import * as v from 'valibot'
import { slotValueSchema, type SlotValue } from '../values/slot-value'
import { entryIdSchema, isTableName, sectionIdSchema } from './ids'

export const slotNameSchema = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,39}$/), v.check(isTableName, 'not a name'))

/** The most entries that a list holds. */
export const MAX_ENTRIES = 200

/**
 * An entry of a section's list: one of the template's own, named by its number from 1, or one that was added, by its id.
 * The template's own need no record until something is done with them.
 */
export const entryRefSchema = v.union([
  v.strictObject({ list: slotNameSchema, nth: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MAX_ENTRIES)) }),
  v.strictObject({ list: slotNameSchema, id: entryIdSchema }),
])
export type EntryRef = v.InferOutput<typeof entryRefSchema>

/** A slot of a section, or of one of its entries; a list is a slot too. */
export const spotSchema = v.pipe(
  v.strictObject({ section: sectionIdSchema, entry: v.nullable(entryRefSchema), slot: slotNameSchema }),
  v.readonly(),
)
export type Spot = v.InferOutput<typeof spotSchema>

/**
 * A slot that says the same as another and follows it until the two are parted. What it said before is kept (`own`), and stands there
 * again where the other is gone.
 */
export const sameSchema = v.strictObject({
  type: v.literal('same'),
  as: spotSchema,
  /** Of a list: how many of the other's entries are shown, from the first; absent, all of them. */
  show: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MAX_ENTRIES))),
  own: v.nullable(slotValueSchema),
})
export type Same = v.InferOutput<typeof sameSchema>

/** What a slot holds: a value of its own, or that it is the same as another. */
export const cellSchema = v.union([slotValueSchema, sameSchema])
export type Cell = SlotValue | Same

export const slotsSchema = v.pipe(v.record(slotNameSchema, cellSchema), v.readonly())
export type Slots = v.InferOutput<typeof slotsSchema>

/** What a slot says of its own, whether or not it follows another now. */
export function ownValue(cell: Cell | undefined): SlotValue | null {
  return (cell?.type === 'same' ? cell.own : cell) ?? null
}

/** Values by the names of their slots. */
export type Values = Readonly<Record<string, SlotValue>>

/** What slots say of their own; what follows another says what it did before. */
export function ownValues(slots: Slots): Values {
  if (Object.values(slots).every((cell) => cell.type !== 'same')) return slots as Values
  return Object.fromEntries(
    Object.entries(slots).flatMap(([slot, cell]) => {
      const value = ownValue(cell)
      return value ? [[slot, value] as const] : []
    }),
  )
}
