/** Letters every published font file keeps, so that most later changes of text need no new font file: ASCII and common typography. */
const ALWAYS = Array.from({ length: 95 }, (_, i) => String.fromCodePoint(32 + i)).join('') + '   ‑–—‘’“”…•·×½¼¾£€©®°éèêáàâäöüßçñôîïåæø'

/** The letters a site's font files must hold: the always-kept ones and those its text uses, sorted, each once. */
export function fontLetters(texts: Iterable<string>): string {
  const letters = new Set(ALWAYS)
  for (const text of texts) for (const letter of text) letters.add(letter)
  letters.delete('\n')
  return [...letters].sort().join('')
}
