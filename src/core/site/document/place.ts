import * as v from 'valibot'
import { BRAND_PARTS, type BrandPart } from '../brand'
import { FACT_NAMES, type FactName } from '../facts/facts'
import { entryRefSchema, slotNameSchema, type Spot } from './cell'
import { pageIdSchema, sectionIdSchema, type PageId } from './ids'
import { labelNameSchema } from './label'
import { PAGE_TEXTS, type PageText } from './page'

/** Any spot that holds content: a slot of a section or of one of its entries, a fact, a label, a page's own text, a part of the brand. */
export type Place =
  | ({ readonly type: 'slot' } & Spot)
  | { readonly type: 'fact'; readonly fact: FactName }
  | { readonly type: 'label'; readonly label: string }
  | { readonly type: 'page'; readonly page: PageId; readonly part: PageText | 'address' }
  | { readonly type: 'brand'; readonly part: BrandPart }
export type SlotPlace = Extract<Place, { type: 'slot' }>

/** A place's name in marks, tables and ids of elements: the same place has one name, and no two share one (`parsePlaceKey` reads it). */
export function placeKey(place: Place): string {
  switch (place.type) {
    case 'slot': {
      const { section, entry, slot } = place
      return entry ? `${section} ${entry.list} ${'nth' in entry ? entry.nth : `:${entry.id}`} ${slot}` : `${section} ${slot}`
    }
    case 'fact':
      return `:fact ${place.fact}`
    case 'label':
      return `:label ${place.label}`
    case 'page':
      return `:page ${place.page} ${place.part}`
    case 'brand':
      return `:brand ${place.part}`
    default:
      return place satisfies never
  }
}

const placeParts = v.variant('type', [
  v.strictObject({ type: v.literal('slot'), section: sectionIdSchema, entry: v.nullable(entryRefSchema), slot: slotNameSchema }),
  v.strictObject({ type: v.literal('fact'), fact: v.picklist(FACT_NAMES) }),
  v.strictObject({ type: v.literal('label'), label: labelNameSchema }),
  v.strictObject({ type: v.literal('page'), page: pageIdSchema, part: v.picklist([...PAGE_TEXTS, 'address']) }),
  v.strictObject({ type: v.literal('brand'), part: v.picklist(BRAND_PARTS) }),
])

/** The place of a key that came from anywhere: an address, a mark, a row. */
export const placeSchema = v.pipe(
  v.string(),
  v.maxLength(400),
  v.transform((key): unknown => {
    const parts = key.split(' ')
    const [first = '', second = '', third = ''] = parts
    const slot = parts.at(-1)
    if (!first.startsWith(':')) {
      if (parts.length === 2) return { type: 'slot', section: first, entry: null, slot }
      const isNumber = /^[1-9]\d*$/.test(third)
      const entry = isNumber ? { list: second, nth: Number(third) } : third.startsWith(':') ? { list: second, id: third.slice(1) } : null
      return parts.length === 4 && entry ? { type: 'slot', section: first, entry, slot } : null
    }
    const type = first.slice(1)
    if (type === 'page') return parts.length === 3 ? { type, page: second, part: third } : null
    return parts.length === 2 ? { type, [type === 'brand' ? 'part' : type]: second } : null
  }),
  placeParts,
)

/** The place that a key names; null for one that `placeKey` gives none. Whether the place is still there the document knows. */
export function parsePlaceKey(key: string): Place | null {
  const read = v.safeParse(placeSchema, key)
  return read.success ? read.output : null
}

export function samePlace(a: Place, b: Place): boolean {
  return placeKey(a) === placeKey(b)
}
