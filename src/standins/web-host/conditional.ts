/** Whether a visitor has what an entity tag names: `If-None-Match`, by weak comparison (RFC 9110, 13.1.2 and 8.8.3.2). */
export function hasAlready(ifNoneMatch: string | undefined, etag: string): boolean {
  if (ifNoneMatch === undefined) return false
  if (ifNoneMatch.trim() === '*') return true
  const opaque = (tag: string): string => tag.trim().replace(/^W\//, '')
  return ifNoneMatch.split(',').some((tag) => opaque(tag) === opaque(etag))
}

export type ByteRange = { readonly first: number; readonly last: number }

/**
 * The part of a file that is asked for, both ends included; null for the whole. A header that is not understood, or that
 * asks for several parts, is passed over (RFC 9110, 14.2); `outside` where the file ends before it begins (14.1.2).
 */
export function readRange(range: string | undefined, bytes: number): ByteRange | 'outside' | null {
  const [, from = '', to = ''] = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(range?.replaceAll(' ', '') ?? '') ?? []
  if (from === '' && to === '') return null
  if (from === '') return to === '0' || bytes === 0 ? 'outside' : { first: Math.max(0, bytes - Number(to)), last: bytes - 1 }
  const first = Number(from)
  if (to !== '' && Number(to) < first) return null
  if (first >= bytes) return 'outside'
  return { first, last: to === '' ? bytes - 1 : Math.min(Number(to), bytes - 1) }
}
