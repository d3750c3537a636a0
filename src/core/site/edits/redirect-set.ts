import { own, withValue } from '../../own'
import * as v from 'valibot'
import { findPage, MAX_REDIRECTS, redirectPathSchema, redirectToSchema } from '../document'
import { refused, type StepType } from './step-type'

/** Says where an address leads on; null leaves it to what is reckoned from the pages. */
export const redirectSetSchema = v.strictObject({
  type: v.literal('redirect/set'),
  path: redirectPathSchema,
  value: v.nullable(redirectToSchema),
})
export type RedirectSet = v.InferOutput<typeof redirectSetSchema>

declare module './step-type' {
  interface StepTypes {
    'redirect/set': RedirectSet
  }
}

export const redirectSet: StepType<RedirectSet> = {
  schema: redirectSetSchema,
  apply: (document, step) => {
    const { path, value } = step
    const was = own(document.redirects, path) ?? null
    if (value?.type === 'page' && !findPage(document, value.page)) return refused({ code: 'pageGone', page: value.page })
    if (value && !was && Object.keys(document.redirects).length >= MAX_REDIRECTS) return refused({ code: 'tooMany', of: 'redirects' })
    return {
      ok: true,
      document: { ...document, redirects: withValue(document.redirects, path, value) },
      inverse: [{ ...step, value: was }],
    }
  },
  place: () => null,
  writes: ({ path }) => `redirect ${path}`,
}
