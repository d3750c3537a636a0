import * as v from 'valibot'
import { findPage, MAX_SIGNPOSTS, nameSchema, signpostSchema } from '../document'
import { setsRecord } from './sets-record'

/** Puts up, changes or moves a menu entry that is no page; null takes it down. */
export const signpostSetSchema = v.strictObject({
  type: v.literal('signpost/set'),
  signpost: nameSchema,
  value: v.nullable(signpostSchema),
})
export type SignpostSet = v.InferOutput<typeof signpostSetSchema>

declare module './step-type' {
  interface StepTypes {
    'signpost/set': SignpostSet
  }
}

export const signpostSet = setsRecord<SignpostSet>({
  schema: signpostSetSchema,
  table: 'signposts',
  nameOf: ({ signpost }) => signpost,
  most: MAX_SIGNPOSTS,
  many: 'menu entries',
  problemOf: (document, { signpost, value }) => {
    if (value?.id !== signpost) return { code: 'valueWrong', place: 'signpost' }
    const isGone = value.in.type === 'page' && !findPage(document, value.in.page)
    return isGone ? { code: 'pageGone', page: value.in.page } : null
  },
})
