import { hitAt, matcherOf, wordPlaces, type WordPlace } from '../../find'
import { memoBy } from '../../memo'
import { own } from '../../own'
import type { Pack } from '../../pack'
import { targetName } from '../../plan'
import { factsOf, targetsIn, type SiteDocument } from '../../site'
import { dummySpans } from './dummy-words'
import { exampleSpans } from './examples'
import { NEAR_KINDS, type Near, type NearKind, type Span } from './near'
import { templateSpans } from './template-words'
import { typedFacts } from './typed-facts'

type Found = Span & { readonly line: number; readonly kind: NearKind; readonly fact?: 'phone' | 'email' }

/** Words of the client's that may not be the client's after all, in reading order, but for those that are to stay as they are. */
export function findNear(pack: Pack, document: SiteDocument): readonly Near[] {
  return wordPlaces(pack, document).flatMap((of) =>
    foundIn(pack, document, of).flatMap(({ line, kind, from, to, fact }): Near[] => {
      const text = of.lines[line] ?? ''
      const words = text.slice(from, to)
      const asIs = `${kind}: ${words.toLowerCase().slice(0, 380)}`
      if (own(document.asIs, asIs)) return []
      return [
        { ...hitAt(of, line, text, from, words), key: `${kind} ${of.name} ${of.where} ${line} ${from}`, kind, asIs, ...(fact && { fact }) },
      ]
    }),
  )
}

/** How many of each kind. */
export function countNear(all: readonly Near[]): ReadonlyMap<NearKind, number> {
  return new Map(NEAR_KINDS.map((kind) => [kind, all.filter((one) => one.kind === kind).length]))
}

/** What stands in a place that stayed the same is what was found there last time; where its links lead is asked each time. */
function foundIn(pack: Pack, document: SiteDocument, of: WordPlace): readonly Found[] {
  return [...foundInWords(pack, document, of), ...nowhereIn(pack, document, of)]
}

const foundInWords = memoBy(
  (pack: Pack, document: SiteDocument, of: WordPlace) => [of, pack, document.facts],
  (pack, document, of): readonly Found[] => of.lines.flatMap((text, line) => foundOn(pack, document, of, text, line)),
)

function foundOn(pack: Pack, document: SiteDocument, of: WordPlace, text: string, line: number): Found[] {
  const all: Found[] = []
  const add = (kind: NearKind, spans: readonly (Span & { readonly fact?: 'phone' | 'email' })[]): void => {
    for (const span of spans) if (!all.some((one) => one.from < span.to && span.from < one.to)) all.push({ ...span, line, kind })
  }
  add('dummy', dummySpans(text))
  // What was kept as the client's was the template's, and is so on purpose.
  if (!of.isKept) add('template', templateSpans(pack, text))
  add(
    'name',
    templateNames(pack, document).flatMap((name) => spansOf(text, name)),
  )
  if (of.place.type === 'slot') add('typed', typedFacts(document, text))
  add('example', exampleSpans(text))
  return all.sort((a, b) => a.from - b.from)
}

/** What the templates' own businesses are called, but for names that are the client's own. */
function templateNames(pack: Pack, document: SiteDocument): readonly string[] {
  const own = (factsOf(document).name ?? '').toLowerCase()
  return Object.values(pack.templates)
    .map(({ facts }) => facts.name)
    .filter((name) => !own.includes(name.toLowerCase()))
}

function spansOf(text: string, words: string): readonly Span[] {
  const matcher = matcherOf({ words, isExact: true, isWhole: true })
  return matcher ? [...text.matchAll(matcher)].map(({ index, 0: found }) => ({ from: index, to: index + found.length })) : []
}

/** Links of the client's that lead nowhere. */
function nowhereIn(pack: Pack, document: SiteDocument, of: WordPlace): readonly Found[] {
  if (!of.value || !targetsIn(of.value).some((to) => targetName({ pack, document }, to).gone)) return []
  return [{ line: 0, from: 0, to: Math.min((of.lines[0] ?? '').length, 60), kind: 'nowhere' }]
}
