import sharp, { type Sharp } from 'sharp'
import type { Pixels } from '../../core/image'
import { isSvg } from './svg-limits'

/** In millions. A picture may claim far more than its file's size suggests; nothing is decoded before this is checked. */
export const MAX_MEGAPIXELS = 120

/** A picture opened so that its longer side has about as many px as asked for, a drawing drawn at that size. */
export function openPicture(bytes: Uint8Array, longestPx: number): Sharp {
  const options = { limitInputPixels: MAX_MEGAPIXELS * 1e6 }
  return isSvg(bytes) ? sharp(Buffer.from(sized(Buffer.from(bytes).toString('utf8'), longestPx)), options) : sharp(bytes, options)
}

/** A picture's pixels at a size good enough to judge it by. */
export async function readPixels(_: string, { bytes, longestPx }: { bytes: Uint8Array; longestPx: number }): Promise<Pixels> {
  const { data, info } = await openPicture(bytes, longestPx)
    .resize(longestPx, longestPx, { fit: 'inside' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

/** A drawing with the size it is to be drawn at, whatever its own units make of it. */
function sized(svg: string, longestPx: number): string {
  const box = viewBox(svg)
  if (!box) return svg
  const scale = longestPx / Math.max(box.width, box.height)
  const px = (length: number): string => String(Math.max(1, Math.round(length * scale)))
  return svg.replace('<svg', `<svg width="${px(box.width)}" height="${px(box.height)}"`)
}

export type ViewBox = { readonly left: number; readonly top: number; readonly width: number; readonly height: number }

/** The view box of a drawing that was made clean: its numbers as its first tag has them. */
export function viewBox(svg: string): ViewBox | null {
  const [, numbers = ''] = /viewBox="([^"]{1,200})"/.exec(svg.slice(0, 4000)) ?? []
  const [left, top, width, height] = numbers
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  if (left === undefined || top === undefined || width === undefined || height === undefined) return null
  return [left, top, width, height].every(Number.isFinite) && width > 0 && height > 0 ? { left, top, width, height } : null
}
