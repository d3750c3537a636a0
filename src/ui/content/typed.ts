import { shownAt } from '@/core/fill'
import { confirmedValue, findSection, MAX_LABEL, slotTypeAt, type Edit, type Place, type SlotPlace, type SlotValue } from '@/core/site'
import type { JobState } from '../job/job-state'

/** The edit that what was typed on a sheet makes; null where the place is gone, or nothing is typed there. */
export function editOfTyped(state: JobState, place: Place, typed: SlotValue | string): Edit | null {
  if (typeof typed !== 'string') return place.type === 'slot' ? editOfSlot(state, place, typed) : null
  if (place.type === 'label') return { type: 'label/set', label: place.label, value: { text: typed.slice(0, MAX_LABEL) } }
  return place.type === 'fact' ? { type: 'fact/set', fact: place.fact, value: typed } : null
}

/** Of a link its words only. */
function editOfSlot({ document, pack }: JobState, place: SlotPlace, typed: SlotValue): Edit | null {
  const section = findSection(document, place.section)
  if (!section) return null
  const edit = (value: SlotValue): Edit => ({ type: 'slot/set', section: place.section, entry: place.entry, slot: place.slot, value })
  if (slotTypeAt(document, place) !== 'link') return edit(typed)
  const link = shownAt(pack, document, place)
  return link?.type === 'link' && typed.type === 'text' ? edit(confirmedValue({ ...link, label: typed.text })) : null
}
