import type { Pixels } from './trim'

/**
 * How a pixel's opacity in a one-colour version comes from its own: factors of red, green, blue and opacity (all 0–1),
 * as in SVG's feColorMatrix.
 */
export type OpacityRow = readonly [red: number, green: number, blue: number, opacity: number]

/** Where even the darkest part is as light as this, its lightness says nothing of what is ink and what is ground. */
const ALL_LIGHT = 0.25

/**
 * The row by which a logo becomes one colour: the darker a part, the more of it is printed, so that white letters on a dark field stay
 * letters; the darkest part is printed whole. A logo that is light all over keeps its own shape. Where shapes would run together that only
 * their colours told apart, what lies inside is cut out of what lies around it; null where that would not do either, since there are more
 * than two such colours.
 */
export function oneColourRow(pixels: Pixels): OpacityRow | null {
  const plain = rowByDarkness(pixels.data)
  if (!merges(pixels, plain)) return plain
  const cut = rowByColour(pixels)
  return cut && !merges(pixels, cut) ? cut : null
}

function rowByDarkness(data: Pixels['data']): OpacityRow {
  let darkest = 0
  for (let i = 0; i < data.length; i += 4) {
    if ((data[i + 3] ?? 0) < SOLID) continue
    darkest = Math.max(darkest, 1 - (0.2126 * channel(data, i) + 0.7152 * channel(data, i + 1) + 0.0722 * channel(data, i + 2)))
  }
  // Luma by the weights of ITU-R BT.709.
  return darkest < ALL_LIGHT ? [0, 0, 0, 1] : [-0.2126 / darkest, -0.7152 / darkest, -0.0722 / darkest, 1 / darkest]
}

/** From this opacity on a pixel belongs to a shape and not to its soft edge. */
const SOLID = 200
/** How far apart two colours are in RGB (0–1 each) that the eye takes for two shapes, and how far opacities are that it tells apart. */
const OTHER_COLOUR = 0.2
const OTHER_OPACITY = 0.25
/** How far beyond an edge's softness the pixels lie that are compared, in px. */
const ACROSS = 4
/** So large a share of the edges between colours may run together, and of the drawn pixels must lie on such edges to speak of. */
const MAY_MERGE = 0.1
const SPEAK_OF = 0.004

function channel(data: Pixels['data'], at: number): number {
  return (data[at] ?? 0) / 255
}

function opacityAt(data: Pixels['data'], at: number, row: OpacityRow): number {
  const printed = row[0] * channel(data, at) + row[1] * channel(data, at + 1) + row[2] * channel(data, at + 2) + row[3]
  return Math.min(1, Math.max(0, printed))
}

/** Whether shapes that stand apart by their colours would be one when printed by a row. */
function merges({ width, height, data }: Pixels, row: OpacityRow): boolean {
  let [solid, edges, merged] = [0, 0, 0]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4
      if ((data[at + 3] ?? 0) < SOLID) continue
      solid++
      for (const other of [x + ACROSS < width ? at + ACROSS * 4 : -1, y + ACROSS < height ? at + ACROSS * width * 4 : -1]) {
        if (other < 0 || (data[other + 3] ?? 0) < SOLID || distance(colourAt(data, at), colourAt(data, other)) < OTHER_COLOUR) continue
        edges++
        if (Math.abs(opacityAt(data, at, row) - opacityAt(data, other, row)) < OTHER_OPACITY) merged++
      }
    }
  return merged > edges * MAY_MERGE && merged > solid * SPEAK_OF
}

type Colour = readonly [number, number, number]

/** Prints the outer of a logo's two main colours and cuts the inner one out; null where there is but one. */
function rowByColour(pixels: Pixels): OpacityRow | null {
  const pair = twoColours(pixels.data)
  if (!pair) return null
  const [outer, inner] = outerFirst(pixels, pair)
  const way = [outer[0] - inner[0], outer[1] - inner[1], outer[2] - inner[2]] as const
  const length = way[0] ** 2 + way[1] ** 2 + way[2] ** 2
  if (length < OTHER_COLOUR ** 2) return null
  const start = way[0] * inner[0] + way[1] * inner[1] + way[2] * inner[2]
  return [way[0] / length, way[1] / length, way[2] / length, -start / length]
}

const ROUNDS = 8

function colourAt(data: Pixels['data'], at: number): Colour {
  return [channel(data, at), channel(data, at + 1), channel(data, at + 2)]
}

function distance(a: Colour, b: Colour): number {
  return Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2)
}

/** The two colours that most of what is drawn lies near to (k-means of two, begun at two colours far apart); null where there is one. */
function twoColours(data: Pixels['data']): readonly [Colour, Colour] | null {
  const drawn: Colour[] = []
  for (let at = 0; at < data.length; at += 4) if ((data[at + 3] ?? 0) >= SOLID) drawn.push(colourAt(data, at))
  const farthest = (from: Colour): Colour => drawn.reduce((a, b) => (distance(from, b) > distance(from, a) ? b : a), from)
  if (!drawn[0]) return null
  let first = farthest(drawn[0])
  let second = farthest(first)
  for (let round = 0; round < ROUNDS; round++) {
    const isFirst = (colour: Colour): boolean => distance(colour, first) <= distance(colour, second)
    const [a, b] = [middleOf(drawn.filter(isFirst)), middleOf(drawn.filter((colour) => !isFirst(colour)))]
    if (!a || !b) return null
    ;[first, second] = [a, b]
  }
  return [first, second]
}

function middleOf(colours: readonly Colour[]): Colour | null {
  let [red, green, blue] = [0, 0, 0]
  for (const colour of colours) {
    red += colour[0]
    green += colour[1]
    blue += colour[2]
  }
  return colours.length === 0 ? null : [red / colours.length, green / colours.length, blue / colours.length]
}

/** The colour that more of the logo's outline has comes first. */
function outerFirst({ width, height, data }: Pixels, [a, b]: readonly [Colour, Colour]): readonly [Colour, Colour] {
  const isClear = (x: number, y: number): boolean =>
    x < 0 || y < 0 || x >= width || y >= height || (data[(y * width + x) * 4 + 3] ?? 0) < SOLID
  let [ofA, ofB] = [0, 0]
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const isOutline = isClear(x - ACROSS, y) || isClear(x + ACROSS, y) || isClear(x, y - ACROSS) || isClear(x, y + ACROSS)
      if (isClear(x, y) || !isOutline) continue
      const colour = colourAt(data, (y * width + x) * 4)
      if (distance(colour, a) <= distance(colour, b)) ofA++
      else ofB++
    }
  return ofA >= ofB ? [a, b] : [b, a]
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
