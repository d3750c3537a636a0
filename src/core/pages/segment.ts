import slugify from '@sindresorhus/slugify'

const LONGEST = 80

/**
 * Words as a part of an address, in any script: `Über uns` → `ueber-uns`. What is longer than `most` characters ends at a word. Empty
 * where nothing can be spelt.
 */
export function toSegment(words: string, most = LONGEST): string {
  const whole = slugify(words)
  if (whole.length <= most) return whole
  const cut = whole.slice(0, most)
  const end = whole[most] === '-' ? cut.length : cut.lastIndexOf('-')
  return end > 0 ? cut.slice(0, end) : cut
}
