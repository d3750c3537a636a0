import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import type { Focus } from '../../core/site'
import { Problem } from '../problems'
import { readLightMap } from '../media/light-map'
import { cleanSvg } from './clean-svg'
import { MAX_MEGAPIXELS } from './pixels'
import { isSvg } from './svg-limits'

/** A picture as it is to be kept: upright and clean, with what is known of it. Width and height in px, a drawing's in its own units. */
export type ReadPicture = {
  readonly bytes: Uint8Array
  readonly type: 'jpg' | 'png' | 'webp' | 'avif' | 'gif' | 'svg'
  readonly width: number
  readonly height: number
  readonly alpha: boolean
  readonly focus: Focus
  readonly light?: string
}

const PHOTO_TYPES = new Map<string, Exclude<ReadPicture['type'], 'svg'>>([
  ['image/jpeg', 'jpg'],
  ['image/png', 'png'],
  ['image/webp', 'webp'],
  ['image/avif', 'avif'],
  ['image/gif', 'gif'],
])
const ADVICE = new Map([
  ['application/pdf', 'Open the PDF, export the logo alone as SVG or PNG, and choose that.'],
  ['image/heic', 'On the phone, share it as JPEG (“most compatible”), or export it as JPEG.'],
  ['image/heif', 'On the phone, share it as JPEG (“most compatible”), or export it as JPEG.'],
  ['image/tiff', 'Export it as JPEG.'],
])

/** Reads a picture by what is in it, not by its name. */
export async function readPicture(name: string, sent: { readonly bytes: Uint8Array }): Promise<ReadPicture> {
  const bytes = Buffer.from(sent.bytes)
  return isSvg(bytes) ? readDrawing(name, bytes) : readPhoto(name, bytes)
}

function readDrawing(name: string, bytes: Buffer): ReadPicture {
  const clean = cleanSvg(bytes.toString('utf8'))
  if (!clean.ok) throw new Problem('drawingUnsafe', { name, fault: clean.fault })
  return { bytes: Buffer.from(clean.svg), type: 'svg', width: clean.width, height: clean.height, alpha: true, focus: { x: 0.5, y: 0.5 } }
}

async function readPhoto(name: string, bytes: Buffer): Promise<ReadPicture> {
  const found = await fileTypeFromBuffer(bytes)
  const type = PHOTO_TYPES.get(found?.mime ?? '')
  if (!type)
    throw new Problem('fileType', {
      name,
      found: found ? `a ${found.ext.toUpperCase()} file` : 'of a kind that is not known',
      advice: ADVICE.get(found?.mime ?? '') ?? '',
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
        .toFormat(type === 'jpg' ? 'jpeg' : type, { quality: 92 })
        .toBuffer()
        .catch(damaged)
    : bytes
  const [width, height] = (about.orientation ?? 1) >= 5 ? [about.height, about.width] : [about.width, about.height]
  const light = await readLightMap(upright).catch(damaged)
  return { bytes: upright, type, width, height, alpha: about.hasAlpha, focus: await proposeFocus(small.data, small.info), light }
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
