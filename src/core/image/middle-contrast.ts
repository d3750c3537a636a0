import { linearOf, luminanceRatio, relativeLuminance } from '../colour'
import type { Box } from './crop'
import type { Pixels } from './trim'

const DRAWN = 128

/** The contrast (WCAG, 1–21) that half of what is drawn in a part of a picture has with a ground, or more; 21 where nothing is drawn. */
export function middleContrast({ width, data }: Pixels, part: Box, ground: string): number {
  const under = relativeLuminance(ground)
  const found: number[] = []
  for (let y = part.top; y < part.top + part.height; y++)
    for (let x = part.left; x < part.left + part.width; x++) {
      const at = (y * width + x) * 4
      if ((data[at + 3] ?? 0) < DRAWN) continue
      const light = 0.2126 * linearOf(data[at] ?? 0) + 0.7152 * linearOf(data[at + 1] ?? 0) + 0.0722 * linearOf(data[at + 2] ?? 0)
      found.push(luminanceRatio(light, under))
    }
  return found.toSorted((a, b) => a - b)[Math.floor(found.length / 2)] ?? 21
}
