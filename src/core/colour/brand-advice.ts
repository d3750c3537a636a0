import { contrastRatio } from './contrast-ratio'
import { makeScheme, type BrandColours, type SchemeSpec } from './make-scheme'
import { toOklch } from './oklch'

/** Distance in OKLab; two colours nearer than this are hard to tell apart side by side (from memory: about 0.02 is just noticeable). */
const ALIKE = 0.05

export function colourDistance(a: string, b: string): number {
  const [p, q] = [toOklch(a), toOklch(b)].map(({ l, c, h }) => [l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)])
  return Math.hypot(...(p ?? []).map((value, i) => value - (q?.[i] ?? 0)))
}

/** What is worth saying of the client's colours: which are hardly apart, and where the first had to be moved to be read. */
export function adviseBrand(spec: SchemeSpec, brand: BrandColours): readonly string[] {
  const given = [brand.colour, brand.second, brand.third].filter((c) => c !== undefined)
  const alike = given.some((a, i) => given.slice(i + 1).some((b) => colourDistance(a, b) < ALIKE))
  const { paper } = makeScheme(spec, brand)
  const moved = brand.colour !== undefined && paper.link !== brand.colour
  return [
    ...(moved ? [`On paper it reaches ${contrastRatio(brand.colour ?? '', paper.surface).toFixed(1)}:1, and text needs 4.5:1; links use ${paper.link} there. Buttons and the accent tone ${paper.button === brand.colour ? 'use it as it is' : `use ${paper.button}`}.`] : []),
    ...(alike ? ['Two of these colours are hardly apart; a visitor will take them for one.'] : []),
  ]
}
