import type { SlotType, SlotValue } from './slot-value'

/**
 * A value as a slot of a type takes it: plain words, as some places took them before they took rich ones, are a paragraph for each line.
 * Any other is as it was, and fits or does not.
 */
export function asSlotType(value: SlotValue, type: SlotType | 'list' | null): SlotValue {
  if (type !== 'rich' || value.type !== 'text') return value
  const lines = value.text.split('\n').filter((line) => line.trim() !== '')
  const rich = lines.map((line) => ({ type: 'p' as const, runs: [{ text: line }] }))
  return { type: 'rich', rich, ...(value.draft && { draft: value.draft }) }
}
