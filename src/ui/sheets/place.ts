import type { FactName, SectionId } from '@/core/site'

/** A place that content goes to, as the draft's marks and the ledger's rows name it. */
export type Place =
  | { readonly type: 'slot'; readonly section: SectionId; readonly slot: string }
  | { readonly type: 'fact'; readonly fact: FactName }

export function placeKey(place: Place): string {
  return place.type === 'slot' ? `${place.section} ${place.slot}` : `fact ${place.fact}`
}

/** The place that a marked element of a draft stands for. */
export function readPlace(element: Element): Place | null {
  const at = element.getAttribute('data-at')?.split(' ')
  if (at?.[0] && at[1]) return { type: 'slot', section: at[0] as SectionId, slot: at[1] }
  const fact = element.getAttribute('data-fact')
  return fact ? { type: 'fact', fact: fact as FactName } : null
}

export function placeSelector(place: Place): string {
  // Ids and slot paths are made of letters, digits and - _ . / only; between quotes none of them needs escaping.
  return place.type === 'slot' ? `[data-at="${place.section} ${place.slot}"]` : `[data-fact="${place.fact}"]`
}
