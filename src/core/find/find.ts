import type { Pack } from '../pack'
import { placeKey, type SiteDocument } from '../site'
import { matcherOf, type Query } from './query'
import { wordPlaces, type WordPlace } from './word-places'

/** Words that were found: in which place, on which of its lines, from which letter to which; and the sentence around them. */
export type Hit = {
  readonly key: string
  readonly of: WordPlace
  readonly line: number
  readonly from: number
  readonly to: number
  readonly before: string
  readonly words: string
  readonly after: string
}

/** The most hits that are shown; more are counted. */
export const MOST_HITS = 2000
const AROUND = 60

/** Every time that what is asked for stands in words of the site's own, in reading order, up to a number. */
export function findWords(pack: Pack, document: SiteDocument, asked: Query): readonly Hit[] {
  const matcher = matcherOf(asked)
  if (!matcher) return []
  const hits: Hit[] = []
  for (const of of wordPlaces(pack, document)) {
    for (const [line, text] of of.lines.entries())
      for (const { index, 0: words } of text.matchAll(matcher)) {
        hits.push(hitAt(of, line, text, index, words))
        if (hits.length === MOST_HITS) return hits
      }
  }
  return hits
}

/** Words that were found, in their sentence. */
export function hitAt(of: WordPlace, line: number, text: string, from: number, words: string): Hit {
  const to = from + words.length
  return { key: `${placeKey(of.place)} ${line} ${from}`, of, line, from, to, words, before: before(text, from), after: after(text, to) }
}

/** The sentence that words stand in, so far as there is room for it; it is cut between words. */
function before(text: string, from: number): string {
  const whole = text.slice(0, from)
  const start = whole.lastIndexOf('. ') + 1
  if (from - start <= AROUND) return whole.slice(start).trimStart()
  const cut = whole.slice(-AROUND)
  return `… ${cut.slice(cut.indexOf(' ') + 1)}`
}

function after(text: string, to: number): string {
  const rest = text.slice(to)
  const end = rest.search(/[.!?](?:\s|$)/)
  const sentence = end < 0 ? rest : rest.slice(0, end + 1)
  if (sentence.length <= AROUND) return sentence
  const cut = sentence.slice(0, AROUND)
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), 1))} …`
}
