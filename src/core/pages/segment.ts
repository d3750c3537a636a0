import slugify from '@sindresorhus/slugify'

const LONGEST = 80

/** The last part of an address from what a page is called, in any script: `Über uns` → `ueber-uns`. Empty where nothing can be spelt. */
export function toSegment(name: string): string {
  const whole = slugify(name)
  if (whole.length <= LONGEST) return whole
  const cut = whole.slice(0, LONGEST)
  return whole[LONGEST] === '-' ? cut : cut.replace(/-[^-]*$/, '')
}
