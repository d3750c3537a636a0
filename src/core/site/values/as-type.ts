import type { RichValue } from './rich'
import type { SlotType, SlotValue } from './slot-value'
import type { TextValue } from './text'

/**
 * A value as a slot of a type takes it: plain words, as some places took them before they took rich ones, are a paragraph for each line.
 * Any other is as it was, and fits or does not.
 */
export function asSlotType(value: SlotValue, type: SlotType | 'list' | null): SlotValue {
  if (type !== 'rich' || value.type !== 'text') return value
  const { said } = value
  return {
    type: 'rich',
    ...asRich(value),
    ...(said && { said: Object.fromEntries(Object.entries(said).map(([language, words]) => [language, asRich(words)])) }),
  }
}

function asRich({ text, draft }: Pick<TextValue, 'text' | 'draft'>): Pick<RichValue, 'rich' | 'draft'> {
  const lines = text.split('\n').filter((line) => line.trim() !== '')
  return { rich: lines.map((line) => ({ type: 'p' as const, runs: [{ text: line }] })), ...(draft && { draft }) }
}
