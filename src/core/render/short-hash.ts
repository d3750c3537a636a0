/** A short name for a text: two FNV-1a hashes of 32 bits, one begun elsewhere. Nothing is guarded by it. */
export function shortHash(text: string): string {
  let [a, b] = [0x811c9dc5, 0x01234567]
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b ^ code, 0x01000193)
  }
  return [a, b].map((part) => (part >>> 0).toString(16).padStart(8, '0')).join('')
}
