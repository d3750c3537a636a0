import { memoOf } from '../../memo'
import { listPlaceholders, overlay, templateSections, type Pack } from '../../pack'
import { plainWords } from '../../site'
import type { Span } from './near'

/** So many words in a row are nobody's by chance. */
const RUN = 6
const WORD = /[\p{L}\p{N}][\p{L}\p{N}\p{M}'’]*/gu

type Word = Span & { readonly word: string }

/** The words of a line as they are compared, and where each stands. */
function wordsOf(line: string): readonly Word[] {
  return [...line.matchAll(WORD)].map((found) => ({
    word: found[0].toLocaleLowerCase().replaceAll('’', "'"),
    from: found.index,
    to: found.index + found[0].length,
  }))
}

/** Every run of words that templates come with. */
const templateRuns = memoOf((pack: Pack): ReadonlySet<string> => {
  const runs = new Set<string>()
  const add = (text: string): void => {
    const words = wordsOf(text).map(({ word }) => word)
    for (let i = 0; i + RUN <= words.length; i++) runs.add(words.slice(i, i + RUN).join(' '))
  }
  for (const design of Object.values(pack.designs)) for (const { value } of listPlaceholders(design.placeholders)) add(plainWords(value))
  for (const template of Object.values(pack.templates))
    for (const section of templateSections(template))
      for (const { value } of listPlaceholders(overlay({ slots: {}, lists: {} }, section.placeholders))) add(plainWords(value))
  return runs
})

/** Runs of a template's own words in a line, each as long as it goes on. */
export function templateSpans(pack: Pack, line: string): readonly Span[] {
  const words = wordsOf(line)
  if (words.length < RUN) return []
  const runs = templateRuns(pack)
  const spans: { from: number; to: number }[] = []
  for (let i = 0; i + RUN <= words.length; i++) {
    const run = words.slice(i, i + RUN)
    if (!runs.has(run.map(({ word }) => word).join(' '))) continue
    const [from, to] = [run[0]!.from, run.at(-1)!.to]
    const last = spans.at(-1)
    if (last && from <= last.to) last.to = to
    else spans.push({ from, to })
  }
  return spans
}
