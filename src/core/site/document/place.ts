import type { BrandPart } from '../brand'
import type { FactName } from '../facts/facts'
import type { Spot } from './cell'
import { entryKey } from './entry'
import type { PageId } from './ids'
import type { PageText } from './page'

/** Any spot that holds content: a slot of a section or of one of its entries, a fact, a label, a page's own text, a part of the brand. */
export type Place =
  | ({ readonly type: 'slot' } & Spot)
  | { readonly type: 'fact'; readonly fact: FactName }
  | { readonly type: 'label'; readonly label: string }
  | { readonly type: 'page'; readonly page: PageId; readonly part: PageText | 'address' }
  | { readonly type: 'brand'; readonly part: BrandPart }
export type SlotPlace = Extract<Place, { type: 'slot' }>

/** A place's name in marks, tables and ids of elements: the same place has one name, and no two share one. It is never read back. */
export function placeKey(place: Place): string {
  switch (place.type) {
    case 'slot':
      return place.entry ? `${place.section} ${entryName(place)} ${place.slot}` : `${place.section} ${place.slot}`
    case 'fact':
      return `fact ${place.fact}`
    case 'label':
      return `label ${place.label}`
    case 'page':
      return `page ${place.page} ${place.part}`
    case 'brand':
      return `brand ${place.part}`
    default:
      return place satisfies never
  }
}

function entryName({ section, entry }: SlotPlace): string {
  return entry === null ? '' : 'nth' in entry ? `${entry.list} ${entry.nth}` : `${entry.list} ${entryKey(section, entry)}`
}

export function samePlace(a: Place, b: Place): boolean {
  return placeKey(a) === placeKey(b)
}
