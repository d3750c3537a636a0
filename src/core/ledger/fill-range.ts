import { inOneLine, toValue, usualText, type PasteFill } from '../fill'
import type { Pack } from '../pack'
import {
  confirmedValue,
  emptyValue,
  findPage,
  FACT_LIMITS,
  MAX_LABEL,
  MAX_PAGE_TEXT,
  NO_FACT,
  type EditStep,
  type PageId,
  type Place,
  type SiteDocument,
  type SlotPlace,
  type SlotValue,
  type TextFact,
} from '../site'
import type { Listed } from './listing'

/** What puts words into a place; null where it takes none. */
function putWords({ place, row }: Listed, words: string): EditStep | null {
  switch (place.type) {
    case 'slot':
      return row?.type === 'text' || row?.type === 'rich' ? setSlot(place, toValue(row.type, words)) : null
    case 'fact':
      return place.fact in FACT_LIMITS
        ? { type: 'fact/set', fact: place.fact, value: inOneLine(words).slice(0, FACT_LIMITS[place.fact as TextFact]) }
        : null
    case 'label':
      return { type: 'label/set', label: place.label, value: { text: inOneLine(words).slice(0, MAX_LABEL) } }
    case 'page':
      return place.part === 'address'
        ? null
        : { type: 'page/set', page: place.page, part: place.part, value: inOneLine(words).slice(0, MAX_PAGE_TEXT) }
    case 'brand':
      return null
    default:
      return place satisfies never
  }
}

function setSlot({ section, entry, slot }: SlotPlace, value: SlotValue | null): EditStep {
  return { type: 'slot/set', section, entry, slot, value }
}

/** What goes where when cells are poured down places as they are listed, one into each; a cell without words passes its place by. */
export function pourDown(places: readonly Listed[], cells: readonly string[]): PasteFill | null {
  const takers = places.filter((listed) => putWords(listed, 'x') !== null)
  const filled = cells.slice(0, takers.length).flatMap((words, i) => {
    const listed = takers[i]
    const edit = listed && words !== '' ? putWords(listed, words) : null
    return edit && listed ? [{ edit, words, label: listed.name }] : []
  })
  if (filled.length === 0) return null
  return {
    edits: filled.map(({ edit }) => edit),
    placed: filled.map(({ words, label }) => ({ words, label })),
    newEntries: 0,
    left: cells.slice(takers.length).filter((words) => words !== '').length,
  }
}

/** The same words in every chosen place that takes any. */
export function pourInto(places: readonly Listed[], words: string): PasteFill | null {
  return pourDown(
    places,
    Array.from({ length: places.filter((listed) => putWords(listed, 'x') !== null).length }, () => words),
  )
}

/** What the first of some places shows in all others that take the like: the value itself where they are of one type, else its words. */
export function fillDown([first, ...others]: readonly Listed[], wordsOf: (listed: Listed) => string): readonly EditStep[] {
  if (!first) return []
  const value = first.row?.value ?? first.row?.placeholder ?? null
  return others.flatMap((listed) => {
    if (listed.row && value && listed.row.type === value.type && listed.place.type === 'slot')
      return [setSlot(listed.place, confirmedValue(value))]
    const words = wordsOf(first)
    return words === '' ? [] : (putWords(listed, words) ?? [])
  })
}

/** Takes the template's content of chosen leftovers as the client's, and draft words as they are. */
export function settleAll(pack: Pack, document: SiteDocument, places: readonly Listed[]): readonly EditStep[] {
  return places.flatMap(({ place, row, leftover }) => {
    if (place.type === 'page' && leftover) return keptPart(pack, document, place)
    if (place.type !== 'slot' || !row) return []
    if (row.draft && row.value) return [setSlot(place, confirmedValue(row.value))]
    return leftover && row.placeholder ? [setSlot(place, row.placeholder)] : []
  })
}

/** What a page is called, where it stands or what it says of itself as it is now. */
function keptPart(pack: Pack, document: SiteDocument, { page: id, part }: Extract<Place, { type: 'page' }>): readonly EditStep[] {
  const page = findPage(document, id)
  if (!page) return []
  if (part === 'address') return addressSteps(id, page.segment)
  const text = usualText(pack, document, page, part).slice(0, MAX_PAGE_TEXT)
  return [{ type: 'page/set', page: id, part, value: text }]
}

/** An address that was given or kept by hand; null goes back to counting it as the template's. */
export function addressSteps(page: PageId, segment: string | null): readonly EditStep[] {
  const addressed: EditStep = { type: 'page/set', page, part: 'addressed', value: segment !== null }
  return segment === null ? [addressed] : [{ type: 'page/set', page, part: 'segment', value: segment }, addressed]
}

/** Nothing stands in the chosen places, not the template's either. */
export function emptyAll(places: readonly Listed[]): readonly EditStep[] {
  return places.flatMap(({ place, row, leftover }) => {
    // A label is never empty: without words of its own it says the plain one.
    if (place.type === 'label') return leftover ? [{ type: 'label/set', label: place.label, value: { text: '' } }] : []
    return emptied(place, row?.type ?? null)
  })
}

function emptied(place: Place, type: NonNullable<Listed['row']>['type'] | null): readonly EditStep[] {
  if (place.type === 'slot' && type !== null && type !== 'list') return [setSlot(place, emptyValue(type))]
  if (place.type === 'fact' && place.fact in NO_FACT)
    return [{ type: 'fact/set', fact: place.fact, value: NO_FACT[place.fact as keyof typeof NO_FACT] }]
  // A page goes by some name and stands at some address; search engines say something of it by themselves.
  if (place.type === 'page' && place.part === 'description') return [{ type: 'page/set', page: place.page, part: place.part, value: '' }]
  return []
}
