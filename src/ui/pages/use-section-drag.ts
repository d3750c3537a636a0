import { PointerSensor, useSensor, useSensors, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core'
import { useState } from 'react'
import { toast } from 'sonner'
import { canStand, moveTo } from '@/core/plan'
import { findSection, sectionsIn, type SectionId } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { attempt, attemptWithUndo } from './use-acts'

type Over = { readonly id: SectionId; readonly side: 'before' | 'after' }

/** Dragging a section by its grip: where it would come, and the move when it is let go. */
export function useSectionDrag() {
  const store = useJobStore()
  const [over, setOver] = useState<Over | null>(null)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }))
  return {
    sensors,
    over,
    move: ({ active, over: on, activatorEvent, delta }: DragMoveEvent) => {
      if (!on || on.id === active.id) return setOver(null)
      const share = ((activatorEvent as PointerEvent).clientY + delta.y - on.rect.top) / on.rect.height
      setOver({ id: on.id as SectionId, side: share < 0.5 ? 'before' : 'after' })
    },
    end: ({ active }: DragEndEvent) => {
      setOver(null)
      if (!over) return
      const { document } = store.getState()
      const moved = findSection(document, active.id as SectionId)
      const target = findSection(document, over.id)
      if (!moved || !target) return
      if (!canStand(moved.kind, target.in)) return void toast.error(`A ${moved.kind} stands where every page has it. Choose another place.`)
      const there = sectionsIn(document, target.in).filter((s) => s.id !== moved.id)
      const at = there.findIndex((s) => s.id === over.id) + (over.side === 'after' ? 1 : 0)
      const step = moveTo(document, moved.id, { in: target.in, after: there[at - 1]?.id ?? null })
      if (moved.in.type === target.in.type) attempt(store, step, 'The section stays where it is')
      else
        attemptWithUndo(
          store,
          step,
          'The section stays where it is',
          target.in.type === 'page' ? 'It stands on this page only now.' : 'It stands on every page now.',
        )
    },
    cancel: () => setOver(null),
  }
}
