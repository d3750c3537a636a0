import * as fontkit from 'fontkit'
import sharp from 'sharp'
import { findMark, middleContrast, type AssetInfo, type Box, type Pixels } from '../../core/image'
import { escapeText, type IconForm, type IconPlan } from '../../core/render'
import type { Family } from '../../core/type'
import { fontFilePath } from '../media/fonts'
import { readAsset } from '../store/assets'
import { readOutside } from '../readers/read-outside'

export type Icons = {
  readonly svg: string
  readonly ico: Buffer
  readonly touch: Buffer
  readonly small: Buffer
  readonly large: Buffer
  readonly maskable: Buffer
}

/** Side of the drawing that every icon is made from. */
const SIDE = 64
const RADIUS: Readonly<Record<IconForm, number>> = { square: 0, soft: 8, round: SIDE / 2 }
/** How much of the side the mark takes: of a maskable icon the middle 80 % is safe (W3C Manifest, “maskable”, safe zone). */
const FILL = 0.66
const MASKABLE_FILL = 0.52

/** The whole set: an SVG and an ICO for tabs, a touch icon for home screens, and a manifest's sizes. */
export async function makeIcons(plan: IconPlan): Promise<Icons> {
  const draw = await drawPlan(plan)
  const svg = draw(plan.form, FILL)
  // Home screens cut their own corners, so what is sent there fills the square.
  const [whole, maskable] = [draw('square', FILL), draw('square', MASKABLE_FILL)]
  const png = (drawing: string, size: number): Promise<Buffer> =>
    sharp(Buffer.from(drawing), { density: (72 * size) / SIDE })
      .resize(size, size)
      .png({ compressionLevel: 9 })
      .toBuffer()
  return {
    svg,
    ico: wrapIco([
      [16, await png(svg, 16)],
      [32, await png(svg, 32)],
      [48, await png(svg, 48)],
    ]),
    touch: await png(whole, 180),
    small: await png(svg, 192),
    large: await png(svg, 512),
    maskable: await png(maskable, 512),
  }
}

/** The icon as an SVG alone, for looking at while it is chosen. */
export async function drawIcon(plan: IconPlan): Promise<string> {
  return (await drawPlan(plan))(plan.form, FILL)
}

/** What stands on the icon's ground, drawn to fill a share of its side. */
type Figure = (fill: number) => string

async function drawPlan(plan: IconPlan): Promise<(form: IconForm, fill: number) => string> {
  const { ground, figure } = (await markOnGround(plan.grounds)) ?? { ground: plan.grounds[0].ground, figure: letterFigure(plan) }
  return (form, fill) =>
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIDE} ${SIDE}" width="${SIDE}" height="${SIDE}"><rect ` +
    `width="${SIDE}" height="${SIDE}" rx="${RADIUS[form]}" fill="${ground}"/>${figure(fill)}</svg>`
}

/** What can be told from its ground stands at 3:1 or more (WCAG 2.2, 1.4.11), and a hair more, as checkers differ in the third place. */
const TOLD = 3.01

/** The mark on the first ground that it can be told from, else on the one that it stands out from most; null where there is no mark. */
async function markOnGround(grounds: IconPlan['grounds']): Promise<{ readonly ground: string; readonly figure: Figure } | null> {
  const found: { readonly ground: string; readonly mark: LogoMark; readonly contrast: number }[] = []
  for (const { ground, mark: id } of grounds) {
    const mark = id === null ? null : await findLogoMark(id)
    if (!mark) return null
    found.push({ ground, mark, contrast: middleContrast(mark.pixels, mark.box, ground) })
    if ((found.at(-1)?.contrast ?? 0) >= TOLD) break
  }
  const [best] = found.toSorted((a, b) => b.contrast - a.contrast)
  return best ? { ground: best.ground, figure: await markFigure(best.mark) } : null
}

/** The longer side that a logo is looked at with, in px. */
const LOOK_PX = 1000
/** The longer side that a mark is kept at, in px: enough for the largest icon. */
const MARK_PX = 512

type LogoMark = { readonly found: { readonly asset: AssetInfo; readonly bytes: Buffer }; readonly pixels: Pixels; readonly box: Box }

/** The logo's mark; null where the logo is words alone or is gone. */
async function findLogoMark(id: string): Promise<LogoMark | null> {
  const found = readAsset(id)
  if (!found) return null
  const pixels = await readOutside('pixels', found.asset.name, { bytes: found.bytes, longestPx: LOOK_PX })
  const box = findMark(pixels)
  return box && { found, pixels, box }
}

