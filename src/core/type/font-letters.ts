/** Letters that every published font file keeps, so that most later changes of text need no new one: the alphabet and common typography. */
const ALWAYS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789 !"%&\'()+,-./:;?@\u00a0\u2009\u202f‑–—‘’“”…•·×£€©°é'

/** The letters a site's font files must hold: the always-kept ones and those its text uses, sorted, each once. */
export function fontLetters(texts: Iterable<string>): string {
  const letters = new Set(ALWAYS)
  for (const text of texts) for (const letter of text) letters.add(letter)
  letters.delete('\n')
  return [...letters].sort().join('')
}
