import * as v from 'valibot'
import { pageIdSchema } from './ids'

export const MAX_REDIRECTS = 2000
/**
 * An address on the site that is led on: a path from the root (RFC 3986, section 3.3), without query, fragment, dot parts or empty ones;
 * not the root itself, where home stands.
 */
export const redirectPathSchema = v.pipe(
  v.string(),
  v.maxLength(300),
  v.regex(/^(?:\/(?!\.{1,2}(?:\/|$))(?:[A-Za-z0-9._~!$&'()*+,;=:@-]|%[0-9A-Fa-f]{2})+)+\/?$/),
)
/** Where it leads: a page of the site, an address elsewhere, or nowhere any more. */
export const redirectToSchema = v.variant('type', [
  v.strictObject({ type: v.literal('page'), page: pageIdSchema }),
  v.strictObject({ type: v.literal('url'), url: v.pipe(v.string(), v.url(), v.regex(/^https?:\/\//i), v.maxLength(2000)) }),
  v.strictObject({ type: v.literal('gone') }),
])
export type RedirectTo = v.InferOutput<typeof redirectToSchema>
