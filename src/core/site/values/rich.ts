import * as v from 'valibot'
import { draftMark } from './draft-mark'
import { richTextSchema } from './rich-text'
import type { ValueType } from './value-type'

export const richValueSchema = v.strictObject({ type: v.literal('rich'), rich: richTextSchema, draft: draftMark })
export type RichValue = v.InferOutput<typeof richValueSchema>

const words = ({ rich }: RichValue): string => rich.map((block) => block.runs.map((run) => run.text).join('')).join(' ')

export const richValue: ValueType<RichValue> = {
  schema: richValueSchema,
  words,
  empty: { type: 'rich', rich: [] },
  isEmpty: (value) => words(value).trim() === '',
}
