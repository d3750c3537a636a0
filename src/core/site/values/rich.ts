import * as v from 'valibot'
import { saidPart } from '../language'
import { draftMark } from './draft-mark'
import { richTextSchema, runWords } from './rich-text'
import type { ValueType } from './value-type'

const words = { rich: richTextSchema, draft: draftMark }
export const richValueSchema = v.strictObject({ type: v.literal('rich'), ...words, said: saidPart(v.strictObject(words)) })
export type RichValue = v.InferOutput<typeof richValueSchema>

export const richValue: ValueType<RichValue> = {
  schema: richValueSchema,
  said: ['rich', 'draft'],
  words: ({ rich }) => rich.map((block) => block.runs.map(runWords).join('').replaceAll('\n', ' ')).join(' '),
  empty: { type: 'rich', rich: [] },
  isEmpty: ({ rich }) => rich.every((block) => block.runs.every((run) => 'text' in run && run.text.trim() === '')),
}
