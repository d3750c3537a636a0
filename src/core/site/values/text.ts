import * as v from 'valibot'
import { draftMark } from './draft-mark'
import { MAX_TEXT, type ValueType } from './value-type'

export const textValueSchema = v.strictObject({
  type: v.literal('text'),
  text: v.pipe(v.string(), v.maxLength(MAX_TEXT)),
  draft: draftMark,
})
export type TextValue = v.InferOutput<typeof textValueSchema>

export const textValue: ValueType<TextValue> = {
  schema: textValueSchema,
  words: (value) => value.text,
  empty: { type: 'text', text: '' },
  isEmpty: (value) => value.text.trim() === '',
}
