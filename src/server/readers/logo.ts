import sharp from 'sharp'
import { drawingInOneColour, marginShare, oneColourRow, printInOneColour, trimBox } from '../../core/image'
import { Problem } from '../problems'
import { readPicture, type ReadPicture } from './picture'
import { openPicture, readPixels, viewBox } from './pixels'

/** The longer side that a logo is looked at with, in px. */
const LOOK_PX = 1000
/** Margins smaller than this share of the area are left alone. */
const LEAST_MARGIN = 0.04
/** The longer side of a one-colour logo that is no drawing, in px: enough for any header. */
const PRINT_PX = 1200
/** The longer side that shapes are told apart at, so that fine edges are not blurred. */
const APART_PX = 240

/** A logo as it was sent, the same without its empty margins where it has any, and what is worth knowing of it. */
export type ReadLogo = { readonly sent: ReadPicture; readonly trimmed: ReadPicture | null; readonly notes: readonly string[] }

export async function readLogo(name: string, file: { readonly bytes: Uint8Array }): Promise<ReadLogo> {
  const sent = await readPicture(name, file)
  const notes = sent.type === 'svg' ? drawingNotes(Buffer.from(sent.bytes).toString('utf8')) : await motionNotes(sent.bytes)
  const trim = await trimmed(sent)
  const cut = trim ? [`Its empty margins, ${Math.round(trim.share * 100)} % of it, were cut off.`] : []
  return { sent, trimmed: trim?.picture ?? null, notes: [...cut, ...notes] }
}

async function trimmed(sent: ReadPicture): Promise<{ readonly picture: ReadPicture; readonly share: number } | null> {
  const pixels = await readPixels('', { bytes: sent.bytes, longestPx: LOOK_PX })
  const box = trimBox(pixels)
  if (!box || marginShare(pixels, box) < LEAST_MARGIN) return null
  const scale = sent.width / pixels.width
  const [left, top] = [Math.round(box.left * scale), Math.round(box.top * scale)]
  const [width, height] = [
    Math.max(1, Math.min(sent.width - left, Math.round(box.width * scale))),
    Math.max(1, Math.min(sent.height - top, Math.round(box.height * scale))),
  ]
  const part = { left: box.left * scale, top: box.top * scale, width: box.width * scale, height: box.height * scale }
  const bytes =
    sent.type === 'svg'
      ? Buffer.from(cutDrawing(Buffer.from(sent.bytes).toString('utf8'), part))
      : await sharp(sent.bytes).extract({ left, top, width, height }).png({ compressionLevel: 9 }).toBuffer()
  const type = sent.type === 'svg' ? 'svg' : 'png'
  const picture: ReadPicture = { bytes, type, width, height, alpha: sent.alpha, focus: sent.focus }
  return { picture, share: marginShare(pixels, box) }
}

type Part = { readonly left: number; readonly top: number; readonly width: number; readonly height: number }

/** The same drawing with its view box drawn in. */
function cutDrawing(svg: string, part: Part): string {
  const box = viewBox(svg)
  if (!box) return svg
  const numbers = [box.left + part.left, box.top + part.top, part.width, part.height].map((n) => Number(n.toFixed(2)))
  return svg.replace(/viewBox="[^"]{1,200}"/, `viewBox="${numbers.join(' ')}"`)
}

/** Families that every computer has something for. */
const GENERIC = /^(serif|sans-serif|monospace|cursive|fantasy|system-ui|inherit|initial)$/i

/** What a drawing needs that may not be there where it is shown. */
function drawingNotes(svg: string): string[] {
  if (!/<text[\s>]/.test(svg)) return []
  const families = [...svg.matchAll(/font-family\s?[:=]\s?["']?([^;"'>]{1,400})/g)]
    .flatMap(([, list]) => (list ?? '').split(','))
    .map((name) => name.trim())
    .filter((name) => name !== '' && !GENERIC.test(name))
  const named = [...new Set(families)].map((name) => `“${name}”`).join(', ')
  return [
    `It holds words as text${named ? ` in ${named}` : ''}: where that font is missing they are drawn in another one. ` +
      'Ask for the logo with its words turned into outlines.',
  ]
}

async function motionNotes(bytes: Uint8Array): Promise<string[]> {
  const { pages = 1 } = await sharp(bytes).metadata()
  return pages > 1 ? [`It moves (${pages} pictures); a logo stands still, so its first picture is used.`] : []
}

/** A version of a logo in one colour (`#rrggbb`): a drawing stays a drawing, anything else becomes a transparent PNG. */
export async function printOneColour(
  name: string,
  logo: Omit<ReadPicture, 'type' | 'light'> & { readonly vector: boolean; readonly colour: string },
): Promise<ReadPicture> {
  const { data, info } = await openPicture(logo.bytes, PRINT_PX)
    .resize(PRINT_PX, PRINT_PX, { fit: 'inside', withoutEnlargement: !logo.vector })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const pixels = new Uint8ClampedArray(data)
  if (!hasGround(pixels)) throw new Problem('logoNotTransparent', { name })
  const row = oneColourRow(await readPixels('', { bytes: logo.bytes, longestPx: APART_PX }))
  if (!row) throw new Problem('logoMerges', { name })
  const about = { alpha: true, focus: logo.focus }
  if (logo.vector) {
    const bytes = Buffer.from(drawingInOneColour(Buffer.from(logo.bytes).toString('utf8'), logo.colour, row))
    return { bytes, type: 'svg', width: logo.width, height: logo.height, ...about }
  }
  const raw = { width: info.width, height: info.height, channels: 4 as const }
  const bytes = await sharp(Buffer.from(printInOneColour(pixels, logo.colour, row)), { raw })
    .png({ compressionLevel: 9 })
    .toBuffer()
  return { bytes, type: 'png', width: info.width, height: info.height, ...about }
}

/** True where some of the picture is see-through: without a ground to leave out, one colour would be one flat box. */
function hasGround(pixels: Uint8ClampedArray): boolean {
  for (let i = 3; i < pixels.length; i += 4) if ((pixels[i] ?? 0) < 128) return true
  return false
}
