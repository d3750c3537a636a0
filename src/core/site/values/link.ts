import * as v from 'valibot'
import { draftMark } from './draft-mark'
import { MAX_TEXT, type ValueType } from './value-type'

/** Where a link leads: a page of the site or a section on one, a fact (telephone, mail, map), or an address elsewhere. */
export const linkTargetSchema = v.variant('type', [
  v.strictObject({ type: v.literal('page'), page: v.pipe(v.string(), v.maxLength(120)) }),
  v.strictObject({ type: v.literal('section'), section: v.pipe(v.string(), v.maxLength(120)) }),
  v.strictObject({ type: v.literal('fact'), fact: v.picklist(['phone', 'email', 'address']) }),
  v.strictObject({ type: v.literal('url'), url: v.pipe(v.string(), v.maxLength(2000)) }),
])
export type LinkTarget = v.InferOutput<typeof linkTargetSchema>

export const linkValueSchema = v.strictObject({
  type: v.literal('link'),
  label: v.pipe(v.string(), v.maxLength(MAX_TEXT)),
  to: linkTargetSchema,
  draft: draftMark,
})
export type LinkValue = v.InferOutput<typeof linkValueSchema>

export const linkValue: ValueType<LinkValue> = {
  schema: linkValueSchema,
  words: (value) => value.label,
  empty: { type: 'link', label: '', to: { type: 'url', url: '' } },
  isEmpty: (value) => value.label.trim() === '',
}
