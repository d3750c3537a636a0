/** A colour's red, green and blue, as bytes in one number. */
export function bytesOf(hex: string): number {
  return Number.parseInt(hex.slice(1, 7), 16)
}

let table: Float64Array | null = null

/** Linear light (0–1) of an sRGB byte. CSS Color 4, 10.2: the threshold is 0.04045. */
export function linearOf(byte: number): number {
  if (!table) {
    table = new Float64Array(256)
    for (let i = 0; i < 256; i++) {
      const value = i / 255
      table[i] = value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
    }
  }
  return table[byte] ?? 0
}

/** The sRGB byte of linear light; what lies outside 0–1 is cut off. */
export function byteOf(linear: number): number {
  if (linear <= 0) return 0
  if (linear >= 1) return 255
  return Math.round((linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055) * 255)
}

/** Six-digit hex of linear red, green and blue. */
export function hexOfLinear(r: number, g: number, b: number): string {
  return '#' + ((byteOf(r) << 16) | (byteOf(g) << 8) | byteOf(b)).toString(16).padStart(6, '0')
}
