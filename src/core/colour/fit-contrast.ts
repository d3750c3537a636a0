import { isDark, luminanceRatio, relativeLuminance } from './contrast-ratio'
import { fromOklch, linearOfOklch, toOklch, type Oklch } from './oklch'

/**
 * The colour nearest in lightness to `hex` that reaches `least` against `surface`; `hex` itself where it does.
 * Always found for ratios up to 4.58: black or white reaches that on every surface.
 */
export function fitContrast(hex: string, surface: string, least: number): string {
  const ground = relativeLuminance(surface)
  if (luminanceRatio(relativeLuminance(hex), ground) >= least) return hex
  const from = toOklch(hex)
  const [lighter, darker] = [least * (ground + 0.05) - 0.05, (ground + 0.05) / least - 0.05]
  const up = lighter <= 1 ? nearestToward(from, 1, lighter, ground, least) : null
  const down = darker >= 0 ? nearestToward(from, 0, darker, ground, least) : null
  if (up && down) return up.l - from.l <= from.l - down.l ? up.hex : down.hex
  return (up ?? down)?.hex ?? (isDark(surface) ? '#ffffff' : '#000000')
}

/** So far apart lie two lightnesses that make different bytes, and so far a rounded colour may fall short of its ratio. */
const STEP = 0.0015

/**
 * The first lightness from `from` towards black (0) or white (1) whose colour has the wanted luminance. The cube root of
 * luminance is almost linear in lightness, so a few secant steps come within a byte of it; whole steps do the rest.
 */
function nearestToward(from: Oklch, end: 0 | 1, wanted: number, ground: number, least: number): { hex: string; l: number } | null {
  const sign = end === 1 ? 1 : -1
  const root = Math.cbrt(Math.max(0, wanted))
  let [near, far] = [
    { l: from.l, y: rootLuminance(from, from.l) },
    { l: end as number, y: end as number },
  ]
  let l = from.l
  for (let step = 0; step < 3 && Math.abs(far.y - near.y) > 1e-9; step++) {
    l = near.l + ((root - near.y) / (far.y - near.y)) * (far.l - near.l)
    const tried = { l, y: rootLuminance(from, l) }
    if ((tried.y - root) * sign < 0) near = tried
    else far = tried
  }
  for (let tried = l - sign * STEP; tried > -STEP && tried < 1 + STEP; tried += sign * STEP) {
    if ((tried - from.l) * sign < 0) continue
    const hex = fromOklch({ l: tried, c: from.c, h: from.h })
    if (luminanceRatio(relativeLuminance(hex), ground) >= least) return { hex, l: tried }
  }
  const last = end === 1 ? '#ffffff' : '#000000'
  return luminanceRatio(end, ground) >= least ? { hex: last, l: end } : null
}

function rootLuminance(from: Oklch, l: number): number {
  const rgb = linearOfOklch({ l, c: from.c, h: from.h })
  return Math.cbrt(Math.max(0, 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2]))
}
