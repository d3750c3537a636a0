import { RANGES, type Family } from './family'
import { isInRange, missingLetters } from './readable'

/** Letters of texts that no file of a family is there for, each once; of the client's own files nothing is known here. */
export function lackingLetters(family: Family, texts: Iterable<string>): readonly string[] {
  const ranges = [...new Set(family.files.map((file) => file.range))]
  if (ranges.includes(null)) return []
  return missingLetters(texts, (point) => ranges.some((range) => range !== null && isInRange(RANGES[range], point)))
}
