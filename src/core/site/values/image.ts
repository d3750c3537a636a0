import * as v from 'valibot'
import { saidPart } from '../language'
import { pictureRecipeSchema } from './picture-recipe'
import { MAX_TEXT, type ValueType } from './value-type'

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))
/** The point of a picture that must stay in sight, from 0 (left, top) to 1 (right, bottom). */
export const focusSchema = v.strictObject({ x: share, y: share })
export type Focus = v.InferOutput<typeof focusSchema>

const words = { alt: v.pipe(v.string(), v.maxLength(MAX_TEXT)) }
export const imageValueSchema = v.strictObject({
  type: v.literal('image'),
  asset: v.pipe(v.string(), v.maxLength(120)),
  ...words,
  said: saidPart(v.strictObject(words)),
  focus: v.optional(focusSchema),
  recipe: v.optional(pictureRecipeSchema),
})
export type ImageValue = v.InferOutput<typeof imageValueSchema>

export const imageValue: ValueType<ImageValue> = {
  schema: imageValueSchema,
  said: ['alt'],
  words: (value) => value.alt,
  empty: { type: 'image', asset: '', alt: '' },
  isEmpty: (value) => value.asset === '',
}
