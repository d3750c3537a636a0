import { bytesOf, hexOfLinear, linearOf } from './srgb'

/** Lightness 0–1, chroma from 0 (about 0.37 at most in sRGB), hue in degrees. */
export type Oklch = { readonly l: number; readonly c: number; readonly h: number }
export type LinearRgb = readonly [red: number, green: number, blue: number]

// Matrices of OKLab as its author gives them, for linear sRGB (bottosson.github.io/posts/oklab; CSS Color 4 follows it).
export function toOklch(hex: string): Oklch {
  const bytes = bytesOf(hex)
  const r = linearOf((bytes >> 16) & 255)
  const g = linearOf((bytes >> 8) & 255)
  const b = linearOf(bytes & 255)
  const l = Math.cbrt(0.4122214694707629 * r + 0.5363325372617349 * g + 0.0514459932675022 * b)
  const m = Math.cbrt(0.2119034958178251 * r + 0.6806995506452345 * g + 0.1073969535369405 * b)
  const s = Math.cbrt(0.0883024591900564 * r + 0.2817188391361215 * g + 0.6299787016738222 * b)
  const a = 1.9779985324311684 * l - 2.4285922420485799 * m + 0.450593709617411 * s
  const bb = 0.0259040424655478 * l + 0.7827717124575296 * m - 0.8086757549230774 * s
  const c = Math.hypot(a, bb)
  // A grey's hue is noise of the last digits; it has none.
  return {
    l: 0.210454268309314 * l + 0.7936177747023054 * m - 0.0040720430116193 * s,
    c,
    h: c < 1e-6 ? 0 : ((Math.atan2(bb, a) * 180) / Math.PI + 360) % 360,
  }
}

function toLinear(lightness: number, a: number, b: number): LinearRgb {
  const rootL = lightness + 0.3963377773761749 * a + 0.2158037573099136 * b
  const rootM = lightness - 0.1055613458156586 * a - 0.0638541728258133 * b
  const rootS = lightness - 0.0894841775298119 * a - 1.2914855480194092 * b
  // A product is many times faster than a power, and this runs some thousand times for a scheme.
  const l = rootL * rootL * rootL
  const m = rootM * rootM * rootM
  const s = rootS * rootS * rootS
  return [
    4.0767416360759574 * l - 3.3077115392580616 * m + 0.2309699031821044 * s,
    -1.2684379732850317 * l + 2.6097573492876887 * m - 0.3413193760026573 * s,
    -0.0041960761386756 * l - 0.7034186179359362 * m + 1.7076146940746117 * s,
  ]
}

/** Colours on the edge of sRGB come back a hair outside it; to lower their chroma would move a pure blue visibly. */
const HAIR = 0.001
const isLight = (value: number): boolean => value > -HAIR && value < 1 + HAIR
const isInside = (rgb: LinearRgb): boolean => isLight(rgb[0]) && isLight(rgb[1]) && isLight(rgb[2])

/** Linear sRGB of a colour; where the chroma cannot be shown at that lightness it is lowered, lightness and hue stay. */
export function linearOfOklch({ l, c, h }: Oklch): LinearRgb {
  const lightness = Math.min(1, Math.max(0, l))
  const cos = Math.cos((h * Math.PI) / 180)
  const sin = Math.sin((h * Math.PI) / 180)
  const whole = toLinear(lightness, c * cos, c * sin)
  if (isInside(whole)) return whole
  let low = 0
  let high = c
  let found = toLinear(lightness, 0, 0)
  for (let step = 0; step < 10; step++) {
    const middle = (low + high) / 2
    const tried = toLinear(lightness, middle * cos, middle * sin)
    if (isInside(tried)) {
      low = middle
      found = tried
    } else high = middle
  }
  return found
}

/** The sRGB colour as hex; where the chroma cannot be shown at that lightness it is lowered, the hue stays. */
export function fromOklch(colour: Oklch): string {
  const rgb = linearOfOklch(colour)
  return hexOfLinear(rgb[0], rgb[1], rgb[2])
}

/** A share of the way from one colour to another, in OKLCH lightness and chroma; the hue is the first one's. */
export function mixToward(from: string, to: string, share: number): string {
  return mixOklch(toOklch(from), toOklch(to), share)
}

/** The same of colours that are in OKLCH already. */
export function mixOklch(a: Oklch, b: Oklch, share: number): string {
  return fromOklch({ l: a.l + (b.l - a.l) * share, c: a.c + (b.c - a.c) * share, h: a.c > 0.005 ? a.h : b.h })
}

/** The distance of two colours in OKLab; black and white are 1 apart. */
export function colourDistance(a: string, b: string): number {
  const [p, q] = [toOklch(a), toOklch(b)].map(({ l, c, h }) => [l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)])
  return Math.hypot(...(p ?? []).map((value, i) => value - (q?.[i] ?? 0)))
}

/** Two colours nearer than this are hard to tell apart side by side (from memory: about 0.02 is just noticeable). */
export const ALIKE = 0.05
