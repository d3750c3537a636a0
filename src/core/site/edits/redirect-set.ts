import * as v from 'valibot'
import { findPage, MAX_REDIRECTS, redirectPathSchema, redirectToSchema } from '../document'
import { setsRecord } from './sets-record'

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

export const redirectSet = setsRecord<RedirectSet>({
  schema: redirectSetSchema,
  table: 'redirects',
  nameOf: ({ path }) => path,
  most: MAX_REDIRECTS,
  many: 'redirects',
  problemOf: (document, { value }) =>
    value?.type === 'page' && !findPage(document, value.page) ? { code: 'pageGone', page: value.page } : null,
})
