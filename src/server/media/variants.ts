import PQueue from 'p-queue'
import sharp from 'sharp'
import { cropToFocus, parseRatio, variantPath, type PictureVariant } from '../../core/image'
import { kept } from '../files/kept'
import { madeOnce } from '../files/made'
import { Problem } from '../problems'
import { findAsset, readAsset } from '../store/assets'

const queue = (): PQueue => kept('variant-queue', () => new PQueue({ concurrency: 2 }))

/** The bytes of one picture file: cropped to its frame, resized, re-encoded; made once and kept. Null for an unknown picture. */
export async function makeVariant(variant: PictureVariant): Promise<Buffer | null> {
  const asset = findAsset(variant.asset)
  if (!asset) return null
  const read = async (): Promise<Buffer> => {
    const found = readAsset(asset.id)
    if (!found) throw new Problem('pictureLost', { name: asset.name })
    return found.bytes
  }
  if (variant.format === 'svg') return read()
  return madeOnce('variants', variantPath(asset, variant), () => queue().add(async () => encode(await read(), asset, variant)))
}

async function encode(bytes: Buffer, asset: { width: number; height: number }, variant: PictureVariant): Promise<Buffer> {
  const crop = cropToFocus(asset, parseRatio(variant.ratio), variant.focus)
  const image = sharp(bytes).extract(crop).resize(variant.width, variant.height, { fit: 'fill' })
  if (variant.format === 'webp') return image.webp({ quality: 76, effort: 4 }).toBuffer()
  if (variant.format === 'png') return image.png({ compressionLevel: 9, palette: true }).toBuffer()
  return image.flatten({ background: '#ffffff' }).jpeg({ quality: 78, mozjpeg: true }).toBuffer()
}
