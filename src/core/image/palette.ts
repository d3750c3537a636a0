import { fromOklch, hexOfLinear, linearOf, toOklch } from '../colour'

/** A colour that matters in a picture, with its share of all that can be seen (0–1); a neutral one is near to white, grey or black. */
export type PaletteColour = { readonly hex: string; readonly share: number; readonly neutral: boolean }

/** Five bits a channel: 32,768 boxes, each a good deal smaller than a difference one can name. */
const BITS = 5
const BOXES = 1 << (3 * BITS)
/** Colours nearer than this in OKLab are counted as one. */
const NEAR = 0.11
/** Parts smaller than this are noise; a vivid colour may be small and still be the brand's. */
const LEAST_SHARE = 0.01
const LEAST_VIVID_SHARE = 0.003
const VIVID = 0.09
const NEUTRAL = 0.03

type Box = { readonly index: number; readonly count: number; readonly l: number; readonly a: number; readonly b: number }
type Group = { l: number; a: number; b: number; count: number; boxes: Box[] }

/**
 * The few colours that matter in a picture, given as RGBA bytes: its visible pixels are counted in boxes of like colour, boxes
 * are gathered by distance in OKLab, and each group is named by the colour that most of its pixels have exactly, or by its
 * mean. Vivid colours come before greys of the same share. At most `most` colours.
 */
export function findPalette(pixels: Uint8ClampedArray | Uint8Array, most = 6): PaletteColour[] {
  const words = wordsOf(pixels)
  const { counts, seen } = countBoxes(words)
  if (seen === 0) return []
  const groups = gather(toBoxes(counts))
  const named = groups
    .map((group) => {
      const chroma = Math.hypot(group.a, group.b)
      return { group, share: group.count / seen, chroma, weight: (group.count / seen) ** 0.6 * (0.06 + Math.min(1, chroma / 0.06)) }
    })
    .filter(({ share, chroma }) => share >= (chroma > VIVID ? LEAST_VIVID_SHARE : LEAST_SHARE))
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most)
  const exact = exactColours(
    words,
    named.map(({ group }) => largestBox(group)),
  )
  return named.map(({ group, share, chroma }, i) => ({ hex: exact[i] ?? meanColour(group), share, neutral: chroma < NEUTRAL }))
}

/** Pixels four bytes at once, where the machine keeps the lowest byte first, as every browser's does: 0xAABBGGRR. */
function wordsOf(pixels: Uint8ClampedArray | Uint8Array): Uint32Array {
  const aligned = pixels.byteOffset % 4 === 0 ? pixels : pixels.slice()
  return new Uint32Array(aligned.buffer, aligned.byteOffset, aligned.length >> 2)
}

/** A large picture is read at every so many pixels: four million tell its shares well enough. */
const stepOf = (words: Uint32Array): number => Math.max(1, Math.round(words.length / 4e6))

const HALF = 0x80000000
const boxOf = (word: number): number => ((word & 0xf8) << 7) | ((word & 0xf800) >> 6) | ((word & 0xf80000) >> 19)

function countBoxes(words: Uint32Array): { counts: Uint32Array; seen: number } {
  const counts = new Uint32Array(BOXES)
  let seen = 0
  const step = stepOf(words)
  for (let i = 0; i < words.length; i += step) {
    const word = words[i] as number
    if (word < HALF) continue
    const box = boxOf(word)
    counts[box] = (counts[box] as number) + 1
    seen++
  }
  return { counts, seen }
}

/** The boxes that hold anything, fullest first, each at its middle colour. */
function toBoxes(counts: Uint32Array): Box[] {
  const boxes: Box[] = []
  counts.forEach((count, index) => {
    if (count === 0) return
    const middle = (shift: number): number => linearOf(((index >> shift) & 31) * 8 + 4)
    const { l, c, h } = toOklch(hexOfLinear(middle(2 * BITS), middle(BITS), middle(0)))
    boxes.push({ index, count, l, a: c * Math.cos((h * Math.PI) / 180), b: c * Math.sin((h * Math.PI) / 180) })
  })
  return boxes.sort((x, y) => y.count - x.count || x.index - y.index)
}

/** Each box joins the nearest group in reach, else it founds one; then all boxes choose once more among the groups' means. */
function gather(boxes: readonly Box[]): Group[] {
  const founders: Group[] = []
  for (const box of boxes) {
    const near = nearest(founders, box)
    if (near && near.distance < NEAR) join(near.group, box)
    else founders.push({ l: box.l, a: box.a, b: box.b, count: box.count, boxes: [box] })
  }
  const settled = founders.map(({ l, a, b }): Group => ({ l, a, b, count: 0, boxes: [] }))
  for (const box of boxes) {
    const near = nearest(founders, box)
    const group = near && settled[founders.indexOf(near.group)]
    if (!group) continue
    group.count += box.count
    group.boxes.push(box)
  }
  return settled.filter((group) => group.count > 0)
}

function nearest(groups: readonly Group[], { l, a, b }: Box): { group: Group; distance: number } | null {
  let found: { group: Group; distance: number } | null = null
  for (const group of groups) {
    const distance = Math.hypot(group.l - l, group.a - a, group.b - b)
    if (!found || distance < found.distance) found = { group, distance }
  }
  return found
}

function join(group: Group, box: Box): void {
  const all = group.count + box.count
  for (const axis of ['l', 'a', 'b'] as const) group[axis] = (group[axis] * group.count + box[axis] * box.count) / all
  group.count = all
  group.boxes.push(box)
}

const largestBox = (group: Group): number => group.boxes.reduce((a, b) => (b.count > a.count ? b : a)).index

function meanColour(group: Group): string {
  const [l, a, b] = (['l', 'a', 'b'] as const).map((axis) => group.boxes.reduce((sum, box) => sum + box[axis] * box.count, 0) / group.count)
  return fromOklch({ l: l ?? 0, c: Math.hypot(a ?? 0, b ?? 0), h: ((Math.atan2(b ?? 0, a ?? 0) * 180) / Math.PI + 360) % 360 })
}

/** A colour counts as exact where this share of its box has it: flat areas of a drawing do, a photo's never. */
const FLAT = 0.4

/** For each box the colour most of its pixels have, where it is one flat colour. */
function exactColours(words: Uint32Array, boxes: readonly number[]): (string | null)[] {
  const size = 1 << (3 * (8 - BITS))
  const slots = new Int8Array(BOXES).fill(-1)
  boxes.forEach((box, slot) => {
    slots[box] = slot
  })
  const tallies = new Uint32Array(boxes.length * size)
  const step = stepOf(words)
  for (let i = 0; i < words.length; i += step) {
    const word = words[i] as number
    if (word < HALF) continue
    const slot = slots[boxOf(word)] as number
    if (slot < 0) continue
    const at = slot * size + (((word & 7) << 6) | ((word & 0x700) >> 5) | ((word & 0x70000) >> 16))
    tallies[at] = (tallies[at] as number) + 1
  }
  return boxes.map((box, slot) => {
    const tally = tallies.subarray(slot * size, (slot + 1) * size)
    const at = tally.indexOf(Math.max(...tally))
    const all = tally.reduce((sum, count) => sum + count, 0)
    if ((tally[at] ?? 0) < all * FLAT) return null
    const channel = (shift: number, low: number): number => (((box >> shift) & 31) << 3) | ((at >> low) & 7)
    return '#' + [channel(10, 6), channel(5, 3), channel(0, 0)].map((value) => value.toString(16).padStart(2, '0')).join('')
  })
}
