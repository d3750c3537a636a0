/** The most that a drawing may be: more than any logo, less than what holds a browser up. */
export const MOST_SVG_BYTES = 4 * 1024 * 1024
const MOST_ELEMENTS = 12_000
const MOST_DEPTH = 200

/**
 * Why a drawing is too much to be read; null where it is not. Counted in one pass over the text, before anything is parsed:
 * tags that open and do not close count as depth, so it is never less than the parser's.
 */
export function tooMuch(source: string): string | null {
  let elements = 0
  let depth = 0
  for (let at = source.indexOf('<'); at >= 0; at = source.indexOf('<', at + 1)) {
    const next = source.charCodeAt(at + 1)
    if (next === 0x2f) depth--
    else if (isLetter(next)) {
      elements++
      const end = source.indexOf('>', at)
      if (end < 0 || source.charCodeAt(end - 1) !== 0x2f) depth++
    }
    if (elements > MOST_ELEMENTS) return `it holds more than ${MOST_ELEMENTS} shapes`
    if (depth > MOST_DEPTH) return `its groups lie more than ${MOST_DEPTH} deep`
  }
  return null
}

function isLetter(code: number): boolean {
  return (code >= 0x41 && code <= 0x5a) || (code >= 0x61 && code <= 0x7a)
}

/** Whether a file is a drawing: what stands first in it, past declarations, comments and a document type (XML 1.0, 2.8), is `<svg`. */
export function isSvg(bytes: Uint8Array): boolean {
  const start = Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(bytes.length, 64 * 1024)).toString('utf8')
  let at = skipSpace(start, start.charCodeAt(0) === 0xfeff ? 1 : 0)
  for (;;) {
    const past = pastProlog(start, at)
    if (past === null) break
    at = skipSpace(start, past)
  }
  return start.slice(at, at + 4).toLowerCase() === '<svg' && /^[\s>/]/.test(start.slice(at + 4, at + 5))
}

function skipSpace(text: string, from: number): number {
  let at = from
  while (' \t\r\n\f'.includes(text.charAt(at)) && at < text.length) at++
  return at
}

/** Where a declaration, comment or document type that begins here ends; null where none does. */
function pastProlog(text: string, at: number): number | null {
  const after = (end: string): number | null => {
    const found = text.indexOf(end, at)
    return found < 0 ? null : found + end.length
  }
  if (text.startsWith('<?', at)) return after('?>')
  if (text.startsWith('<!--', at)) return after('-->')
  if (text.slice(at, at + 9).toUpperCase() !== '<!DOCTYPE') return null
  const [bracket, end] = [text.indexOf('[', at), text.indexOf('>', at)]
  if (bracket < 0 || (end >= 0 && end < bracket)) return end < 0 ? null : end + 1
  const close = text.indexOf(']', bracket)
  const last = close < 0 ? -1 : text.indexOf('>', close)
  return last < 0 ? null : last + 1
}
