import * as v from 'valibot'
import { fitWords, redirectPathSchema } from '../site'

/** What somebody typed as a whole web address (WHATWG URL); null where it is none. */
export function toWebAddress(typed: string): string | null {
  const text = typed.trim()
  // A colon before digits is a port's, not a scheme's.
  const whole = /^[a-z][a-z0-9+.-]*:(?!\d)/i.test(text) ? text : `https://${text}`
  if (!URL.canParse(whole)) return null
  const url = new URL(whole)
  return (url.protocol === 'https:' || url.protocol === 'http:') && url.hostname.includes('.') ? url.href : null
}

/** An address as somebody has it at hand, whole or in part, as a path from the root; null where it is none. */
export function toOldAddress(typed: string): string | null {
  const text = typed.trim()
  const path = URL.canParse(text) ? new URL(text).pathname : encodeURI(fitWords(text.startsWith('/') ? text : `/${text}`))
  return v.is(redirectPathSchema, path) ? path : null
}
