import * as v from 'valibot'
import { imageValue, imageValueSchema } from './image'
import { linkValue, linkValueSchema, type LinkTarget } from './link'
import { listValue, listValueSchema } from './list'
import { richValue, richValueSchema, type RichValue } from './rich'
import type { RichBlock } from './rich-text'
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

/** Everything there is to know of the type of a value. */
export function typeOf(value: SlotValue): ValueType<SlotValue> {
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

/** Where the links of a value lead: a button's own, and those in words. */
export function targetsIn(value: SlotValue): readonly LinkTarget[] {
  if (value.type === 'link') return [value.to]
  if (value.type !== 'rich') return []
  const texts = [value.rich, ...Object.values(value.said ?? {}).map(({ rich }) => rich)]
  return texts.flatMap((rich) => rich.flatMap(({ runs }) => runs.flatMap(({ to }) => (to ? [to] : []))))
}

/** The same value with its links led elsewhere; where one leads nowhere any more a button is emptied, and words stand without a link. */
export function withTargets(value: SlotValue, lead: (to: LinkTarget) => LinkTarget | null): SlotValue {
  if (value.type === 'link') {
    const to = lead(value.to)
    return to ? { ...value, to } : linkValue.empty
  }
  if (value.type !== 'rich') return value
  const runs = (of: RichBlock['runs']): RichBlock['runs'] =>
    of.map(({ to, ...run }) => {
      const led = to && lead(to)
      return led ? { ...run, to: led } : run
    })
  const led = (rich: RichValue['rich']): RichValue['rich'] => rich.map((block) => ({ ...block, runs: runs(block.runs) }))
  const said =
    value.said && Object.fromEntries(Object.entries(value.said).map(([language, words]) => [language, { ...words, rich: led(words.rich) }]))
  return { ...value, rich: led(value.rich), ...(said && { said }) }
}