async function markFigure({ found, pixels, box }: LogoMark): Promise<Figure> {
  const scale = found.asset.width / pixels.width
  const href = found.asset.vector
    ? `data:image/svg+xml;base64,${found.bytes.toString('base64')}`
    : `data:image/png;base64,${(await cutMark(found.bytes, box, scale)).toString('base64')}`
  const part = found.asset.vector ? box : { left: 0, top: 0, width: box.width, height: box.height }
  const whole = found.asset.vector ? pixels : part
  return (fill) => {
    const side = (SIDE * fill) / Math.max(box.width, box.height)
    const [x, y] = [SIDE / 2 - (part.left + part.width / 2) * side, SIDE / 2 - (part.top + part.height / 2) * side]
    const clip =
      `M${round(SIDE / 2 - (box.width * side) / 2)} ` +
      `${round(SIDE / 2 - (box.height * side) / 2)}h${round(box.width * side)}v${round(box.height * side)}h${round(-box.width * side)}z`
    return (
      `<clipPath id="m"><path d="${clip}"/></clipPath><g clip-path="url(#m)"><image x="${round(x)}" y="${round(y)}" ` +
      `width="${round(whole.width * side)}" height="${round(whole.height * side)}" preserveAspectRatio="none" ` +
      `href="${href}"/></g>`
    )
  }
}

function cutMark(bytes: Buffer, box: Box, scale: number): Promise<Buffer> {
  const [left, top] = [Math.round(box.left * scale), Math.round(box.top * scale)]
  return sharp(bytes)
    .extract({ left, top, width: Math.max(1, Math.floor(box.width * scale)), height: Math.max(1, Math.floor(box.height * scale)) })
    .resize(MARK_PX, MARK_PX, { fit: 'inside', withoutEnlargement: true })
    .png()
    .toBuffer()
}

/** Letters as outlines, so that the icon needs no font. Letters that the family lacks are left out. */
function letterFigure({ letters, family, weight, grounds: [{ ink }] }: IconPlan): Figure {
  const font = openFamily(family, weight)
  const glyphs = font.layout(letters).glyphs.filter((glyph) => glyph.id !== 0)
  const runs = glyphs.map((glyph, i) => ({ glyph, x: glyphs.slice(0, i).reduce((sum, before) => sum + before.advanceWidth, 0) }))
  const boxes = runs.map(({ glyph, x }) => ({
    minX: x + glyph.bbox.minX,
    maxX: x + glyph.bbox.maxX,
    minY: glyph.bbox.minY,
    maxY: glyph.bbox.maxY,
  }))
  if (boxes.length === 0) return () => ''
  const [minX, maxX, minY, maxY] = [
    Math.min(...boxes.map((b) => b.minX)),
    Math.max(...boxes.map((b) => b.maxX)),
    Math.min(...boxes.map((b) => b.minY)),
    Math.max(...boxes.map((b) => b.maxY)),
  ]
  return (fill) => {
    const scale = Math.min((SIDE * fill * 1.12) / (maxX - minX), (SIDE * fill * 0.92) / (maxY - minY))
    const move =
      `translate(${round(SIDE / 2 - (scale * (minX + maxX)) / 2)} ${round(SIDE / 2 + (scale * (minY + maxY)) / 2)}) ` +
      `scale(${round(scale, 5)} ${round(-scale, 5)})`
    const paths = runs.map(({ glyph, x }) => `<path transform="translate(${round(x)} 0)" d="${glyph.path?.toSVG() ?? ''}"/>`)
    const label = escapeText(letters).replaceAll('"', '')
    return `<g fill="${ink}" transform="${move}" role="img" aria-label="${label}">${paths.join('')}</g>`
  }
}

/**
 * The upright file of a family; of several, the one nearest in weight. (fontkit's getVariation fails on WOFF2, so a
 * variable one keeps its own default.)
 */
function openFamily(family: Family, weight: number): fontkit.Font {
  const upright = family.files.filter((f) => f.style === 'normal' && f.range !== 'latin-ext')
  const [file] = (upright.length > 0 ? upright : family.files).toSorted(
    (a, b) => Math.abs(Number(a.weight.split(' ').at(-1)) - weight) - Math.abs(Number(b.weight.split(' ').at(-1)) - weight),
  )
  if (!file) throw new Error(`The family ${family.key} has no files`)
  return fontkit.openSync(fontFilePath(file))
}

function round(value: number, digits = 2): number {
  return Number(value.toFixed(digits))
}

/**
 * An ICO file of several PNGs: a 6-byte header, a 16-byte entry for each, then the pictures (format as Windows Vista
 * and later read it; from memory).
 */
function wrapIco(pictures: readonly (readonly [size: number, png: Buffer])[]): Buffer {
  const head = Buffer.alloc(6 + 16 * pictures.length)
  head.writeUInt16LE(1, 2)
  head.writeUInt16LE(pictures.length, 4)
  let offset = head.length
  pictures.forEach(([size, png], i) => {
    const at = 6 + 16 * i
    head.writeUInt8(size, at)
    head.writeUInt8(size, at + 1)
    head.writeUInt16LE(1, at + 4)
    head.writeUInt16LE(32, at + 6)
    head.writeUInt32LE(png.length, at + 8)
    head.writeUInt32LE(offset, at + 12)
    offset += png.length
  })
  return Buffer.concat([head, ...pictures.map(([, png]) => png)])
}
