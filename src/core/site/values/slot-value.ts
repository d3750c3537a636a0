import * as v from 'valibot'
import { imageValue, imageValueSchema } from './image'
import { linkValue, linkValueSchema } from './link'
import { listValue, listValueSchema } from './list'
import { richValue, richValueSchema } from './rich'
import { textValue, textValueSchema } from './text'
import type { ValueType } from './value-type'

export const slotValueSchema = v.variant('type', [textValueSchema, richValueSchema, imageValueSchema, linkValueSchema, listValueSchema])
export type SlotValue = v.InferOutput<typeof slotValueSchema>
export type ValueTypeName = SlotValue['type']
/** What a slot takes; lists are made of entries that have such slots. */
export type SlotType = Exclude<ValueTypeName, 'list'>
export type SlotValueOf<T extends ValueTypeName> = Extract<SlotValue, { type: T }>

const TYPES = { text: textValue, rich: richValue, image: imageValue, link: linkValue, list: listValue } satisfies {
  [T in ValueTypeName]: ValueType<SlotValueOf<T>>
}

function typeOf(value: SlotValue): ValueType<SlotValue> {
  return TYPES[value.type] as unknown as ValueType<SlotValue>
}

/** The words of a value in one line. */
export function plainWords(value: SlotValue): string {
  return typeOf(value).words(value)
}

/** The value of a slot that is not needed: nothing stands there, and not the template's content either. */
export function emptyValue(type: SlotType): SlotValue {
  return TYPES[type].empty
}

/** True for a value that shows nothing: the place was emptied on purpose. */
export function isEmptyValue(value: SlotValue): boolean {
  return typeOf(value).isEmpty(value)
}

/** True for words made from a phrase bank, until someone types over or confirms them. */
export function isDraftValue(value: SlotValue | null): boolean {
  return value !== null && 'draft' in value && value.draft === true
}

/** The same words as the client's own. */
export function confirmedValue(value: SlotValue): SlotValue {
  if (!('draft' in value)) return value
  const { draft: _, ...confirmed } = value
  return confirmed
}
