'use client'
import { DndContext, pointerWithin, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { withdrawnPages, type Beside } from '@/core/plan'
import { findPage, homePage, pagesOf, type PageId, type SiteDocument } from '@/core/site'
import { isPressed } from '../keys/pressed'
import { useJob, useJobStore } from '../job/job-context'
import { useGripSensors } from '../parts/use-grip-sensors'
import { COLUMNS, PageRow } from './page-row'
import type { PageActs } from './use-acts'

/** The height of a row, in px. */
export const ROW = 36

type Props = {
  readonly inHand: PageId
  readonly live: SiteDocument | null
  readonly acts: PageActs
  readonly onHold: (page: PageId) => void
  readonly onRemove: (page: PageId) => void
}

/** The tree of pages as one table: arrow keys go through it, Alt and an arrow move the page in hand, a grip drags it. */
export function PageTable({ inHand, live, acts, onHold, onRemove }: Props) {
  const store = useJobStore()
  const table = useJob((s) => s.document.pages)
  const ids = useMemo(() => pagesOf({ pages: table }).map(({ id }) => id), [table])
  const scroller = useRef<HTMLDivElement>(null)
  const rows = useVirtualizer({ count: ids.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 8 })
  const focusNext = useRef<PageId | null>(null)
  const at = ids.indexOf(inHand)
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at)
    // Only where the page in hand moves or another is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at])
  useEffect(() => {
    if (focusNext.current === null) return
    const row = document.getElementById(`page-row-${focusNext.current}`)
    if (!row) return
    row.focus({ preventScroll: true })
    focusNext.current = null
  })
  const goTo = useCallback(
    (id: PageId | undefined) => {
      if (id === undefined) return
      focusNext.current = id
      onHold(id)
    },
    [onHold],
  )
  const press = useCallback(
    (event: KeyboardEvent<HTMLElement>, id: PageId): boolean => {
      const order = pagesOf(store.getState().document).map((page) => page.id)
      const here = order.indexOf(id)
      const step = ({ ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' } as const)[event.key]
      if (isPressed(event, 'movePage') && step) {
        focusNext.current = id
        acts.step(id, step)
        return true
      }
      if (event.altKey || event.ctrlKey || event.metaKey) return false
      if (isPressed(event, 'removePage')) onRemove(id)
      else if (event.key === 'ArrowDown') goTo(order[here + 1])
      else if (event.key === 'ArrowUp') goTo(order[here - 1])
      else if (event.key === 'Home') goTo(order[0])
      else if (event.key === 'End') goTo(order.at(-1))
      else return false
      return true
    },
    [store, acts, goTo, onRemove],
  )
  const drag = useDrag(acts)
  return (
    <DndContext
      sensors={drag.sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => onHold(active.id as PageId)}
      onDragMove={drag.move}
      onDragOver={drag.move}
      onDragEnd={drag.end}
      onDragCancel={drag.cancel}
      accessibility={{ screenReaderInstructions: { draggable: 'Alt and the arrow keys move a page.' } }}
    >
      <div role="treegrid" aria-label="Pages" aria-rowcount={ids.length + 1} className="flex min-h-0 flex-1 flex-col">
        <div role="row" className={`${COLUMNS} shrink-0 gap-2 border-b border-ink px-2 pb-1 text-xs font-semibold text-soft`}>
          {['Name', 'Menu label', 'Address', 'Shown in', 'Description', 'To do', 'Weight', 'Live'].map((name, i) => (
            <span key={name} role="columnheader" className={i > 4 ? 'text-end' : i === 0 ? 'ps-8' : 'ps-1.5'}>
              {name}
            </span>
          ))}
        </div>
        <div ref={scroller} className="min-h-0 flex-1 overflow-y-auto" role="presentation">
          <div role="presentation" style={{ height: rows.getTotalSize(), position: 'relative' }}>
            {rows.getVirtualItems().map(({ index, start }) => {
              const id = ids[index]
              return id === undefined ? null : (
                <div
                  key={id}
                  role="presentation"
                  style={{
                    position: 'absolute',
                    insetInline: 0,
                    top: 0,
                    transform: `translateY(${start}px)`,
                    zIndex: id === inHand ? 1 : 0,
                  }}
                >
                  <PageRow
                    id={id}
                    index={index}
                    isInHand={id === inHand}
                    live={live}
                    acts={acts}
                    drop={drag.over?.id === id ? drag.over.beside : null}
                    onHold={onHold}
                    onKey={press}
                  />
                </div>
              )
            })}
          </div>
          {live && <Withdrawn live={live} />}
        </div>
      </div>
    </DndContext>
  )
}

/** Pages that visitors have and will lose with the next release. */
function Withdrawn({ live }: { live: SiteDocument }) {
  const document = useJob((s) => s.document)
  const gone = useMemo(() => withdrawnPages(live, document), [live, document])
  if (gone.length === 0) return null
  return (
    <p className="px-2 py-2 text-sm text-soft">
      Withdrawn with the next release: {gone.map(({ path }) => path).join(', ')}. Whoever comes to these addresses is redirected.
    </p>
  )
}

type Over = { readonly id: PageId; readonly beside: Beside }

function useDrag(acts: PageActs) {
  const store = useJobStore()
  const [over, setOver] = useState<Over | null>(null)
  const latest = useRef<Over | null>(null)
  const sensors = useGripSensors()
  const set = (next: Over | null): void => {
    if (latest.current?.id === next?.id && latest.current?.beside === next?.beside) return
    latest.current = next
    setOver(next)
  }
  const besideAt = ({ active, over: on, activatorEvent, delta }: DragMoveEvent): Over | null => {
    if (!on || on.id === active.id) return null
    const share = ((activatorEvent as PointerEvent).clientY + delta.y - on.rect.top) / on.rect.height
    const isHome = homePage(store.getState().document).id === on.id
    return { id: on.id as PageId, beside: share < 0.3 && !isHome ? 'before' : share > 0.7 ? 'after' : 'under' }
  }
  return {
    sensors,
    over,
    move: (event: DragMoveEvent) => set(besideAt(event)),
    end: (event: DragEndEvent) => {
      const to = besideAt(event)
      set(null)
      if (to && findPage(store.getState().document, event.active.id as string)) acts.place(event.active.id as PageId, to.beside, to.id)
    },
    cancel: () => set(null),
  }
}
