import type { PictureFormat, PictureVariant } from '../../core/image'
import { cropToFocus, parseRatio } from '../../core/image'
import { findAsset } from '../store/assets'
import { makeVariant } from './variants'

const TYPES: Record<PictureFormat, string> = { webp: 'image/webp', jpg: 'image/jpeg', png: 'image/png', svg: 'image/svg+xml' }

/** The picture that an address on a sheet names, as the renderer writes them: asset, frame, focus, `width.format`. */
export async function readSheetPicture(parts: readonly string[]): Promise<{ readonly bytes: Buffer; readonly type: string } | null> {
  const [asset, frame, focus, file] = [decodeURIComponent(parts[0] ?? ''), parts[1] ?? '', parts[2] ?? '', parts[3] ?? '']
  const [, x, y] = /^(\d{1,3})-(\d{1,3})$/.exec(focus) ?? []
  const [, width, format] = /^(\d{1,4})\.(webp|jpg|png|svg)$/.exec(file) ?? []
  const found = await findAsset(asset)
  if (!found || !width || !format || x === undefined || y === undefined) return null
  const ratio = frame === 'whole' ? null : frame.replace('x', ':')
  const at = { x: Math.min(1, Number(x) / 100), y: Math.min(1, Number(y) / 100) }
  const crop = cropToFocus(found, parseRatio(ratio), at)
  const variant: PictureVariant = {
    asset,
    ratio,
    focus: at,
    width: Math.min(Number(width), crop.width),
    format: format as PictureFormat,
    height: Math.max(1, Math.round((Math.min(Number(width), crop.width) * crop.height) / crop.width)),
  }
  const bytes = await makeVariant(variant)
  return bytes && { bytes, type: TYPES[variant.format] }
}
