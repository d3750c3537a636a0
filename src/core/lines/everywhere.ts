import { heldIn, roomHeld, type Held, type Room } from './hold'
import { lineEnd } from './lines'
import type { Piece } from './pieces'

/** The windows in which sites are looked at, in px. */
export const NARROWEST = 320
export const WIDEST = 1920

/** Windows from one width to another, both in px, in which a text takes so many lines; the smallest that it is set there, in px. */
export type Stretch = { readonly from: number; readonly to: number; readonly lines: number; readonly smallest: number }

/**
 * How many lines a text takes at every width, from rooms that were measured in ascending order, at both sides of every width at which a
 * design changes: between two of them a room grows evenly. Where the number of lines changes is found to the pixel.
 */
export function linesEverywhere(held: Held | null, pieces: readonly Piece[], rooms: readonly Room[]): readonly Stretch[] {
  const at = (room: Room): { lines: number; px: number } => {
    const { share, lines } = heldIn(held, pieces, room)
    return { lines, px: share * room.size }
  }
  const stretches: Stretch[] = []
  const note = (from: number, to: number, lines: number, px: number): void => {
    const last = stretches.at(-1)
    if (last?.lines === lines) stretches[stretches.length - 1] = { ...last, to, smallest: Math.min(last.smallest, px) }
    else stretches.push({ from, to, lines, smallest: px })
  }
  rooms.forEach((room, i) => {
    const now = at(room)
    const before = rooms[i - 1]
    if (!before) return note(room.width, room.width, now.lines, now.px)
    let [left, leftLines] = [before, at(before).lines]
    while (leftLines !== now.lines && room.width - left.width > 1) {
      // The first change after what is known.
      const change = firstChange(left, room, leftLines, (width) => at(between(before, room, width)).lines)
      note(left.width, change - 1, leftLines, at(left).px)
      left = between(before, room, change)
      leftLines = at(left).lines
      note(change, change, leftLines, at(left).px)
    }
    note(Math.max(left.width, room.width), room.width, now.lines, now.px)
  })
  return stretches
}

/** The narrowest window, wider than `from`, in which the lines are others; they change in one direction only. */
function firstChange(from: Room, to: Room, lines: number, linesAt: (width: number) => number): number {
  let [same, other] = [from.width, to.width]
  while (other - same > 1) {
    const middle = (same + other) >> 1
    if (linesAt(middle) === lines) same = middle
    else other = middle
  }
  return other
}

function between(a: Room, b: Room, width: number): Room {
  const share = (width - a.width) / (b.width - a.width)
  const size = a.size + (b.size - a.size) * share
  const along = (part: 'room' | 'column'): number => (a[part] * a.size + (b[part] * b.size - a[part] * a.size) * share) / size
  return { width, size, room: along('room'), column: along('column') }
}

/**
 * After how many UTF-16 units a text is over its limit of `most` lines, where it is set in the worst of some rooms; null where it is in
 * none of them.
 */
export function overAt(held: Held | null, pieces: readonly Piece[], most: number, rooms: readonly Room[]): number | null {
  let least: number | null = null
  for (const room of rooms) {
    if (heldIn(held, pieces, room).lines <= most) continue
    let at = 0
    for (let line = 0; line < most; line++) at = lineEnd(pieces, at, roomHeld(held, pieces, room))
    const end = pieces[at - 1]?.at ?? 0
    least = Math.min(least ?? end, end)
  }
  return least
}
