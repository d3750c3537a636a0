import { own } from '../../own'
import { ownValue, type Cell, type Slots } from '../document'
import { findSlotType, type BlockType, type SectionKind } from '../kinds'
import { asSlotType } from '../values'

/** Whether a kind of section, or a list of it, has every one of some slots, for values of their types. */
export function fits(kind: SectionKind, list: string | null, slots: Slots, block?: BlockType): boolean {
  return Object.entries(slots).every(([slot, cell]) => {
    const type = findSlotType(kind, list, slot, block)
    return type !== null && (ownValue(cell)?.type ?? type) === type
  })
}

/** Slots with values as the kind takes them today, whenever they were written; the same ones where all are. */
export function asKindTakes<T extends Slots>(kind: SectionKind, list: string | null, slots: T, block?: BlockType): T {
  const now = Object.entries(slots).map(([slot, cell]) => [slot, asTaken(cell, findSlotType(kind, list, slot, block))] as const)
  return now.every(([slot, cell]) => own(slots as Slots, slot) === cell) ? slots : (Object.fromEntries(now) as T)
}

/** A cell as a slot of a type takes it. */
export function asTaken(cell: Cell, type: ReturnType<typeof findSlotType>): Cell {
  if (cell.type !== 'same') return asSlotType(cell, type)
  const before = cell.own && asSlotType(cell.own, type)
  return before === cell.own ? cell : { ...cell, own: before }
}
