import type { Box, Size } from './crop'

/** RGBA pixels, four bytes each, row by row. */
export type Pixels = Size & { readonly data: Uint8ClampedArray | Uint8Array }

const OPAQUE = 24
const SAME = 14

/**
 * The part of a logo that is drawn on: what is left without its empty margins, be they transparent or of one flat colour.
 * Whole pixels; the whole picture where there is no margin, null where nothing is drawn at all.
 */
export function trimBox({ width, height, data }: Pixels): Box | null {
  const ground = data.slice(0, 4)
  const isGround = (x: number, y: number): boolean => {
    const i = (y * width + x) * 4
    const opacity = data[i + 3] ?? 0
    if (opacity < OPAQUE) return true
    return (ground[3] ?? 0) >= OPAQUE && [0, 1, 2, 3].every((c) => Math.abs((data[i + c] ?? 0) - (ground[c] ?? 0)) <= SAME)
  }
  let [left, top, right, bottom] = [width, height, -1, -1]
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (isGround(x, y)) continue
      left = Math.min(left, x)
      right = Math.max(right, x)
      top = Math.min(top, y)
      bottom = y
    }
  }
  return right < 0 ? null : { left, top, width: right - left + 1, height: bottom - top + 1 }
}

/** The share of a logo's area that its empty margins take, 0–1. */
export function marginShare(whole: Size, box: Box): number {
  return 1 - (box.width * box.height) / (whole.width * whole.height)
}

/** A mark is no wider and no higher than this, times its other side. */
const SQUARE = 1.6
/** The gap that parts a mark from the words beside it, as a share of the logo's height. */
const GAP = 0.08

/**
 * The logo's mark: the whole logo where it is nearly square, else the nearly square part that stands at its left or right
 * end, parted from the rest by a clear gap. Null where there is none: the words are all there is.
 */
export function findMark(pixels: Pixels): Box | null {
  const whole = trimBox(pixels)
  if (!whole) return null
  const isSquare = (box: Size): boolean => box.width / box.height <= SQUARE && box.height / box.width <= SQUARE
  if (isSquare(whole)) return whole
  if (whole.width < whole.height) return null
  const parts = columnsOf(pixels, whole)
  // A row of more parts than this is a row of letters.
  if (parts.length < 2 || parts.length > 24) return null
  const ends = [parts[0], parts.at(-1)].flatMap((part) => (part ? [part] : []))
  const other = (part: Run): number => (part === parts[0] ? (parts[1]?.from ?? 0) - part.to : part.from - (parts.at(-2)?.to ?? 0))
  for (const part of ends) {
    if (other(part) < whole.height * GAP) continue
    const box = trimWithin(pixels, { left: part.from, top: whole.top, width: part.to - part.from, height: whole.height })
    // A mark stands as high as the logo or nearly so; a first letter does not.
    if (box && isSquare(box) && box.height > whole.height * 0.72) return box
  }
  return null
}

type Run = { readonly from: number; readonly to: number }

/** Runs of columns that are drawn on, between columns that are empty. */
function columnsOf(pixels: Pixels, within: Box): Run[] {
  const runs: Run[] = []
  let from: number | null = null
  for (let x = within.left; x <= within.left + within.width; x++) {
    const isDrawn = x < within.left + within.width && trimWithin(pixels, { left: x, top: within.top, width: 1, height: within.height }) !== null
    if (isDrawn && from === null) from = x
    if (!isDrawn && from !== null) {
      runs.push({ from, to: x })
      from = null
    }
  }
  return runs
}

function trimWithin(pixels: Pixels, box: Box): Box | null {
  const data = new Uint8ClampedArray((box.width + 1) * box.height * 4)
  const ground = pixels.data.slice(0, 4)
  for (let y = 0; y < box.height; y++) {
    // The first column is ground, so that the part is told from it.
    data.set(ground, y * (box.width + 1) * 4)
    const from = ((box.top + y) * pixels.width + box.left) * 4
    data.set(pixels.data.slice(from, from + box.width * 4), (y * (box.width + 1) + 1) * 4)
  }
  const found = trimBox({ width: box.width + 1, height: box.height, data })
  return found && { ...found, left: found.left - 1 + box.left, top: found.top + box.top }
}
