'use client'
import { closestCenter, DndContext, useDraggable, useDroppable, type CollisionDetection, type DragEndEvent } from '@dnd-kit/core'
import type { ReactNode } from 'react'
import type { LedgerRow } from '@/core/fill'
import { entriesAt, moveEntries, type ListAt } from '@/core/plan'
import { useJobStore } from '../job/job-context'
import { notice } from '../parts/notice'
import { count } from '../parts/words'
import { useGripSensors } from '../parts/use-grip-sensors'
import { chosenEntries } from './chosen-entries'
import { useRangeStore } from './range'

/** What is carried, and where it can be let go: an entry, by its list, its key and its number there. */
type Carried = ListAt & { readonly key: string; readonly number: number }

/** Entries are carried to another spot of their list; of several that are chosen, all go along. */
export function EntryDrag({ children }: { readonly children: ReactNode }) {
  const store = useJobStore()
  const range = useRangeStore()
  const sensors = useGripSensors()
  const drop = ({ active, over }: DragEndEvent): void => {
    const [what, at] = [active.data.current as Carried | undefined, over?.data.current as Carried | undefined]
    if (!what || !at || what.key === at.key) return
    const { document, pack } = store.getState()
    const chosen = chosenEntries(range.getState()).find((one) => isSameList(one, what))?.keys ?? []
    const keys = chosen.includes(what.key) ? chosen : [what.key]
    const edit = moveEntries(pack, document, what, keys, isAfter(what, at) ? nextKey(entriesAt(pack, document, at), at.key) : at.key)
    const gesture = edit && store.apply(edit)
    if (gesture) notice(`Moved ${count(keys.length, 'entry', 'entries')}.`, 'Undo', () => void store.undo(gesture))
  }
  return (
    <DndContext sensors={sensors} collisionDetection={nearestOfList} onDragEnd={drop}>
      {children}
    </DndContext>
  )
}

/** One that is carried down comes to stand after where it is let go, one that is carried up before it. */
function isAfter(what: Carried, at: Carried): boolean {
  return at.number > what.number
}

function nextKey(entries: readonly { readonly key: string }[], key: string): string | null {
  return entries[entries.findIndex((entry) => entry.key === key) + 1]?.key ?? null
}

/** The entry of the same list that is nearest. */
const nearestOfList: CollisionDetection = (args) =>
  closestCenter({
    ...args,
    droppableContainers: args.droppableContainers.filter(({ data }) =>
      isSameList(data.current as Carried, args.active.data.current as Carried),
    ),
  })

function isSameList(a: ListAt, b: ListAt): boolean {
  return a.section === b.section && a.list === b.list
}

type Drag = {
  readonly grip: Record<string, unknown>
  readonly spot: { readonly ref: (element: HTMLElement | null) => void; readonly said: 'before' | 'after' | null }
  readonly isCarried: boolean
}

/** The grip of an entry, and what is said of it while another would be let go there. By the keyboard entries are moved by their buttons. */
export function useEntryDrag({ place }: LedgerRow, { key, number }: NonNullable<LedgerRow['entry']>): Drag {
  const data: Carried = { section: place.section, list: place.entry?.list ?? '', key, number }
  const drag = useDraggable({ id: `carry ${key}`, data, attributes: { tabIndex: -1 } })
  const drop = useDroppable({ id: `before ${key}`, data })
  const over = drop.active?.data.current as Carried | undefined
  return {
    grip: { ref: drag.setNodeRef, ...drag.listeners, 'aria-hidden': true, 'data-grip': true },
    spot: { ref: drop.setNodeRef, said: drop.isOver && over && over.key !== key ? (isAfter(over, data) ? 'after' : 'before') : null },
    isCarried: drag.isDragging,
  }
}
