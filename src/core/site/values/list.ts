import * as v from 'valibot'
import type { ValueType } from './value-type'

/**
 * How many of the template's entries a list began with when somebody first added, moved or took out an entry. Until then
 * a list has as many as the template that the site wears.
 */
export const listValueSchema = v.strictObject({
  type: v.literal('list'),
  of: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200)),
})
export type ListValue = v.InferOutput<typeof listValueSchema>

export const listValue: ValueType<ListValue> = {
  schema: listValueSchema,
  said: [],
  words: (value) => `${value.of} entries`,
  empty: { type: 'list', of: 0 },
  // Whether a list shows anything is told by its entries.
  isEmpty: () => false,
}
