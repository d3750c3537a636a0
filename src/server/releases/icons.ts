import * as fontkit from 'fontkit'
import sharp from 'sharp'
import { siteScheme, templateOf, type Site } from '../../core/render'
import { getFamily } from '../../core/type'
import { fontFilePath } from '../fonts'

export type Icons = { readonly svg: string; readonly ico: Buffer; readonly touch: Buffer }

/** The site's icon: the business's first letter in the site's own type on its ink, drawn as outlines. */
export async function makeIcons(site: Site): Promise<Icons> {
  const name = site.document.facts.name ?? templateOf(site).facts.name
  const { surface, text } = siteScheme(site).ink
  const svg = drawLetter(([...name.trim()][0] ?? '•').toUpperCase(), templateOf(site).fonts.display, surface, text)
  const png = (size: number): Promise<Buffer> => sharp(Buffer.from(svg), { density: 300 }).resize(size, size).png().toBuffer()
  return { svg, ico: wrapIco(await png(32), 32), touch: await png(180) }
}

function drawLetter(letter: string, family: string, ground: string, ink: string): string {
  const file = getFamily(family).files[0]
  if (!file) throw new Error(`The family ${family} has no files`)
  const font = fontkit.openSync(fontFilePath(file)) as fontkit.Font
  const glyph = font.glyphsForString(letter)[0]
  if (!glyph || glyph.id === 0) return iconSvg(ground, '')
  const { minX, maxX, minY, maxY } = glyph.bbox
  const scale = Math.min(40 / (maxX - minX), 38 / (maxY - minY))
  const move = `translate(${round(32 - (scale * (minX + maxX)) / 2)} ${round(32 + (scale * (minY + maxY)) / 2)}) scale(${round(scale, 5)} ${round(-scale, 5)})`
  return iconSvg(ground, `<path fill="${ink}" transform="${move}" d="${glyph.path.toSVG()}"/>`)
}

function iconSvg(ground: string, mark: string): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 64 64" width="64" height="64"><rect width="64" height="64" rx="6" fill="${ground}"/>${mark}</svg>`
}

function round(value: number, digits = 2): number {
  return Number(value.toFixed(digits))
}

/** An ICO file with one PNG in it: a 6-byte header and one 16-byte entry (format as Windows Vista and later read it; from memory). */
function wrapIco(png: Buffer, size: number): Buffer {
  const head = Buffer.alloc(22)
  head.writeUInt16LE(1, 2)
  head.writeUInt16LE(1, 4)
  head.writeUInt8(size, 6)
  head.writeUInt8(size, 7)
  head.writeUInt16LE(1, 10)
  head.writeUInt16LE(32, 12)
  head.writeUInt32LE(png.length, 14)
  head.writeUInt32LE(22, 18)
  return Buffer.concat([head, png])
}
