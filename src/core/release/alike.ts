/** A stretch of a content: one that an earlier content has too, `bytes` long from `from` on there, or bytes that it has nowhere. */
export type Part = { readonly from: number; readonly bytes: number } | { readonly fresh: Uint8Array }

/** How long stretches are that are looked for, and the least that is worth being taken over, both in bytes. */
const BLOCK = 32
const LEAST = 256
/** Of a rolling sum (Rabin and Karp, 1987): any odd factor; sums wrap at 32 bits. */
const FACTOR = 0x01000193

/**
 * A content told by what it shares with an earlier one, its parts in order. What both begin with is found first, then stretches anywhere in
 * the earlier one; it takes time as long as both together.
 */
export function partsAlike(before: Uint8Array, after: Uint8Array): readonly Part[] {
  const parts: Part[] = []
  const blocks = blocksOf(before)
  const out = outgoing()
  /** Where bytes begin that were found nowhere so far. */
  let fresh = 0
  let at = 0
  const take = (from: number, start: number, bytes: number): void => {
    if (start > fresh) parts.push({ fresh: after.subarray(fresh, start) })
    parts.push({ from, bytes })
    fresh = at = start + bytes
  }
  const first = alikeOn(before, 0, after, 0)
  if (first >= LEAST || (first > 0 && first === after.length)) take(0, 0, first)
  let sum = sumOf(after, at)
  while (at + BLOCK <= after.length) {
    const found = blocks.get(sum)
    const back = found === undefined ? 0 : alikeBack(before, found, after, at, fresh)
    const on = found === undefined ? 0 : alikeOn(before, found, after, at)
    if (found !== undefined && on >= BLOCK && back + on >= LEAST) {
      take(found - back, at - back, back + on)
      sum = sumOf(after, at)
    } else {
      sum = (Math.imul(sum - Math.imul(after[at]!, out), FACTOR) + (after[at + BLOCK] ?? 0)) >>> 0
      at++
    }
  }
  if (fresh < after.length) parts.push({ fresh: after.subarray(fresh) })
  return parts
}

/** Every block of a content, by its sum; of blocks that are alike the first. */
function blocksOf(content: Uint8Array): ReadonlyMap<number, number> {
  const blocks = new Map<number, number>()
  for (let at = 0; at + BLOCK <= content.length; at += BLOCK) {
    const sum = sumOf(content, at)
    if (!blocks.has(sum)) blocks.set(sum, at)
  }
  return blocks
}

function sumOf(content: Uint8Array, from: number): number {
  let sum = 0
  for (let i = from; i < from + BLOCK; i++) sum = (Math.imul(sum, FACTOR) + (content[i] ?? 0)) >>> 0
  return sum
}

/** What a byte counts for in a sum when it is the first of its block. */
function outgoing(): number {
  let factor = 1
  for (let i = 1; i < BLOCK; i++) factor = Math.imul(factor, FACTOR)
  return factor
}

function alikeOn(before: Uint8Array, from: number, after: Uint8Array, at: number): number {
  let bytes = 0
  while (from + bytes < before.length && at + bytes < after.length && before[from + bytes] === after[at + bytes]) bytes++
  return bytes
}

function alikeBack(before: Uint8Array, from: number, after: Uint8Array, at: number, until: number): number {
  let bytes = 0
  while (from - bytes > 0 && at - bytes > until && before[from - bytes - 1] === after[at - bytes - 1]) bytes++
  return bytes
}
