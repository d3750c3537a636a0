/** Whether lists and objects lie deeper in each other than allowed. Counted outside of strings, so what words hold does not matter. */
export function isDeepJson(text: string, most: number): boolean {
  let depth = 0
  let inWords = false
  for (let at = 0; at < text.length; at++) {
    const sign = text.charCodeAt(at)
    if (inWords) {
      if (sign === 0x5c) at++
      else if (sign === 0x22) inWords = false
    } else if (sign === 0x22) inWords = true
    else if (sign === 0x7b || sign === 0x5b) {
      if (++depth > most) return true
    } else if (sign === 0x7d || sign === 0x5d) depth--
  }
  return false
}
