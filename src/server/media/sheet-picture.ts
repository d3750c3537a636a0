import { cropToFocus, isAskedFor, parseRatio, type PictureFormat, type PictureVariant } from '../../core/image'
import { framesOf, type Pack } from '../../core/pack'
import { memoOf } from '../../core/memo'
import { CARD_RATIO } from '../../core/render'
import { ALTERATIONS } from '../../core/site'
import { pack } from '../packs/packs'
import { findAsset } from '../store/assets'
import { makeVariant } from './variants'

const TYPES: Record<PictureFormat, string> = { webp: 'image/webp', jpg: 'image/jpeg', png: 'image/png', svg: 'image/svg+xml' }

/**
 * The picture that an address on a sheet names, as the renderer writes them: asset, frame, focus, `width.format`. Null for whatever no page
 * of ours can ask for: of other sizes and frames nothing is made.
 */
export async function readSheetPicture(parts: readonly string[]): Promise<{ readonly bytes: Buffer; readonly type: string } | null> {
  const [asset, frame, focus, file] = [decoded(parts[0] ?? ''), parts[1] ?? '', parts[2] ?? '', parts[3] ?? '']
  const [, x, y] = /^(\d{1,3})-(\d{1,3})$/.exec(focus) ?? []
  const [, width, format] = /^(\d{1,5})\.(webp|jpg|png|svg)$/.exec(file) ?? []
  const found = findAsset(asset)
  if (!found || !width || !format || Number(x ?? 101) > 100 || Number(y ?? 101) > 100) return null
  const ratio = frame === 'whole' ? null : frame.replace('x', ':')
  const at = { x: Number(x) / 100, y: Number(y) / 100 }
  const crop = cropToFocus(found, parseRatio(ratio), at)
  const height = Math.max(1, Math.round((Number(width) * crop.height) / crop.width))
  const variant: PictureVariant = { asset, ratio, focus: at, width: Number(width), format: format as PictureFormat, height }
  if (!isAskedFor(found, variant, framesIn(pack()))) return null
  const bytes = await makeVariant(variant)
  return bytes && { bytes, type: TYPES[variant.format] }
}

/** The frames that any design gives its pictures, those that they can be altered to, and that of a shared page. */
const framesIn = memoOf(
  ({ designs }: Pack): ReadonlySet<string> => new Set([...Object.values(designs).flatMap(framesOf), ...ALTERATIONS.frame, CARD_RATIO]),
)

/** A part of an address as it was before it was written there; one that cannot be read names nothing. */
function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return ''
  }
}
