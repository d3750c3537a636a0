import { otherOrder, plainer, shorter } from './change-words'

/** In which way words are changed. */
export type Change = 'first' | 'shorter' | 'plainer' | 'order' | 'longer'
export type Suggestion = { readonly change: Change; readonly text: string }

/** What is at hand for words: a first text for the place, and sentences that the client's trade can say truly. */
export type Phrases = { readonly first: string | null; readonly more: readonly string[] }

const MOST_LONGER = 2

/**
 * Other words for a text, each a draft for somebody to confirm: said in fewer words, in plainer ones, in another order, with a sentence
 * from the phrase bank after it. Nothing is made up: whatever comes is from the text itself or from the bank, which has no praise, people,
 * prices or years.
 */
export function suggestWords(text: string, language: string, { first, more }: Phrases): readonly Suggestion[] {
  const said = text.trim()
  const all: Suggestion[] = first === null ? [] : [{ change: 'first', text: first }]
  if (said !== '') {
    const lines = said.split('\n')
    all.push(...fewer(lines, language).map((words): Suggestion => ({ change: 'shorter', text: words })))
    all.push({ change: 'plainer', text: lines.map((line) => plainer(line, language)).join('\n') })
    all.push({ change: 'order', text: lines.length > 1 ? [lines.at(-1), ...lines.slice(0, -1)].join('\n') : otherOrder(said, language) })
    const longer = more.filter((sentence) => !said.includes(sentence)).slice(0, MOST_LONGER)
    all.push(...longer.map((sentence): Suggestion => ({ change: 'longer', text: withMore(lines, sentence) })))
  }
  const seen = new Set([said])
  return all.filter(({ text: words }) => words !== '' && !seen.has(words) && seen.add(words))
}

/** A text of one paragraph loses what says least, one of several also its last paragraph. */
function fewer(lines: readonly string[], language: string): readonly string[] {
  if (lines.length === 1) return shorter(lines[0] ?? '', language)
  const lean = lines.map((line) => shorter(line, language)[0] ?? line).join('\n')
  return [lean, lines.slice(0, -1).join('\n')]
}

function withMore(lines: readonly string[], sentence: string): string {
  return lines.length > 1 ? [...lines, sentence].join('\n') : `${ended(lines[0] ?? '')} ${sentence}`
}

function ended(text: string): string {
  return /[.!?…]$/.test(text) ? text : `${text}.`
}
