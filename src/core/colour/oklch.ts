import { clampChroma, converter, formatHex } from 'culori'

/** Lightness 0–1, chroma from 0 (about 0.37 at most in sRGB), hue in degrees. */
export type Oklch = { readonly l: number; readonly c: number; readonly h: number }

const convert = converter('oklch')
const toRgb = converter('rgb')

export function toOklch(hex: string): Oklch {
  const { l, c, h } = convert(hex) ?? { l: 0, c: 0, h: 0 }
  return { l, c, h: h ?? 0 }
}

/** The sRGB colour as hex; where the chroma cannot be shown at that lightness it is lowered, the hue stays. */
export function fromOklch({ l, c, h }: Oklch): string {
  const colour = { mode: 'oklch', l: Math.min(1, Math.max(0, l)), c, h } as const
  const { r, g, b } = toRgb(colour)
  // Colours on the edge of sRGB come back a hair outside it; clamping their chroma would move a pure blue visibly.
  const isInside = [r, g, b].every((channel) => channel > -0.001 && channel < 1.001)
  return formatHex(isInside ? colour : clampChroma(colour, 'oklch'))
}

/** A share of the way from one colour to another, in OKLCH lightness and chroma; the hue is the first one's. */
export function mixToward(from: string, to: string, share: number): string {
  const [a, b] = [toOklch(from), toOklch(to)]
  return fromOklch({ l: a.l + (b.l - a.l) * share, c: a.c + (b.c - a.c) * share, h: a.c > 0.005 ? a.h : b.h })
}
