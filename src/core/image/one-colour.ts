/**
 * How a pixel's opacity in a one-colour version comes from its own: factors of red, green, blue and opacity (all 0–1),
 * as in SVG's feColorMatrix.
 */
export type OpacityRow = readonly [red: number, green: number, blue: number, opacity: number]

/** Where even the darkest part is as light as this, its lightness says nothing of what is ink and what is ground. */
const ALL_LIGHT = 0.25

/**
 * The row by which a logo (RGBA pixels) becomes one colour: the darker a part, the more of it is printed, so that white
 * letters on a dark field stay letters; the darkest part is printed whole. A logo that is light all over keeps its own shape.
 */
export function oneColourRow(pixels: Uint8ClampedArray): OpacityRow {
  let darkest = 0
  for (let i = 0; i < pixels.length; i += 4) {
    if ((pixels[i + 3] ?? 0) < 200) continue
    darkest = Math.max(darkest, 1 - lumaAt(pixels, i))
  }
  if (darkest < ALL_LIGHT) return [0, 0, 0, 1]
  return [-0.2126 / darkest, -0.7152 / darkest, -0.0722 / darkest, 1 / darkest]
}

/** Luma of a pixel, 0–1 (ITU-R BT.709 weights). */
function lumaAt(pixels: Uint8ClampedArray, i: number): number {
  return (0.2126 * (pixels[i] ?? 0) + 0.7152 * (pixels[i + 1] ?? 0) + 0.0722 * (pixels[i + 2] ?? 0)) / 255
}

/** RGBA pixels printed in one colour (six-digit hex). */
export function printInOneColour(pixels: Uint8ClampedArray, colour: string, row: OpacityRow): Uint8ClampedArray<ArrayBuffer> {
  const ink = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16))
  const printed = new Uint8ClampedArray(pixels.length)
  for (let i = 0; i < pixels.length; i += 4) {
    const opacity = (pixels[i + 3] ?? 0) / 255
    const [r, g, b] = [0, 1, 2].map((channel) => ((pixels[i + channel] ?? 0) / 255) * opacity)
    printed.set([...ink, (row[0] * (r ?? 0) + row[1] * (g ?? 0) + row[2] * (b ?? 0) + row[3] * opacity) * 255], i)
  }
  return printed
}

/** An SVG printed in one colour: everything in it goes through one filter. Stays a drawing. */
export function drawingInOneColour(svg: string, colour: string, row: OpacityRow): string {
  const ink = [1, 3, 5].map((at) => (Number.parseInt(colour.slice(at, at + 2), 16) / 255).toFixed(4))
  const values = [...ink.map((value) => `0 0 0 0 ${value}`), `${row.map((value) => value.toFixed(4)).join(' ')} 0`].join(' ')
  const filter =
    '<filter id="one-colour" x="0" y="0" width="100%" height="100%" color-interpolation-filters="sRGB">' +
    `<feColorMatrix values="${values}"/></filter>`
  return svg.replace(/^(\s*<svg[^>]*>)([\s\S]*)(<\/svg>\s*)$/, `$1${filter}<g filter="url(#one-colour)">$2</g>$3`)
}
