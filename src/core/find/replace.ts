import {
  MAX_LABEL,
  MAX_PAGE_TEXT,
  MAX_TEXT,
  toEdit,
  type ChipFact,
  type Edit,
  type EditStep,
  type RichRun,
  type RichText,
  type SlotValue,
} from '../site'
import { styleOf, tidyRich } from '../rich'
import type { Hit } from './find'
import type { WordPlace } from './word-places'

/** What is put in: words, or in rich text a chip. */
export type Put = string | { readonly fact: ChipFact }
type Range = Pick<Hit, 'line' | 'from' | 'to'>

/** The edit that puts other words where the hits are, all at once; null where there are none. */
export function replaceWords(hits: readonly Hit[], words: Put): Edit | null {
  const places = new Map<WordPlace, Hit[]>()
  for (const hit of hits) places.set(hit.of, [...(places.get(hit.of) ?? []), hit])
  const steps = [...places].flatMap(([of, ranges]) => stepAt(of, ranges, words))
  return steps.length > 0 ? toEdit(steps) : null
}

function stepAt({ place, value, lines }: WordPlace, ranges: readonly Range[], put: Put): EditStep[] {
  const text = withWords(lines[0] ?? '', ranges, typeof put === 'string' ? put : '')
  switch (place.type) {
    case 'slot': {
      const { section, entry, slot } = place
      return value ? [{ type: 'slot/set', section, entry, slot, value: valueWith(value, ranges, text, put) }] : []
    }
    case 'page':
      return place.part === 'address' ? [] : [{ type: 'page/set', page: place.page, part: place.part, value: text.slice(0, MAX_PAGE_TEXT) }]
    case 'fact':
      return [{ type: 'fact/set', fact: place.fact, value: text }]
    case 'label':
      return [{ type: 'label/set', label: place.label, value: { text: text.slice(0, MAX_LABEL) } }]
    case 'brand':
      return []
    default:
      return place satisfies never
  }
}

/** A value with other words in it; words that somebody replaced are nobody's draft any more. */
function valueWith(value: SlotValue, ranges: readonly Range[], text: string, put: Put): SlotValue {
  switch (value.type) {
    case 'text':
      return { type: 'text', text: text.slice(0, MAX_TEXT) }
    case 'link': {
      const { draft: _, ...link } = value
      return { ...link, label: text.slice(0, MAX_TEXT) }
    }
    case 'image':
      return { ...value, alt: text.slice(0, MAX_TEXT) }
    case 'rich':
      return { type: 'rich', rich: richWith(value.rich, ranges, put) }
    case 'list':
      return value
    default:
      return value satisfies never
  }
}

/** Other words at each range, from the last to the first, so that none moves another. */
function withWords(text: string, ranges: readonly Pick<Range, 'from' | 'to'>[], words: string): string {
  return [...ranges].sort((a, b) => b.from - a.from).reduce((now, { from, to }) => now.slice(0, from) + words + now.slice(to), text)
}

function richWith(rich: RichText, ranges: readonly Range[], put: Put): RichText {
  return tidyRich(
    rich.map((block, line) => {
      const here = ranges.filter((range) => range.line === line).sort((a, b) => b.from - a.from)
      return here.length === 0 ? block : { ...block, runs: here.reduce((runs, range) => runsWith(runs, range, put), composed(block.runs)) }
    }),
  )
}

function composed(runs: readonly RichRun[]): readonly RichRun[] {
  return runs.map((run) => ('fact' in run ? run : { ...run, text: run.text.normalize('NFC') }))
}

/** Other words over a range that may reach across runs: they are set as its first letter was. */
function runsWith(runs: readonly RichRun[], { from, to }: Range, put: Put): readonly RichRun[] {
  const out: RichRun[] = []
  let at = 0
  let isPut = false
  for (const run of runs) {
    const length = 'fact' in run ? 1 : run.text.length
    const [start, end] = [Math.max(from - at, 0), Math.min(to - at, length)]
    at += length
    if ('fact' in run || start >= end) {
      out.push(run)
      continue
    }
    out.push({ ...run, text: run.text.slice(0, start) })
    if (!isPut) out.push(typeof put === 'string' ? { ...run, text: put } : { ...styleOf(run), ...put })
    out.push({ ...run, text: run.text.slice(end) })
    isPut = true
  }
  return out
}
