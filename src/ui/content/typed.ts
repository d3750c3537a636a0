import { shownAt } from '@/core/fill'
import { confirmedValue, findSection, findSlotType, type Edit, type SlotPlace, type SlotValue } from '@/core/site'
import type { JobState } from '../job/job-state'

/** The edit that what was typed on a sheet makes: of a link its words only; null where the place is gone. */
export function editOfTyped({ document, pack }: JobState, place: SlotPlace, typed: SlotValue): Edit | null {
  const section = findSection(document, place.section)
  if (!section) return null
  const edit = (value: SlotValue): Edit => ({ type: 'slot/set', section: place.section, entry: place.entry, slot: place.slot, value })
  if (findSlotType(section.kind, place.entry?.list ?? null, place.slot) !== 'link') return edit(typed)
  const link = shownAt(pack, document, place)
  return link?.type === 'link' && typed.type === 'text' ? edit(confirmedValue({ ...link, label: typed.text })) : null
}
