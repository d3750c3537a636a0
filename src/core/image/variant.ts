import type { Focus } from '../site'
import { cropToFocus, parseRatio, type Size } from './crop'

/** What is known of a picture: the client's or a template's. */
export type AssetInfo = Size & {
  readonly id: string
  /** SHA-256 of the file, hex. */
  readonly hash: string
  readonly name: string
  readonly bytes: number
  /** A drawing (SVG) is shipped as it is; a photo is cropped, resized and re-encoded. */
  readonly vector: boolean
  readonly alpha: boolean
  readonly focus: Focus
  /** How dark and light it is, part by part (see light-map); absent where that is not known. */
  readonly light?: string | undefined
}
export type AssetTable = Readonly<Record<string, AssetInfo>>

export type PictureFormat = 'webp' | 'jpg' | 'png' | 'svg'
/** One file made from a picture: a crop at a width in a format. */
export type PictureVariant = {
  readonly asset: string
  readonly ratio: string | null
  readonly focus: Focus
  readonly width: number
  readonly height: number
  readonly format: PictureFormat
}

/** No side of a WebP picture is longer (RFC 9649, 2.6: 14 bits). */
const LONGEST = 16_383

const WIDTHS = [400, 640, 800, 960, 1280, 1600, 2000]

/** How wide pictures are that our own screens show whole: in a cell, and where a logo is chosen. */
export type ThumbnailWidth = 240 | 400
const THUMBNAILS: readonly ThumbnailWidth[] = [240, 400]

/** Where a screen of ours finds a picture whole, no wider than asked. */
export function thumbnailUrl(asset: AssetInfo, width: ThumbnailWidth): string {
  return `/media/${encodeURIComponent(asset.id)}/whole/50-50/${Math.min(width, asset.width)}.${asset.vector ? 'svg' : 'webp'}`
}

/**
 * Whether a file of a picture is one that a page or a screen of ours can ask for. `frames` are those that designs give; of any other size,
 * nothing is made.
 */
export function isAskedFor(asset: AssetInfo, { ratio, focus, width, format }: PictureVariant, frames: ReadonlySet<string>): boolean {
  if (asset.vector) return format === 'svg' && ratio === null
  if (ratio !== null && !frames.has(ratio)) return false
  const { sources, fallback } = pictureVariants(asset, ratio, focus)
  const isOf = (one: PictureVariant): boolean => one.width === width && one.format === format
  if (sources.some(isOf) || isOf(fallback)) return true
  return ratio === null && format === 'webp' && THUMBNAILS.some((most) => Math.min(most, asset.width) === width)
}

/** The widths to make of a crop: the ladder up to the crop's own width, which closes it when it falls between two rungs. */
export function variantWidths(cropWidth: number): number[] {
  const rungs = WIDTHS.filter((w) => w <= cropWidth)
  const last = rungs.at(-1) ?? 0
  return last === 0 || (cropWidth > last * 1.15 && cropWidth < (WIDTHS.at(-1) ?? 0)) ? [...rungs, cropWidth] : rungs
}

/** All files to make of one picture in one frame: WebP at several widths, and one JPEG (PNG where it is see-through) for old browsers. */
export function pictureVariants(
  asset: AssetInfo,
  ratio: string | null,
  focus: Focus,
): { readonly sources: readonly PictureVariant[]; readonly fallback: PictureVariant } {
  const crop = cropToFocus(asset, parseRatio(ratio), focus)
  const make = (width: number, format: PictureFormat): PictureVariant => ({
    asset: asset.id,
    ratio,
    focus,
    width,
    height: Math.max(1, Math.round((width * crop.height) / crop.width)),
    format,
  })
  if (asset.vector) return { sources: [], fallback: { ...make(asset.width, 'svg'), ratio: null } }
  const widths = variantWidths(Math.max(1, Math.min(crop.width, Math.floor((LONGEST * crop.width) / crop.height))))
  const middle = widths.findLast((w) => w <= 960) ?? widths[0] ?? crop.width
  return { sources: widths.map((w) => make(w, 'webp')), fallback: make(middle, asset.alpha ? 'png' : 'jpg') }
}

/** The file name of a variant on the published site; its hash makes it safe to keep for ever in a cache. */
export function variantPath(asset: AssetInfo, variant: PictureVariant): string {
  const focus =
    variant.ratio === null
      ? ''
      : `-${variant.ratio.replace(/[:.]/g, 'x')}-${Math.round(variant.focus.x * 100)}-${Math.round(variant.focus.y * 100)}`
  const size = variant.format === 'svg' ? '' : `-${variant.width}`
  return `pictures/${asset.name}-${asset.hash.slice(0, 8)}${focus}${size}.${variant.format}`
}
