import { MAX_BLOCKS, type RichBlock, type RichText, type SectionKind } from '../site'
import { finishRich } from './tidy'

/** What a rich place takes beside paragraphs, lists and small print. */
export type Allowed = {
  /** Sub-headings and quotations; words that belong to what they stand by, as a lead or a note, have none. */
  readonly parts: boolean
  /** The rank of its sub-headings: one under the heading that they stand under. */
  readonly rank: 2 | 3
}

/** What the slot of a kind takes. */
export function allowedIn(kind: SectionKind, slot: string): Allowed {
  const isBody = slot === 'body' || slot === 'answer' || kind === 'legal'
  // The words that open a page of small print stand right under the page's own heading.
  return { parts: isBody, rank: kind === 'legal' && slot === 'body' ? 2 : 3 }
}

/** The most characters that a rich place takes. */
export const MAX_RICH = 60_000

/**
 * What came from elsewhere, as a place takes it: a sub-heading where there are none is a paragraph in strong words, a quotation a
 * paragraph. `left` is how many words had no room.
 */
export function fitRich(rich: RichText, allowed: Allowed): { readonly rich: RichText; readonly left: number } {
  const kept: RichBlock[] = []
  let room = MAX_RICH
  for (const block of finishRich(asAllowed(rich, allowed))) {
    room -= lengthOf(block)
    if (room < 0 || kept.length === MAX_BLOCKS) break
    kept.push(block)
  }
  return { rich: kept, left: countWords(rich) - countWords(kept) }
}

/** A rich text with nothing in it that its place does not take. */
export function asAllowed(rich: RichText, { parts }: Allowed): RichText {
  return parts ? rich : rich.map(asParagraph)
}

function asParagraph(block: RichBlock): RichBlock {
  if (block.type === 'heading') return { ...block, type: 'p', runs: block.runs.map((run) => ({ ...run, strong: true })) }
  return block.type === 'quote' ? { ...block, type: 'p' } : block
}

function lengthOf({ runs }: RichBlock): number {
  return runs.reduce((sum, run) => sum + ('text' in run ? run.text.length : 1), 0)
}

/** Words between spaces; a chip is one. */
export function countWords(rich: RichText): number {
  return rich.reduce(
    (sum, { runs }) =>
      sum +
      (runs
        .map((run) => ('text' in run ? run.text : 'x'))
        .join('')
        .match(/\S+/g)?.length ?? 0),
    0,
  )
}
