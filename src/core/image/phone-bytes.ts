import { pictureVariants, type AssetInfo } from './variant'

/** A phone's screen is about 390 CSS px wide at 2 device pixels each; the next rung of picture widths is 800. */
const PHONE_PICTURE = 800
/** The share of their size that style and words compress to. Common practice, no source. */
export const COMPRESSED = 1 / 3

/**
 * About what a picture weighs on a phone, in bytes: it is taken to need as many for each pixel as its original does, and WebP about
 * seven tenths of that (common practice, no source). A drawing travels whole.
 */
export function phoneBytes(asset: AssetInfo, ratio: string | null): number {
  if (asset.vector) return asset.bytes
  const { sources, fallback } = pictureVariants(asset, ratio, asset.focus)
  const shown = sources.find((s) => s.width >= PHONE_PICTURE) ?? sources.at(-1) ?? fallback
  return asset.bytes * ((shown.width * shown.height) / (asset.width * asset.height)) * 0.7
}
