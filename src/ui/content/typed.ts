import { placeholdersOf, shownEntries, shownEntrySlot, shownSlot } from '@/core/fill'
import { confirmedValue, entriesOf, entryKey, findSection, findSlotType, type Edit, type SlotPlace, type SlotValue } from '@/core/site'
import type { JobState } from '../job/job-state'

/** The edit that what was typed on a sheet makes: of a link its words only; null where the place is gone. */
export function editOfTyped({ document, pack }: JobState, place: SlotPlace, typed: SlotValue): Edit | null {
  const section = findSection(document, place.section)
  if (!section) return null
  const edit = (value: SlotValue): Edit => ({ type: 'slot/set', section: place.section, entry: place.entry, slot: place.slot, value })
  if (findSlotType(section.kind, place.entry?.list ?? null, place.slot) !== 'link') return edit(typed)
  const link = shownAt({ document, pack }, place)
  return link?.type === 'link' && typed.type === 'text' ? edit(confirmedValue({ ...link, label: typed.text })) : null
}

/** What a place shows: the client's, or the template's. */
export function shownAt(
  { document, pack }: Pick<JobState, 'document' | 'pack'>,
  { section: id, entry, slot }: SlotPlace,
): SlotValue | null {
  const section = findSection(document, id)
  if (!section) return null
  const placeholders = placeholdersOf(pack, section)
  if (!entry) return shownSlot(section, placeholders, slot)?.value ?? null
  const entries = shownEntries({ section, entries: entriesOf(document, id) }, placeholders, entry.list)
  const shown = entries.find((e) => e.key === entryKey(id, entry))
  return shown ? (shownEntrySlot(shown, slot)?.value ?? null) : null
}
