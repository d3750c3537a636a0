import { bytesOf, linearOf } from './srgb'

/**
 * WCAG relative luminance of a six-digit hex colour, 0–1. WCAG 2.2, “relative luminance”; threshold 0.04045, as
 * corrected there in 2021.
 */
export function relativeLuminance(hex: string): number {
  const bytes = bytesOf(hex)
  return 0.2126 * linearOf((bytes >> 16) & 255) + 0.7152 * linearOf((bytes >> 8) & 255) + 0.0722 * linearOf(bytes & 255)
}

/** WCAG contrast of two opaque hex colours, 1–21; order does not matter. */
export function contrastRatio(a: string, b: string): number {
  return luminanceRatio(relativeLuminance(a), relativeLuminance(b))
}

/** The same of two relative luminances. */
export function luminanceRatio(a: number, b: number): number {
  return a > b ? (a + 0.05) / (b + 0.05) : (b + 0.05) / (a + 0.05)
}

/** True of a surface on which white is read better than black: WCAG's two contrasts are equal at a relative luminance of 0.179. */
export function isDark(hex: string): boolean {
  return relativeLuminance(hex) < 0.179
}
