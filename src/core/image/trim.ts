import type { Box, Size } from './crop'

/** RGBA pixels, four bytes each, row by row. */
export type Pixels = Size & { readonly data: Uint8ClampedArray | Uint8Array }

const OPAQUE = 24
const SAME = 14

/**
 * The part of a logo that is drawn on: what is left without its empty margins, be they transparent or of one flat colour.
 * Whole pixels; the whole picture where there is no margin, null where nothing is drawn at all.
 */
export function trimBox(pixels: Pixels): Box | null {
  return drawnPart(pixels, groundOf(pixels), { left: 0, top: 0, width: pixels.width, height: pixels.height })
}

/** True of a pixel, by its first byte, on which nothing is drawn. */
type IsGround = (at: number) => boolean

/** What is see-through is ground; of a picture that is opaque all over, the colour that all four corners have, if they agree. */
function groundOf({ width, height, data }: Pixels): IsGround {
  for (let i = 3; i < data.length; i += 4) if ((data[i] as number) < OPAQUE) return (at) => (data[at + 3] as number) < OPAQUE
  const corners = [0, width - 1, (height - 1) * width, height * width - 1].map((pixel) => pixel * 4)
  const isLike = (at: number, other: number): boolean =>
    [0, 1, 2].every((c) => Math.abs((data[at + c] as number) - (data[other + c] as number)) <= SAME)
  return corners.every((corner) => isLike(corner, 0)) ? (at) => isLike(at, 0) : () => false
}

function drawnPart({ width, data }: Pixels, isGround: IsGround, within: Box): Box | null {
  let [left, top, right, bottom] = [Number.POSITIVE_INFINITY, -1, -1, -1]
  for (let y = within.top; y < within.top + within.height; y++) {
    for (let x = within.left; x < within.left + within.width; x++) {
      const at = (y * width + x) * 4
      if (at >= data.length || isGround(at)) continue
      left = Math.min(left, x)
      right = Math.max(right, x)
      if (top < 0) top = y
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
/** The gap that parts a mark from the words beside it, as a share of the logo's height, and against the gaps between letters. */
const GAP = 0.08
const GAP_ALONE = 0.15
const WIDER = 1.8

/**
 * The logo's mark: the whole logo where it is nearly square, else the nearly square part that stands at its left or right
 * end, parted from the rest by a clear gap. Null where there is none: the words are all there is.
 */
export function findMark(pixels: Pixels): Box | null {
  const isGround = groundOf(pixels)
  const whole = trimBox(pixels)
  if (!whole) return null
  const isSquare = (box: Size): boolean => box.width / box.height <= SQUARE && box.height / box.width <= SQUARE
  if (isSquare(whole)) return whole
  const parts = whole.width < whole.height ? [] : columnsOf(pixels, isGround, whole)
  const gaps = parts.slice(1).map((part, i) => part.from - (parts[i]?.to ?? 0))
  for (const end of ['first', 'last'] as const) {
    const [part, gap, others] = end === 'first' ? [parts[0], gaps[0], gaps.slice(1)] : [parts.at(-1), gaps.at(-1), gaps.slice(0, -1)]
    if (!part || gap === undefined || gap < leastGap(others, whole.height)) continue
    const box = drawnPart(pixels, isGround, { left: part.from, top: whole.top, width: part.to - part.from, height: whole.height })
    // A mark stands as high as the logo or nearly so.
    if (box && isSquare(box) && box.height > whole.height * 0.72) return box
  }
  return null
}

/** A first letter stands as far from the next as any other; a mark stands plainly farther off. */
function leastGap(others: readonly number[], height: number): number {
  const middle = others.toSorted((a, b) => a - b)[Math.floor(others.length / 2)]
  return middle === undefined ? height * GAP_ALONE : Math.max(height * GAP, middle * WIDER)
}

type Run = { readonly from: number; readonly to: number }

/** Runs of columns that are drawn on, between columns that are empty. */
function columnsOf(pixels: Pixels, isGround: IsGround, within: Box): Run[] {
  const runs: Run[] = []
  let from: number | null = null
  for (let x = within.left; x <= within.left + within.width; x++) {
    const isDrawn =
      x < within.left + within.width && drawnPart(pixels, isGround, { left: x, top: within.top, width: 1, height: within.height }) !== null
    if (isDrawn && from === null) from = x
    if (!isDrawn && from !== null) {
      runs.push({ from, to: x })
      from = null
    }
  }
  return runs
}
