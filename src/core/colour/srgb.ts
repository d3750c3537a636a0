const digit = (code: number): number => (code <= 57 ? code - 48 : (code | 32) - 87)

/** A colour's red, green and blue, as bytes in one number. */
export function bytesOf(hex: string): number {
  let bytes = 0
  for (let i = 1; i < 7; i++) bytes = (bytes << 4) | digit(hex.charCodeAt(i))
  return bytes
}

/** Linear light of an sRGB value, both 0–1. CSS Color 4, 10.2: the threshold is 0.04045. */
function toLight(value: number): number {
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
}

let table: Float64Array | null = null

/** Linear light (0–1) of an sRGB byte. */
export function linearOf(byte: number): number {
  table ??= Float64Array.from({ length: 256 }, (_, i) => toLight(i / 255))
  return table[byte] ?? 0
}

/**
 * Light at which one byte gives way to the next, and a first guess of the byte at each 1,024th of the way: looked up,
 * where a power would be computed.
 */
type Steps = { readonly edges: Float64Array; readonly guesses: Uint8Array }
let steps: Steps | null = null
const GUESSES = 1024

function makeSteps(): Steps {
  const edges = Float64Array.from({ length: 256 }, (_, byte) => (byte === 255 ? Number.POSITIVE_INFINITY : toLight((byte + 0.5) / 255)))
  const guesses = Uint8Array.from({ length: GUESSES + 1 }, (_, i) => edges.findIndex((edge) => i / GUESSES < edge))
  return { edges, guesses }
}

/** The sRGB byte of linear light; what lies outside 0–1 is cut off. */
export function byteOf(linear: number): number {
  if (linear <= 0) return 0
  if (linear >= 1) return 255
  steps ??= makeSteps()
  let byte = steps.guesses[Math.floor(linear * GUESSES)] as number
  while (linear >= (steps.edges[byte] as number)) byte++
  return byte
}

/** Six-digit hex of linear red, green and blue. */
export function hexOfLinear(r: number, g: number, b: number): string {
  return `#${(0x1000000 | (byteOf(r) << 16) | (byteOf(g) << 8) | byteOf(b)).toString(16).slice(1)}`
}
