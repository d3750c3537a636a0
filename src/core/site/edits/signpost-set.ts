import { own, withValue } from '../../own'
import * as v from 'valibot'
import { findPage, MAX_SIGNPOSTS, nameSchema, signpostSchema } from '../document'
import { refused, type StepType } from './step-type'

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

export const signpostSet: StepType<SignpostSet> = {
  schema: signpostSetSchema,
  apply: (document, step) => {
    const { signpost, value } = step
    const was = own(document.signposts, signpost) ?? null
    if (value && value.id !== signpost) return refused({ code: 'valueWrong', place: 'signpost' })
    if (value?.in.type === 'page' && !findPage(document, value.in.page)) return refused({ code: 'pageGone', page: value.in.page })
    if (value && !was && Object.keys(document.signposts).length >= MAX_SIGNPOSTS) return refused({ code: 'tooMany', of: 'menu entries' })
    return {
      ok: true,
      document: { ...document, signposts: withValue(document.signposts, signpost, value) },
      inverse: [{ ...step, value: was }],
    }
  },
  place: () => null,
  writes: ({ signpost }) => `signpost ${signpost}`,
}
