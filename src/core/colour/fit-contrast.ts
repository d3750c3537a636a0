import { contrastRatio, relativeLuminance } from './contrast-ratio'
import { fromOklch, toOklch } from './oklch'

/**
 * The colour nearest in lightness to `hex` that reaches `least` against `surface`; `hex` itself where it does.
 * Always found for ratios up to 4.58: black or white reaches that on every surface.
 */
export function fitContrast(hex: string, surface: string, least: number): string {
  if (contrastRatio(hex, surface) >= least) return hex
  const from = toOklch(hex)
  const candidates = [0, 1].map((end) => nearestToward(from, end, surface, least)).filter((c) => c !== null)
  const nearest = candidates.sort((a, b) => Math.abs(a.l - from.l) - Math.abs(b.l - from.l))[0]
  return nearest?.hex ?? (relativeLuminance(surface) > 0.179 ? '#000000' : '#ffffff')
}

/** The first lightness between `from` and black (0) or white (1) at which the ratio is reached, by halving. */
function nearestToward(from: { l: number; c: number; h: number }, end: number, surface: string, least: number): { hex: string; l: number } | null {
  const at = (l: number): { hex: string; l: number; passes: boolean } => {
    const hex = fromOklch({ ...from, l })
    return { hex, l, passes: contrastRatio(hex, surface) >= least }
  }
  let good = at(end)
  if (!good.passes) return null
  let fails = from.l
  for (let step = 0; step < 12; step++) {
    const middle = at((fails + good.l) / 2)
    if (middle.passes) good = middle
    else fails = middle.l
  }
  return good
}
