import * as v from 'valibot'
import { ITEM_ID, type SlotType } from './kinds'
import { richTextSchema } from './rich-text'

/** Longest text a slot takes, in UTF-16 units. */
export const MAX_TEXT = 5000

const line = v.pipe(v.string(), v.maxLength(MAX_TEXT))

/** Where a link leads: a page of the site, a fact (telephone, mail, map), or an address elsewhere. */
const linkTargetSchema = v.variant('type', [
  v.strictObject({ type: v.literal('page'), page: v.string() }),
  v.strictObject({ type: v.literal('fact'), fact: v.picklist(['phone', 'email', 'address']) }),
  v.strictObject({ type: v.literal('url'), url: v.pipe(v.string(), v.maxLength(2000)) }),
])
export type LinkTarget = v.InferOutput<typeof linkTargetSchema>

/** The point of a picture that must stay in sight, from 0 (left, top) to 1 (right, bottom). */
const focusSchema = v.strictObject({ x: v.pipe(v.number(), v.minValue(0), v.maxValue(1)), y: v.pipe(v.number(), v.minValue(0), v.maxValue(1)) })
export type Focus = v.InferOutput<typeof focusSchema>

/** Set on words that were made for the client from a phrase bank and that nobody has confirmed yet. */
const draft = v.optional(v.literal(true))

export const slotValueSchema = v.variant('type', [
  v.strictObject({ type: v.literal('text'), text: line, draft }),
  v.strictObject({ type: v.literal('rich'), rich: richTextSchema, draft }),
  v.strictObject({ type: v.literal('image'), asset: v.pipe(v.string(), v.maxLength(120)), alt: line, focus: v.optional(focusSchema) }),
  v.strictObject({ type: v.literal('link'), label: line, to: linkTargetSchema, draft }),
  v.strictObject({ type: v.literal('list'), order: v.pipe(v.array(v.pipe(v.string(), v.regex(ITEM_ID))), v.maxLength(200), v.readonly()) }),
])
export type SlotValue = v.InferOutput<typeof slotValueSchema>
export type SlotValueOf<T extends SlotType | 'list'> = Extract<SlotValue, { type: T }>

/** The words of a value in one line, for lists, comparison and search. */
export function plainWords(value: SlotValue): string {
  switch (value.type) {
    case 'text': return value.text
    case 'rich': return value.rich.map((block) => block.runs.map((run) => run.text).join('')).join(' ')
    case 'image': return value.alt
    case 'link': return value.label
    case 'list': return `${value.order.length} entries`
    default: return value satisfies never
  }
}

/** True for a value that shows nothing: the place was emptied on purpose. */
export function isEmptyValue(value: SlotValue): boolean {
  if (value.type === 'image') return value.asset === ''
  return value.type === 'list' ? value.order.length === 0 : plainWords(value).trim() === ''
}

/** True for words made from a phrase bank, until someone types over or confirms them. */
export function isDraftValue(value: SlotValue | null): boolean {
  return value !== null && 'draft' in value && value.draft === true
}

/** The same words as the client's own. */
export function confirmedValue(value: SlotValue): SlotValue {
  if (!('draft' in value)) return value
  const { draft: _, ...own } = value
  return own
}
