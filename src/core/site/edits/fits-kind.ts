import { findSlotType, type SectionKind } from '../kinds'
import { ownValue, type Slots } from '../document'

/** Whether a kind of section, or a list of it, has every one of some slots, for values of their types. */
export function fits(kind: SectionKind, list: string | null, slots: Slots): boolean {
  return Object.entries(slots).every(([slot, cell]) => {
    const type = findSlotType(kind, list, slot)
    return type !== null && (ownValue(cell)?.type ?? type) === type
  })
}
