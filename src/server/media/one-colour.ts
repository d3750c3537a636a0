import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { drawingInOneColour, oneColourRow, printInOneColour, type AssetInfo } from '../../core/image'
import { Problem } from '../http/problems'
import { findAssetFile } from '../store/assets'
import { keepMade } from './keep-made'
import { readPixels } from './store-logo'

/** The longer side that a raster logo is printed at, in px: sharp at any size a header has. */
const PRINT_PX = 1200

/** The longer side at which a logo's shapes are told apart, in px: no larger than it is kept, so that their edges are not blurred. */
const LOOK_PX = 240

/** A version of a logo in one colour, kept as a picture of its own: an SVG stays a drawing, anything else becomes a transparent PNG. */
export async function makeOneColour(job: string | null, id: string, colour: string): Promise<AssetInfo> {
  const found = await findAssetFile(id)
  if (!found) throw new Problem('requestWrong', { fault: 'there is no such logo' })
  const { asset, file } = found
  const { data, info } = await sharp(file)
    .resize(PRINT_PX, PRINT_PX, { fit: 'inside', withoutEnlargement: !asset.vector })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const pixels = new Uint8ClampedArray(data)
  if (!hasGround(pixels)) throw new Problem('logoNotTransparent', { name: asset.name })
  const row = oneColourRow(await readPixels(file, LOOK_PX))
  if (!row) throw new Problem('logoMerges', { name: asset.name })
  const type = asset.vector ? 'svg' : 'png'
  const bytes = asset.vector
    ? Buffer.from(drawingInOneColour(readFileSync(file, 'utf8'), colour, row))
    : await sharp(Buffer.from(printInOneColour(pixels, colour, row)), { raw: { width: info.width, height: info.height, channels: 4 } })
        .png({ compressionLevel: 9 })
        .toBuffer()
  const size = asset.vector ? { width: asset.width, height: asset.height } : { width: info.width, height: info.height }
  return keepMade(job, { bytes, type, name: `${asset.name}-${colour.slice(1)}`, alpha: true, focus: asset.focus, ...size })
}

/** True where some of the picture is see-through: without a ground to leave out, one colour would be one flat box. */
function hasGround(pixels: Uint8ClampedArray): boolean {
  for (let i = 3; i < pixels.length; i += 4) if ((pixels[i] ?? 0) < 128) return true
  return false
}
