import slugify from '@sindresorhus/slugify'
import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import type { AssetInfo } from '../../core/image'
import type { Focus } from '../../core/site'
import { keepMedia } from '../files/media-file'
import { Problem } from '../http/problems'
import { insertAsset } from '../store/assets'
import { cleanSvg } from './clean-svg'
import { readLightMap } from './light-map'

export const MAX_UPLOAD_BYTES = 40 * 1024 * 1024
/** In millions. A picture may claim far more than its file's size suggests; nothing is decoded before this is checked. */
export const MAX_MEGAPIXELS = 120
const PHOTO_TYPES: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'image/avif': 'avif',
  'image/gif': 'gif',
}
const ADVICE: Readonly<Record<string, string>> = {
  'application/pdf': 'Open the PDF, export the logo alone as SVG or PNG, and choose that.',
  'image/heic': 'On the phone, share it as JPEG (“most compatible”), or export it as JPEG.',
  'image/heif': 'On the phone, share it as JPEG (“most compatible”), or export it as JPEG.',
  'image/tiff': 'Export it as JPEG.',
}

/** Checks a file by what is in it, not by its name; keeps it upright and clean under its hash, and notes what is known of it. */
export async function storeUpload(job: string | null, name: string, bytes: Buffer): Promise<AssetInfo> {
  const shown = name.slice(0, 80) || 'the file'
  if (bytes.length === 0) throw new Problem('fileEmpty', { name: shown })
  if (bytes.length > MAX_UPLOAD_BYTES)
    throw new Problem('fileTooLarge', { name: shown, size: Math.round(bytes.length / 1024 / 1024), limit: MAX_UPLOAD_BYTES / 1024 / 1024 })
  const prepared = isSvg(bytes) ? prepareDrawing(shown, bytes) : await preparePhoto(shown, bytes)
  const { hash } = keepMedia(prepared.bytes, (h) => `${h}.${prepared.type}`)
  const asset: AssetInfo = {
    id: hash.slice(0, 20),
    hash,
    name: slugify(name.replace(/\.\w+$/, '')).slice(0, 40) || 'picture',
    bytes: prepared.bytes.length,
    vector: prepared.type === 'svg',
    alpha: prepared.alpha,
    width: prepared.width,
    height: prepared.height,
    focus: prepared.focus,
    ...(prepared.type === 'svg' ? {} : { light: await readLightMap(prepared.bytes) }),
  }
  insertAsset(job, asset, prepared.type)
  return asset
}

type Prepared = { bytes: Buffer; type: string; width: number; height: number; alpha: boolean; focus: Focus }

/** What may stand before the root element of a drawing (XML 1.0, 2.8): a declaration, comments, a document type. */
const COMMENTS = /(?:<!--[\s\S]*?-->\s*)*/.source
const SVG_START = new RegExp(
  `^(?:\\uFEFF)?\\s*(?:<\\?xml[^>]*>\\s*)?${COMMENTS}(?:<!DOCTYPE[^>]*(?:\\[[\\s\\S]*?\\])?[^>]*>\\s*)?${COMMENTS}<svg[\\s>]`,
  'i',
)

function isSvg(bytes: Buffer): boolean {
  return SVG_START.test(bytes.toString('utf8', 0, 4000))
}

function prepareDrawing(name: string, bytes: Buffer): Prepared {
  const clean = cleanSvg(bytes.toString('utf8'))
  if (!clean.ok) throw new Problem('drawingUnsafe', { name, fault: clean.fault })
  return { bytes: Buffer.from(clean.svg), type: 'svg', width: clean.width, height: clean.height, alpha: true, focus: { x: 0.5, y: 0.5 } }
}

async function preparePhoto(name: string, bytes: Buffer): Promise<Prepared> {
  const found = await fileTypeFromBuffer(bytes)
  const type = found ? PHOTO_TYPES[found.mime] : undefined
  if (!type)
    throw new Problem('fileType', {
      name,
      found: found ? `a ${found.ext.toUpperCase()} file` : 'of a kind that is not known',
      advice: ADVICE[found?.mime ?? ''] ?? '',
    })
  const damaged = (error: unknown): never => {
    throw new Problem('fileDamaged', { name, fault: faultOf(error) }, { cause: error })
  }
  const about = await sharp(bytes, { limitInputPixels: false }).metadata().catch(damaged)
  if (about.width * about.height > MAX_MEGAPIXELS * 1e6)
    throw new Problem('pictureTooManyPixels', { name, width: about.width, height: about.height, limit: MAX_MEGAPIXELS })
  const options = { failOn: 'truncated', limitInputPixels: MAX_MEGAPIXELS * 1e6 } as const
  // Decoding it once, small, proves that the whole file can be read, and gives the part of it that draws the eye.
  const small = await sharp(bytes, options)
    .autoOrient()
    .resize(400, 400, { fit: 'inside' })
    .removeAlpha()
    .toBuffer({ resolveWithObject: true })
    .catch(damaged)
  const turned = (about.orientation ?? 1) > 1
  const upright = turned
    ? await sharp(bytes, options)
        .autoOrient()
        .toFormat(type === 'jpg' ? 'jpeg' : (type as 'png'), { quality: 92 })
        .toBuffer()
    : bytes
  const [width, height] = (about.orientation ?? 1) >= 5 ? [about.height, about.width] : [about.width, about.height]
  return { bytes: upright, type, width, height, alpha: about.hasAlpha, focus: await proposeFocus(small.data, small.info) }
}

/** The centre of the part that draws the eye, by sharp's attention strategy; across the longer side only. */
async function proposeFocus(small: Buffer, size: { width: number; height: number }): Promise<Focus> {
  const side = Math.min(size.width, size.height)
  const { info } = await sharp(small)
    .resize(side, side, { fit: 'cover', position: sharp.strategy.attention })
    .toBuffer({ resolveWithObject: true })
  const along = (offset: number | undefined, length: number): number =>
    Math.round((length === side ? 0.5 : (Math.abs(offset ?? 0) + side / 2) / length) * 100) / 100
  return { x: along(info.cropOffsetLeft, size.width), y: along(info.cropOffsetTop, size.height) }
}

function faultOf(error: unknown): string {
  const words = error instanceof Error ? error.message : String(error)
  return /premature|truncat|end of|unexpected end/i.test(words) ? 'it ends too early' : 'its contents cannot be read'
}
