import { cropToFocus, parseRatio, type Size } from './crop'
import type { AssetInfo } from './variant'
import type { Focus } from '../site'
import type { Pixels } from './trim'

/**
 * How dark and how light a picture is, part by part: a grid of 8 × 6 cells, each with the least and the greatest red, green
 * and blue of its pixels, as six hex digits (least first; rounded outward, so that no pixel lies outside).
 */
const COLUMNS = 8
const ROWS = 6
/** The width, in px, at which a picture is looked at: a speck that is lost here is smaller than a letter's stroke. */
export const LIGHT_MAP_PX = 320

export function makeLightMap({ width, height, data }: Pixels): string {
  const least = new Uint8Array(COLUMNS * ROWS * 3).fill(255)
  const greatest = new Uint8Array(COLUMNS * ROWS * 3)
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const cell = Math.floor((y * ROWS) / height) * COLUMNS + Math.floor((x * COLUMNS) / width)
      for (let channel = 0; channel < 3; channel++) {
        const value = data[(y * width + x) * 4 + channel] as number
        const at = cell * 3 + channel
        if (value < (least[at] as number)) least[at] = value
        if (value > (greatest[at] as number)) greatest[at] = value
      }
    }
  }
  const digits = (values: Uint8Array, cell: number, round: (n: number) => number): string =>
    [0, 1, 2].map((c) => Math.min(15, Math.max(0, round((values[cell * 3 + c] as number) / 17))).toString(16)).join('')
  return Array.from({ length: COLUMNS * ROWS }, (_, cell) => digits(least, cell, Math.floor) + digits(greatest, cell, Math.ceil)).join('')
}

/** A part of a frame, as shares of its width and height. */
export type Area = { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number }

/**
 * Two colours, six-digit hex, between which every pixel of a part of a framed picture lies, channel by channel: what can be
 * read over both can be read over all of them. Black and white where nothing is known of the picture.
 */
export function boundsOf(
  asset: Pick<AssetInfo, 'light'> & Size,
  ratio: string | null,
  focus: Focus,
  area: Area,
): readonly [dark: string, light: string] {
  const map = asset.light ?? ''
  if (map.length !== COLUMNS * ROWS * 6) return ['#000000', '#ffffff']
  const crop = cropToFocus(asset, parseRatio(ratio), focus)
  const across = (share: number): number => (crop.left + crop.width * share) / asset.width
  const down = (share: number): number => (crop.top + crop.height * share) / asset.height
  const [fromX, toX] = [Math.floor(across(area.left) * COLUMNS), Math.ceil(across(area.right) * COLUMNS)]
  const [fromY, toY] = [Math.floor(down(area.top) * ROWS), Math.ceil(down(area.bottom) * ROWS)]
  const [least, greatest] = [
    [15, 15, 15],
    [0, 0, 0],
  ]
  for (let y = fromY; y < Math.min(ROWS, toY); y++) {
    for (let x = fromX; x < Math.min(COLUMNS, toX); x++) {
      const at = (y * COLUMNS + x) * 6
      for (let c = 0; c < 3; c++) {
        least[c] = Math.min(least[c] as number, Number.parseInt(map[at + c] as string, 16))
        greatest[c] = Math.max(greatest[c] as number, Number.parseInt(map[at + 3 + c] as string, 16))
      }
    }
  }
  const hex = (values: readonly number[]): string => '#' + values.map((v) => v.toString(16).repeat(2)).join('')
  return [hex(least), hex(greatest)]
}
