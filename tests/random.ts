/** A repeatable stream of numbers from 0 to 1 (mulberry32, public domain; written from memory). */
export function random(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export function randomHex(next: () => number): string {
  return `#${Math.floor(next() * 0x1000000)
    .toString(16)
    .padStart(6, '0')}`
}
