import { isDraftValue, placeKey, type FactName, type Place } from '../../site'
import type { Shown } from '../content'
import { shownFact } from '../shown-fact'
import type { Site } from '../site'
import type { Mark } from './tree'

/** What an element that shows a fact stands for; a part of the address is the address. */
export function factMark(site: Site, fact: string): Mark {
  const name = (fact === 'locality' ? 'address' : fact) as FactName
  const { leftover } = shownFact(site, name as 'phone')
  return { place: { type: 'fact', fact: name }, state: leftover ? 'leftover' : 'own', rich: false }
}

export function slotMark(place: Place, stands: Place, shown: Shown | null, rich: boolean): Mark {
  const elsewhere = placeKey(place) === placeKey(stands) ? {} : { stands }
  return { place, ...elsewhere, state: shown?.leftover ? 'leftover' : isDraftValue(shown?.value ?? null) ? 'draft' : 'own', rich }
}
