import { own } from '../../own'
import { heldStyle } from '../../lines'
import { designKey } from '../../pack'
import { holdKey, siteLanguage, type Hold, type RichRun, type RichText, type SlotValue } from '../../site'
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

/** What is asked of a text that is to be held to its lines; null where it has more than paragraphs. All entries of a list have one size. */
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

/** The words of places as they are printed; null where one has more than paragraphs, whose lines are not all of one length. */
function textsOf(site: Site, values: readonly (SlotValue | undefined)[]): readonly string[] | null {
  const texts = values.map((value) => heldWords(site, value))
  return texts.includes(null) ? null : texts.flatMap((text) => (text === null || text === '' ? [] : [text]))
}

/** The words of a place as one text in which lines can be counted; null of more than paragraphs. */
export function heldWords(site: Site, value: SlotValue | undefined): string | null {
  const text = value?.type === 'rich' ? paragraphs(site, value.rich) : value?.type === 'text' ? value.text : ''
  return text && printed(site.document, text)
}

/** Paragraphs as one text, each beginning a line; null of anything else. */
function paragraphs(site: Site, rich: RichText): string | null {
  if (rich.some(({ type }) => type !== 'p')) return null
  const words = (run: RichRun): string => ('text' in run ? run.text : shownChip(site, run.fact))
  return rich.map(({ runs }) => runs.map(words).join('')).join('\n')
}
