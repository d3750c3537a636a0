import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { marginShare, trimBox, type AssetInfo, type Pixels } from '../../core/image'
import { findAssetFile } from '../store/assets'
import { keepMade } from './keep-made'
import { storeUpload } from './store-upload'

/** A logo as it was kept, ready for use, and what was done to it or is worth knowing of it. */
export type StoredLogo = { readonly asset: AssetInfo; readonly notes: readonly string[] }

/** The longer side that a logo is looked at with, in px. */
const LOOK_PX = 1000
/** Margins smaller than this share of the area are left alone. */
const LEAST_MARGIN = 0.04

/** Keeps a logo that was sent, without its empty margins; the file as it was sent is kept too. */
export async function storeLogo(job: string | null, name: string, bytes: Buffer): Promise<StoredLogo> {
  const sent = await storeUpload(job, name, bytes)
  const found = await findAssetFile(sent.id)
  if (!found) throw new Error(`The logo ${sent.id} was kept and is not there`)
  const notes = sent.vector ? drawingNotes(readFileSync(found.file, 'utf8')) : await motionNotes(bytes)
  const trimmed = await trim(job, sent, found.file)
  return trimmed
    ? { asset: trimmed.asset, notes: [`Its empty margins, ${Math.round(trimmed.share * 100)} % of it, were cut off.`, ...notes] }
    : { asset: sent, notes }
}

/** A logo's pixels at a size good enough to judge it by. */
export async function readPixels(file: string, longestPx = LOOK_PX): Promise<Pixels> {
  const { data, info } = await sharp(file, { density: 150 })
    .resize(longestPx, longestPx, { fit: 'inside' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return { width: info.width, height: info.height, data }
}

async function trim(job: string | null, asset: AssetInfo, file: string): Promise<{ asset: AssetInfo; share: number } | null> {
  const pixels = await readPixels(file)
  const box = trimBox(pixels)
  if (!box || marginShare(pixels, box) < LEAST_MARGIN) return null
  const scale = asset.width / pixels.width
  const [left, top] = [Math.round(box.left * scale), Math.round(box.top * scale)]
  const [width, height] = [
    Math.max(1, Math.min(asset.width - left, Math.round(box.width * scale))),
    Math.max(1, Math.min(asset.height - top, Math.round(box.height * scale))),
  ]
  const about = { name: asset.name, width, height, alpha: asset.alpha, focus: asset.focus }
  const made = asset.vector
    ? keepMade(job, {
        ...about,
        type: 'svg',
        bytes: Buffer.from(
          cutDrawing(readFileSync(file, 'utf8'), {
            left: box.left * scale,
            top: box.top * scale,
            width: box.width * scale,
            height: box.height * scale,
          }),
        ),
      })
    : keepMade(job, {
        ...about,
        type: 'png',
        bytes: await sharp(file).extract({ left, top, width, height }).png({ compressionLevel: 9 }).toBuffer(),
      })
  return { asset: made, share: marginShare(pixels, box) }
}

type Part = { readonly left: number; readonly top: number; readonly width: number; readonly height: number }

/** The same drawing with its view box drawn in. */
function cutDrawing(svg: string, part: Part): string {
  return svg.replace(
    /viewBox="\s*([-\d.]+)[\s,]+([-\d.]+)[\s,]+[\d.]+[\s,]+[\d.]+\s*"/,
    (_, x: string, y: string) =>
      `viewBox="${[Number(x) + part.left, Number(y) + part.top, part.width, part.height].map((n) => Number(n.toFixed(2))).join(' ')}"`,
  )
}

/** Families that every computer has something for. */
const GENERIC = /^(serif|sans-serif|monospace|cursive|fantasy|system-ui|inherit|initial)$/i

/** What a drawing needs that may not be there where it is shown. */
function drawingNotes(svg: string): string[] {
  if (!/<text[\s>]/.test(svg)) return []
  const families = [...svg.matchAll(/font-family\s*[:=]\s*["']?([^;"'>]+)/g)]
    .flatMap(([, list]) => (list ?? '').split(','))
    .map((name) => name.trim())
    .filter((name) => name !== '' && !GENERIC.test(name))
  const named = [...new Set(families)].map((name) => `“${name}”`).join(', ')
  return [
    `It holds words as text${named ? ` in ${named}` : ''}: where that font is missing they are drawn in another one. ` +
      'Ask for the logo with its words turned into outlines.',
  ]
}

async function motionNotes(bytes: Buffer): Promise<string[]> {
  const { pages = 1 } = await sharp(bytes).metadata()
  return pages > 1 ? [`It moves (${pages} pictures); a logo stands still, so its first picture is used.`] : []
}
