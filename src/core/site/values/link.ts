import * as v from 'valibot'
import { saidPart } from '../language'
import { draftMark } from './draft-mark'
import { MAX_TEXT, type ValueType } from './value-type'

/** The longest name of a file, in UTF-16 units. */
export const MAX_FILE_NAME = 120
/** A file that visitors are given, such as a price list: its name, and its content by SHA-256 and size. All are PDF (ISO 32000). */
export const fileTargetSchema = v.strictObject({
  type: v.literal('file'),
  name: v.pipe(v.string(), v.minLength(1), v.maxLength(MAX_FILE_NAME)),
  hash: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(1)),
})
export type FileTarget = v.InferOutput<typeof fileTargetSchema>

/** Where a link leads: a page of the site or a section on one, a fact (telephone, mail, map), a file, or an address elsewhere. */
export const linkTargetSchema = v.variant('type', [
  v.strictObject({ type: v.literal('page'), page: v.pipe(v.string(), v.maxLength(120)) }),
  v.strictObject({ type: v.literal('section'), section: v.pipe(v.string(), v.maxLength(120)) }),
  v.strictObject({ type: v.literal('fact'), fact: v.picklist(['phone', 'email', 'address']) }),
  fileTargetSchema,
  v.strictObject({ type: v.literal('url'), url: v.pipe(v.string(), v.maxLength(2000)) }),
])
export type LinkTarget = v.InferOutput<typeof linkTargetSchema>

/** An icon beside the words of a link, by its name in the set that ships. */
export const linkIconSchema = v.strictObject({
  name: v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,39}$/)),
  side: v.picklist(['before', 'after']),
})
export type LinkIcon = v.InferOutput<typeof linkIconSchema>

const words = { label: v.pipe(v.string(), v.maxLength(MAX_TEXT)), draft: draftMark }
export const linkValueSchema = v.strictObject({
  type: v.literal('link'),
  ...words,
  said: saidPart(v.strictObject(words)),
  to: linkTargetSchema,
  /** It opens in a tab of its own, and says so. */
  tab: v.optional(v.literal(true)),
  icon: v.optional(linkIconSchema),
})
export type LinkValue = v.InferOutput<typeof linkValueSchema>

export const linkValue: ValueType<LinkValue> = {
  schema: linkValueSchema,
  said: ['label', 'draft'],
  words: (value) => value.label,
  empty: { type: 'link', label: '', to: { type: 'url', url: '' } },
  isEmpty: (value) => value.label.trim() === '',
}
