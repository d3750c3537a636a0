import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import PQueue from 'p-queue'
import sharp from 'sharp'
import { cropToFocus, parseRatio, variantPath, type PictureVariant } from '../../core/image'
import { dataFolder } from '../data-folder'
import { kept } from '../kept'
import { findAssetFile } from './assets'

const queue = (): PQueue => kept('variant-queue', () => new PQueue({ concurrency: 2 }))

/** The bytes of one picture file: cropped to its frame, resized, re-encoded; made once and kept. Null for an unknown picture. */
export async function makeVariant(variant: PictureVariant): Promise<Buffer | null> {
  const found = await findAssetFile(variant.asset)
  if (!found) return null
  if (variant.format === 'svg') return readFileSync(found.file)
  const kept = dataFolder('variants', variantPath(found.asset, variant))
  if (existsSync(kept)) return readFileSync(kept)
  const bytes = await queue().add(() => encode(found.file, found.asset, variant))
  mkdirSync(path.dirname(kept), { recursive: true })
  const part = `${kept}.${randomUUID()}.part`
  writeFileSync(part, bytes)
  renameSync(part, kept)
  return bytes
}

async function encode(file: string, asset: { width: number; height: number }, variant: PictureVariant): Promise<Buffer> {
  const crop = cropToFocus(asset, parseRatio(variant.ratio), variant.focus)
  const image = sharp(file).extract(crop).resize(variant.width, variant.height, { fit: 'fill' })
  if (variant.format === 'webp') return image.webp({ quality: 76, effort: 4 }).toBuffer()
  if (variant.format === 'png') return image.png({ compressionLevel: 9, palette: true }).toBuffer()
  return image.flatten({ background: '#ffffff' }).jpeg({ quality: 78, mozjpeg: true }).toBuffer()
}
