import { fitWords } from '../../site'

/** Text between tags. */
export function escapeText(text: string): string {
  return fitWords(text).replace(/[&<>]/g, (c) => (c === '&' ? '&amp;' : c === '<' ? '&lt;' : '&gt;'))
}

/** An attribute's value in double quotes. */
export function escapeAttribute(text: string): string {
  return fitWords(text).replace(/[&<>"]/g, (c) => (c === '&' ? '&amp;' : c === '<' ? '&lt;' : c === '>' ? '&gt;' : '&quot;'))
}

export function attribute(name: string, value: string): string {
  return ` ${name}="${escapeAttribute(value)}"`
}

/** JSON inside a script element: nothing in it can end the element. */
export function escapeJsonScript(value: unknown): string {
  return fitWords(JSON.stringify(value)).replace(/[<>&\u2028\u2029]/g, (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`)
}
