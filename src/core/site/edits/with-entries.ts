import { naturalRank, type Entry } from '../document'

/** Whether an entry is one of the template's that nothing was done with: such a one needs no record. */
export function isAsItCame(entry: Entry): boolean {
  return (
    entry.nth !== null && !entry.gone && !entry.hidden && entry.rank === naturalRank(entry.nth) && Object.keys(entry.slots).length === 0
  )
}

/** The entries that need a record. */
export function withEntries(entries: readonly Entry[]): Entry[] {
  return entries.filter((entry) => !isAsItCame(entry))
}
