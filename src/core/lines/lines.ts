import type { Piece } from './pieces'

/** Lengths are compared in em; what a browser rounds away is not too long. */
const ROUNDED = 1e-4

/**
 * How many lines a text takes in a room of `room` em: each is filled before the next is begun. A piece that is longer than the room is
 * broken within, as `overflow-wrap: break-word` has it.
 */
export function linesIn(pieces: readonly Piece[], room: number): number {
  let lines = 1
  // What stands on the line already, where a word was broken and goes on there.
  let begun = 0
  for (let at = 0; at < pieces.length;) {
    const end = lineEnd(pieces, at, room, begun)
    const piece = pieces[at]
    const within = room - (piece?.inset ?? 0)
    if (piece && begun === 0 && piece.seen > within + ROUNDED) {
      // Never less than a letter a line, so that this ends.
      const further = Math.ceil(piece.seen / Math.max(within, 0.2)) - 1
      lines += further + (piece.ends ? 1 : 0)
      begun = piece.ends ? 0 : Math.max(piece.full - further * within, 0.01)
    } else {
      if (end < pieces.length) lines++
      begun = 0
    }
    at = end
  }
  return lines
}

/**
 * The piece after the last one of the line that begins with the piece `from`, after `begun` em that stand on it already: `from` itself
 * where that leaves it no room.
 */
export function lineEnd(pieces: readonly Piece[], from: number, room: number, begun = 0): number {
  const within = room - (pieces[from]?.inset ?? 0) + ROUNDED
  let x = begun
  let last = begun > 0 ? from : from + 1
  for (let i = from; i < pieces.length; i++) {
    const piece = pieces[i]
    if (!piece || (x > 0 && x + piece.seen > within)) break
    // Where the line would end with a hyphen, that has to have room too.
    if (x + piece.seen + piece.hyphen <= within) last = i + 1
    if (piece.ends) return i + 1
    x += piece.full
  }
  return last
}

/**
 * The shortest room, in em, in which a text takes no more than `most` lines without a word broken: what is as long or longer has no more
 * lines either. To a thousandth of an em, never too short.
 */
export function leastRoom(pieces: readonly Piece[], most: number): number {
  let short = Math.max(0, ...pieces.map(({ seen, hyphen, inset }) => seen + hyphen + inset))
  if (linesIn(pieces, short) <= most) return short
  let long = pieces.reduce((sum, { full, inset }) => sum + full + inset, 0)
  while (long - short > 5e-4) {
    const middle = (short + long) / 2
    if (linesIn(pieces, middle) <= most) long = middle
    else short = middle
  }
  return long
}
