import type { ListAt } from '@/core/plan'
import type { Range } from './range'

/** The entries that chosen places belong to, by their lists. */
export type ChosenEntries = ListAt & { readonly keys: readonly string[]; readonly hidden: number }

export function chosenEntries({ listed, chosen }: Pick<Range, 'listed' | 'chosen'>): readonly ChosenEntries[] {
  const lists = new Map<string, { at: ListAt; keys: Set<string>; hidden: Set<string> }>()
  for (const { key, place, row } of listed) {
    if (!chosen.has(key) || place.type !== 'slot' || !place.entry || !row?.entry) continue
    const name = `${place.section} ${place.entry.list}`
    const list = lists.get(name) ?? { at: { section: place.section, list: place.entry.list }, keys: new Set(), hidden: new Set() }
    lists.set(name, list)
    list.keys.add(row.entry.key)
    if (row.entry.hidden) list.hidden.add(row.entry.key)
  }
  return [...lists.values()].map(({ at, keys, hidden }) => ({ ...at, keys: [...keys], hidden: hidden.size }))
}
