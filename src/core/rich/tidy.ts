import { memoOf } from '../memo'
import { isSame, type ChipRun, type RichBlock, type RichRun, type RichText, type RunStyle, type TextRun } from '../site'

/**
 * The one form of a rich text, whoever wrote it: neighbouring runs that are set alike are one, runs without words are none, an entry lies
 * at most one level deeper than the one before it, and what is said of entries is said of entries alone.
 */
export function tidyRich(rich: RichText): RichText {
  let depth = -1
  return rich.map((block) => {
    depth = block.type === 'li' ? Math.min(block.depth ?? 0, depth + 1) : -1
    return tidyBlock(block, depth)
  })
}

/** Spaces as a page shows them: several are one, whatever they are, and a no-break space alone stays one. */
const SPACES = /[ \t\n\f\r\u00a0]+/g

/**
 * A rich text as it is when nobody types in it any more: tidy, without blocks that say nothing, without spaces that no page shows. A
 * line break stays, but for those at the ends of a block; two in a row end it. Every page and check that shows a text asks.
 */
export const finishRich = memoOf((rich: RichText): RichText => {
  const blocks = rich.flatMap(atBreaks).map(finishBlock)
  return tidyRich(blocks.filter((block) => block.runs.some(runSays)))
})

/** A block as the paragraphs that two line breaks in a row part it into. */
function atBreaks(block: RichBlock): RichBlock[] {
  const parts: RichRun[][] = [[]]
  let breaks = 0
  for (const piece of block.runs.flatMap(inLines)) {
    const isBreak = 'text' in piece && piece.text === '\n'
    if (isBreak && ++breaks === 2) parts.push([])
    if (isBreak ? breaks < 2 : breaks === 0 || runSays(piece)) parts.at(-1)?.push(piece)
    if (!isBreak && runSays(piece)) breaks = 0
  }
  return parts.map((runs) => ({ ...block, runs }))
}

function runSays(run: RichRun): boolean {
  return 'fact' in run || run.text.trim() !== ''
}

/** A run as its lines and the breaks between them. */
function inLines(run: RichRun): RichRun[] {
  return 'fact' in run ? [run] : run.text.split(/(\n)/).map((text) => ({ ...run, text }))
}

function finishBlock(block: RichBlock): RichBlock {
  let before = '\n'
  const runs = tidyRuns(block.runs).map((run): RichRun => {
    if ('fact' in run) {
      before = run.fact
      return run
    }
    const spaced = run.text.replace(SPACES, asShown)
    const text = /[ \n]$/.test(before) ? spaced.replace(/^ +/, '') : spaced
    if (text !== '') before = text
    return { ...run, text }
  })
  return { ...block, runs: plainly(block, tidyRuns(withoutEnds(runs))) }
}

/** A sub-heading is strong as it is: that all of its words are set so says nothing. */
function plainly({ type }: RichBlock, runs: RichRun[]): RichRun[] {
  if (type !== 'heading' || !runs.every((run) => run.strong)) return runs
  return runs.map((run) => {
    const { strong: _, ...rest } = run
    return rest
  })
}

function asShown(spaces: string): string {
  if (spaces.includes('\n')) return '\n'
  return /[ \t\f\r]/.test(spaces) ? ' ' : spaces
}

function withoutEnd(text: string): string {
  let end = text.length
  while (text[end - 1] === ' ' || text[end - 1] === '\n') end--
  return text.slice(0, end)
}

/** Without spaces and breaks before the first word and after the last. */
function withoutEnds(runs: readonly RichRun[]): RichRun[] {
  const kept = [...runs]
  const trim = (at: 0 | -1, without: (text: string) => string): void => {
    for (let run = kept.at(at); run && 'text' in run; run = kept.at(at)) {
      const text = without(run.text)
      if (text !== '') return void (kept[at === 0 ? 0 : kept.length - 1] = { ...run, text })
      if (at === 0) kept.shift()
      else kept.pop()
    }
  }
  trim(0, (text) => text.replace(/^[ \n]+/, ''))
  trim(-1, withoutEnd)
  return kept
}

function tidyBlock({ type, runs, number, align, dir }: RichBlock, depth: number): RichBlock {
  const entry = type === 'li' ? { ...(number && { number }), ...(depth > 0 && { depth: depth as 1 | 2 }) } : {}
  return { type, runs: tidyRuns(runs), ...entry, ...(align && { align }), ...(dir && { dir }) }
}

function tidyRuns(runs: readonly RichRun[]): RichRun[] {
  const out: RichRun[] = []
  for (const run of runs) {
    const last = out.at(-1)
    if ('fact' in run) out.push({ fact: run.fact, ...styleOf(run) })
    else if (run.text === '') continue
    else if (last && 'text' in last && sameStyle(last, run)) out[out.length - 1] = { ...last, text: last.text + run.text }
    else out.push({ text: run.text, ...styleOf(run) })
  }
  return out
}

/** How a run is set, without its words. */
export function styleOf({ strong, em, to }: TextRun | ChipRun): RunStyle {
  return { ...(strong && { strong }), ...(em && { em }), ...(to && { to }) }
}

export function sameStyle(a: RichRun, b: RichRun): boolean {
  return a.strong === b.strong && a.em === b.em && sameTarget(a, b)
}

/** Whether two runs lead to the same, or neither anywhere. */
export function sameTarget({ to: a }: RichRun, { to: b }: RichRun): boolean {
  return isSame(a, b)
}
