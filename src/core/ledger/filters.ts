import type { Pack } from '../pack'
import { folded } from '../plan'
import { differences, isEmptyValue, isNoFact, placeKey, placeOfEdit, targetsIn, type SiteDocument, type SlotPlace } from '../site'
import type { Listed, ListedGroup } from './listing'
import { wordsListed } from './words'

/** Which places the ledger shows. */
export const SHOWS = ['all', 'leftovers', 'drafts', 'long', 'pictures', 'links', 'empty', 'changed'] as const
export type Shows = (typeof SHOWS)[number]

/** What is looked for in the ledger: a sort of place, and words in what it is called or says. */
export type Wanted = { readonly show: Shows; readonly words: string }

/** What a filter has to know beside the document. */
export type Known = {
  readonly pack: Pack
  readonly document: SiteDocument
  /** Whether a text takes more lines than it was designed for. */
  readonly isLong: (key: string) => boolean
  /** The keys of places that are not as they were published; null until that is known. */
  readonly changed: ReadonlySet<string> | null
}

export function isEverything({ show, words }: Wanted): boolean {
  return show === 'all' && words.trim() === ''
}

/** Whether a place is among those looked for. Every word that is asked for has to be found. */
export function isWanted({ show, words }: Wanted, group: ListedGroup, listed: Listed, known: Known): boolean {
  return isShown(show, listed, known) && holds(words, group, listed, known)
}

function isShown(show: Shows, { place, key, leftover, row }: Listed, { document, isLong, changed }: Known): boolean {
  switch (show) {
    case 'all':
      return true
    case 'leftovers':
      return leftover && !row?.draft
    case 'drafts':
      return row?.draft ?? false
    case 'long':
      return isLong(key)
    case 'pictures':
      return row?.type === 'image' || (place.type === 'brand' && place.part === 'logo')
    case 'links':
      return row !== null && (row.type === 'link' || hasLinks(row.value ?? row.placeholder))
    case 'empty':
      if (place.type === 'fact') return isNoFact(document.facts[place.fact]?.value)
      return row !== null && (row.count ? row.count.shown === 0 : row.value !== null && isEmptyValue(row.value))
    case 'changed':
      return changed?.has(key) ?? false
    default:
      return show satisfies never
  }
}

function hasLinks(value: NonNullable<Listed['row']>['value']): boolean {
  return value !== null && targetsIn(value).length > 0
}

function holds(words: string, group: ListedGroup, listed: Listed, { pack, document }: Known): boolean {
  const asked = folded(words).split(/\s+/).filter(Boolean)
  if (asked.length === 0) return true
  const all = folded(`${listed.name} ${group.title} ${group.where} ${wordsListed(pack, document, listed)}`)
  return asked.every((word) => all.includes(word))
}

/** The keys of places that say something else than in an earlier document, among them all that stands in what was added since. */
export function changedSince(from: SiteDocument, to: SiteDocument): ReadonlySet<string> {
  const keys = new Set<string>()
  for (const step of differences(from, to)) {
    const place = placeOfEdit(step)
    if (place) keys.add(placeKey(place))
    if (step.type === 'section/insert') for (const slot of Object.keys(step.section.slots)) keys.add(slotKey(step.section.id, null, slot))
    if (step.type === 'entry/insert') for (const slot of Object.keys(step.slots)) keys.add(slotKey(step.section, step.entry, slot))
  }
  return keys
}

function slotKey(section: SlotPlace['section'], entry: SlotPlace['entry'], slot: string): string {
  return placeKey({ type: 'slot', section, entry, slot })
}
