import * as v from 'valibot'
import { saidPart } from '../language'
import { draftMark } from './draft-mark'
import { MAX_TEXT, type ValueType } from './value-type'

const words = { text: v.pipe(v.string(), v.maxLength(MAX_TEXT)), draft: draftMark }
export const textValueSchema = v.strictObject({ type: v.literal('text'), ...words, said: saidPart(v.strictObject(words)) })
export type TextValue = v.InferOutput<typeof textValueSchema>

export const textValue: ValueType<TextValue> = {
  schema: textValueSchema,
  said: ['text', 'draft'],
  words: (value) => value.text,
  empty: { type: 'text', text: '' },
  isEmpty: (value) => value.text.trim() === '',
}
