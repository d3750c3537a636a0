import { type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core'
import { useState } from 'react'
import { toast } from 'sonner'
import { canLook, canStand, moveTo, type Spot } from '@/core/plan'
import { columnAt, findPage, findSection, pageOf, sectionsIn, SIDES, type PageId, type SectionId, type SiteDocument } from '@/core/site'
import { useJobStore } from '../job/job-context'
import type { JobStore } from '../job/job-store'
import { useGripSensors } from '../parts/use-grip-sensors'
import { columnDrop } from './side-column'
import { attempt, attemptWithUndo } from './use-acts'

type Over = { readonly id: string; readonly side: 'before' | 'after' }

/** Dragging a section by its grip: where it would come, and the move when it is let go. */
export function useSectionDrag(page: PageId) {
  const store = useJobStore()
  const [over, setOver] = useState<Over | null>(null)
  const sensors = useGripSensors()
  return {
    sensors,
    over,
    move: ({ active, over: on, activatorEvent, delta }: DragMoveEvent) => {
      if (!on || on.id === active.id) return setOver(null)
      const share = ((activatorEvent as PointerEvent).clientY + delta.y - on.rect.top) / on.rect.height
      setOver({ id: String(on.id), side: share < 0.5 ? 'before' : 'after' })
    },
    end: ({ active }: DragEndEvent) => {
      setOver(null)
      if (over) dropSection(store, page, active.id as SectionId, over)
    },
    cancel: () => setOver(null),
  }
}

/** A section let go over another, or over the head of a column: it moves there, or what keeps it from that is said. */
export function dropSection(store: JobStore, page: PageId, section: SectionId, over: Over): void {
  const { document, pack } = store.getState()
  const moved = findSection(document, section)
  const spot = moved && spotOf(document, page, over, moved.id)
  if (!spot) return
  if (!canStand(moved.kind, spot.in)) return void toast.error(`A ${moved.kind} stands where every page has it. Choose another place.`)
  if (!canLook(pack, moved, spot.in))
    return void toast.error(`The design ${moved.design} is too wide for a column. Give the section another design first.`)
  const step = moveTo(document, moved.id, spot)
  const fails = 'The section stays where it is'
  const is = pageOf(spot.in)
  if (pageOf(moved.in) === is) attempt(store, step, fails)
  else attemptWithUndo(store, step, fails, is === null ? 'It is on every page now.' : 'It is on this page only now.')
}

/** Where a section comes that is let go over a row, or over the head of a column. */
function spotOf(document: SiteDocument, page: PageId, { id, side }: Over, moved: SectionId): Spot | null {
  const found = findPage(document, page)
  const column = SIDES.find((one) => columnDrop(one) === id)
  if (column && found) {
    const shown = columnAt(document, found, column)
    return shown && { in: shown.place, after: null }
  }
  const target = findSection(document, id)
  if (!target) return null
  const there = sectionsIn(document, target.in).filter((s) => s.id !== moved)
  const at = there.findIndex((s) => s.id === id) + (side === 'after' ? 1 : 0)
  return { in: target.in, after: there[at - 1]?.id ?? null }
}
