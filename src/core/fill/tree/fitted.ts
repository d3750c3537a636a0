import { own } from '../../own'
import { heldStyle, type CountedText, type ListMark } from '../../lines'
import { designKey } from '../../pack'
import { partsOf, type RichPart } from '../../rich'
import { holdKey, siteLanguage, type Hold, type RichBlock, type RichRun, type SlotValue } from '../../site'
import { shownEntries, shownEntrySlot, shownSlot, type Content } from '../content'
import { shownChip } from '../shown-fact'
import type { HoldAsk, Site } from '../site'
import { printed } from './direction'
import type { FilledElement } from './tree'

/** Where a text stands whose lines are held: a slot of a section, or of every entry of one of its lists. */
export type HeldPlace = {
  readonly content: Content
  readonly list: string | null
  readonly slot: string
}

/** What the element of a place gets so that its lines are held; null where they are not, or cannot be. */
export function fittedTo(site: Site, place: HeldPlace): FilledElement['extra'] {
  const hold = own(place.content.section.holds ?? {}, holdKey(place.list, place.slot))
  const ask = hold !== undefined && site.holds ? holdAsk(site, place, hold) : null
  const held = ask && site.holds?.(ask)
  return held ? { style: heldStyle(held) } : null
}

/** What is asked of a text that is to be held to its lines; null where they cannot be counted. All entries of a list have one size. */
export function holdAsk(site: Site, { content, list, slot }: HeldPlace, hold: Hold): HoldAsk | null {
  const { section } = content
  const shown =
    list === null
      ? [shownSlot(content, slot)?.value]
      : shownEntries(content, list)
          .filter(({ hidden }) => !hidden)
          .map((entry) => shownEntrySlot(entry, slot)?.value)
  const texts = textsOf(site, shown)
  return (
    texts && {
      look: designKey(section.kind, section.design),
      key: holdKey(list, slot),
      texts,
      hold,
      bold: shown.some((value) => value?.type === 'rich' && value.rich.some(({ runs }) => runs.some((run) => run.strong))),
      language: siteLanguage(site.document),
    }
  )
}

/** The words of places as they are printed; null where one's lines cannot be counted. */
function textsOf(site: Site, values: readonly (SlotValue | undefined)[]): readonly CountedText[] | null {
  const texts = values.map((value) => countedText(site, value))
  return texts.includes(null) ? null : texts.flatMap((text) => (text === null || text.words === '' ? [] : [text]))
}

/** The words of a place as they are printed, to count their lines; null where those are not of one size: of sub-headings and the like. */
export function countedText(site: Site, value: SlotValue | undefined): CountedText | null {
  const words = (text: string): CountedText => ({ words: printed(site.document, text), lists: [] })
  switch (value?.type) {
    case 'rich': {
      const paragraphs = partsOf(value.rich).map((part) => paragraphsOf(site, part, []))
      if (paragraphs.includes(null)) return null
      const all = paragraphs.flatMap((some) => some ?? [])
      return { ...words(all.map(({ text }) => text).join('\n')), lists: all.map(({ lists }) => lists) }
    }
    case 'text':
      return words(value.text)
    case 'link':
      return words(value.label)
    default:
      return words('')
  }
}

type Paragraph = { readonly text: string; readonly lists: readonly ListMark[] }

/** The paragraphs of a part, each of which begins a line, with the lists that they stand in; null of what is set in another size. */
function paragraphsOf(site: Site, part: RichPart, lists: readonly ListMark[]): readonly Paragraph[] | null {
  if (part.type === 'block') return part.block.type === 'p' ? linesOf(site, part.block, lists) : null
  if (part.type === 'quote') return null
  const within: readonly ListMark[] = [...lists, part.number ? 'ol' : 'ul']
  return part.entries.flatMap(({ block, under }) => [
    ...linesOf(site, block, within),
    ...under.flatMap((list) => paragraphsOf(site, list, within) ?? []),
  ])
}

function linesOf(site: Site, { runs }: RichBlock, lists: readonly ListMark[]): readonly Paragraph[] {
  const words = (run: RichRun): string => ('text' in run ? run.text : shownChip(site, run.fact))
  return runs
    .map(words)
    .join('')
    .split('\n')
    .map((text) => ({ text, lists }))
}
