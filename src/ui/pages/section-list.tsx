'use client'
import { EyeOff, GripVertical, Plus } from 'lucide-react'
import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core'
import { memo, useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { toast } from 'sonner'
import { pageTexts, sectionRows } from '@/core/fill'
import { alternateTones, copyAll, copySection, moveAll, moveTo, removeSections, stepSection, type Spot } from '@/core/plan'
import { findSection, pagesOf, sectionsIn, sectionsOn, TONES, type PageId, type SectionId, type SectionIn, type Tone } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { capital, count } from '../parts/words'
import { KeepButton } from './keep-button'
import { Item, Menu } from './menu'
import { SectionNames } from './section-names'
import { attempt, attemptWithUndo, unique } from './use-acts'

type Props = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  readonly onChoose: (sections: readonly SectionId[]) => void
  readonly onAdd: (spot: Spot) => void
  readonly onHold: (page: PageId) => void
}

/** The sections of the page in hand, in order: chosen, moved, copied, hidden and taken out, one or several at once. */
export function SectionList({ page, chosen, onChoose, onAdd, onHold }: Props) {
  const store = useJobStore()
  const sections = useJob((s) => sectionsOn(s.document, page))
  const list = useRef<HTMLOListElement>(null)
  const focusNext = useRef<SectionId | null>(null)
  useEffect(() => {
    if (focusNext.current === null) return
    const row = list.current?.querySelector<HTMLElement>(`[data-section-row="${CSS.escape(focusNext.current)}"]`)
    if (!row) return
    row.focus()
    focusNext.current = null
  })
  const here = chosen.filter((id) => sections.some((s) => s.id === id))
  const where: SectionIn = { type: 'page', page }
  const choose = (id: SectionId, isAdded: boolean): void =>
    onChoose(isAdded ? (here.includes(id) ? here.filter((one) => one !== id) : [...here, id]) : [id])
  const move = (id: SectionId, by: -1 | 1): void => {
    const step = stepSection(store.getState().document, id, by)
    focusNext.current = id
    if (step) attempt(store, step, 'The section stays where it is')
  }
  const remove = (of: readonly SectionId[]): void => {
    const at = sections.findIndex((s) => s.id === of[0])
    const next = sections.filter((s) => !of.includes(s.id))
    if (
      !attemptWithUndo(
        store,
        removeSections(of),
        'The section stays',
        `${count(of.length, 'section')} taken out, with everything in ${of.length === 1 ? 'it' : 'them'}.`,
      )
    )
      return
    const after = next[Math.min(at, next.length - 1)]
    onChoose(after ? [after.id] : [])
    focusNext.current = after?.id ?? null
  }
  const press = (event: KeyboardEvent<HTMLElement>, id: SectionId): void => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey) return
    const at = sections.findIndex((s) => s.id === id)
    const by = ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key]
    if (event.altKey && by) move(id, by)
    else if (by) {
      const next = sections[at + by]
      if (!next) return
      focusNext.current = next.id
      onChoose(event.shiftKey ? [...new Set([...here, next.id])] : [next.id])
    } else if (event.key === ' ') choose(id, true)
    else if (event.key === 'Delete') remove(here.includes(id) ? here : [id])
    else if (event.key === 'n') onAdd({ in: where, after: id })
    else return
    event.preventDefault()
  }
  const drag = useSectionDrag(page)
  return (
    <div className="flex min-h-0 flex-col">
      <SectionBar
        page={page}
        chosen={here}
        onAdd={() => onAdd({ in: where, after: here.at(-1) ?? sections.at(-1)?.id ?? null })}
        onRemove={() => remove(here)}
        onHold={onHold}
        onChoose={onChoose}
      />
      <DndContext
        sensors={drag.sensors}
        collisionDetection={pointerWithin}
        onDragMove={drag.move}
        onDragOver={drag.move}
        onDragEnd={drag.end}
        onDragCancel={drag.cancel}
      >
        <ol ref={list} className="min-h-0 flex-1 overflow-y-auto border border-seam bg-cloth" aria-label="Sections">
          <li>
            <Between label="Add a section at the top" onAdd={() => onAdd({ in: where, after: null })} />
          </li>
          {sections.map(({ id }, i) => (
            <SectionRow
              key={id}
              id={id}
              isChosen={here.includes(id)}
              isStop={here.length === 0 ? i === 0 : here.at(-1) === id}
              drop={drag.over?.id === id ? drag.over.side : null}
              onChoose={choose}
              onKey={press}
              onAdd={() => onAdd({ in: where, after: id })}
            />
          ))}
        </ol>
      </DndContext>
      {sections.length === 0 && <p className="py-2 text-sm text-soft">Nothing stands on this page yet.</p>}
    </div>
  )
}

type BarProps = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  readonly onAdd: () => void
  readonly onRemove: () => void
  readonly onHold: (page: PageId) => void
  readonly onChoose: (sections: readonly SectionId[]) => void
}

/** What can be done with the sections chosen. */
function SectionBar({ page, chosen, onAdd, onRemove, onHold, onChoose }: BarProps) {
  const store = useJobStore()
  const pages = useJob((s) => s.document.pages)
  const { pack, document } = store.getState()
  const isHidden = useJob((s) => chosen.length > 0 && chosen.every((id) => findSection(s.document, id)?.hidden))
  const isNone = chosen.length === 0
  const copyTo = (target: PageId): void => {
    const now = store.getState().document
    const sections = chosen.flatMap((id) => findSection(now, id) ?? [])
    const here = sections.map((section) => copySection(now, section, { in: section.in, after: section.id }, unique))
    const made =
      target === page
        ? { steps: here.flatMap(({ steps }) => steps), sections: here.map((one) => one.section) }
        : copyAll(now, sections, target, unique)
    if (attempt(store, made.steps, 'The section is not copied') === null) return
    if (target === page) onChoose(made.sections)
    else toast(`Copied to the end of “${nameOf(target)}”.`, { action: { label: 'Go there', onClick: () => onHold(target) } })
  }
  const moveToPage = (target: PageId): void => {
    const now = store.getState().document
    const where: SectionIn = { type: 'page', page: target }
    const steps = moveAll(now, chosen, { in: where, after: sectionsIn(now, where).at(-1)?.id ?? null })
    attemptWithUndo(store, steps, 'The section stays', `Moved to the end of “${nameOf(target)}”.`)
  }
  const nameOf = (id: PageId): string => {
    const found = pages[id]
    return found ? pageTexts(pack, document, found).name : ''
  }
  const alternate = (): void => {
    const { document: now, assets } = store.getState()
    const steps = alternateTones({ document: now, pack, assets, mode: 'release' }, page)
    if (steps.length === 0) toast('The tones alternate already.')
    else attemptWithUndo(store, steps, 'The tones stay', `${count(steps.length, 'section')} in another tone.`)
  }
  const others = pagesOf({ pages }).filter((p) => p.id !== page)
  return (
    <div className="flex flex-wrap items-center gap-0.5 pb-1" role="group" aria-label="Sections chosen">
      <Button className="me-1" onClick={onAdd} title={isNone ? 'At the end of the page (n)' : 'After the section chosen (n)'}>
        Add
        <span className="sr-only"> a section</span>
      </Button>
      <Menu label="Copy" disabled={isNone}>
        <Item onSelect={() => copyTo(page)}>Here, after it</Item>
        {others.map(({ id }) => (
          <Item key={id} onSelect={() => copyTo(id)}>
            To {nameOf(id)}
          </Item>
        ))}
      </Menu>
      <Menu label="Move" disabled={isNone || others.length === 0}>
        {others.map(({ id }) => (
          <Item key={id} onSelect={() => moveToPage(id)}>
            To {nameOf(id)}
          </Item>
        ))}
      </Menu>
      <Button
        look="quiet"
        disabled={isNone}
        onClick={() =>
          attempt(
            store,
            chosen.map((section) => ({ type: 'section/set', section, part: 'hidden', value: isHidden ? null : true }) as const),
            'Not hidden',
          )
        }
      >
        {isHidden ? 'Show' : 'Hide'}
      </Button>
      <SectionNames section={chosen.length === 1 ? (chosen[0] ?? null) : null} />
      <KeepButton section={chosen.length === 1 ? (chosen[0] ?? null) : null} />
      <Button look="quiet" disabled={isNone} onClick={onRemove}>
        Take out
      </Button>
      <Button look="quiet" onClick={alternate} title="No two neighbours look the same, and the loudest stands where the call is">
        Alternate tones
      </Button>
    </div>
  )
}

type RowProps = {
  readonly id: SectionId
  readonly isChosen: boolean
  readonly isStop: boolean
  readonly drop: 'before' | 'after' | null
  readonly onChoose: (id: SectionId, isAdded: boolean) => void
  readonly onKey: (event: KeyboardEvent<HTMLElement>, id: SectionId) => void
  readonly onAdd: () => void
}

const SectionRow = memo(function SectionRow({ id, isChosen, isStop, drop, onChoose, onKey, onAdd }: RowProps) {
  const store = useJobStore()
  const section = useJob((s) => findSection(s.document, id))
  const open = useJob((s) => (section ? sectionRows(s.pack, s.document, section).filter((row) => row.leftover || row.draft).length : 0))
  const drag = useDraggable({ id })
  const over = useDroppable({ id })
  if (!section) return null
  const title = section.name ?? capital(section.kind.replace('-', ' and '))
  const mark = { before: 'shadow-[inset_0_3px_0_var(--color-ink)]', after: 'shadow-[inset_0_-3px_0_var(--color-ink)]' }
  return (
    <li ref={over.setNodeRef}>
      <div
        data-section-row={id}
        role="group"
        tabIndex={isStop ? 0 : -1}
        aria-label={`${title}, ${section.design}${section.hidden ? ', hidden' : ''}${isChosen ? ', chosen' : ''}`}
        onKeyDown={(event) => onKey(event, id)}
        onClick={(event) => onChoose(id, event.shiftKey || event.ctrlKey || event.metaKey)}
        className={
          `flex h-9 items-center gap-2 border-b border-grid px-1 text-sm ${isChosen ? 'bg-tape' : 'hover:bg-table'} ` +
          `${section.hidden ? 'text-soft' : ''} ${drop ? mark[drop] : ''} ${drag.isDragging ? 'opacity-50' : ''}`
        }
      >
        <button
          type="button"
          ref={drag.setNodeRef}
          {...drag.listeners}
          tabIndex={-1}
          aria-label={`Drag ${title}`}
          className="cursor-grab touch-none"
        >
          <GripVertical size={14} aria-hidden />
        </button>
        <span className="min-w-0 truncate font-semibold" dir="auto">
          {title}
        </span>
        <span className="min-w-0 truncate text-xs text-soft">{section.design}</span>
        {section.hidden && <EyeOff size={13} className="shrink-0" aria-hidden />}
        <span className="ms-auto shrink-0 font-mono text-xs">
          {section.hidden ? (
            ''
          ) : open > 0 ? (
            <span className="stitch-under pb-px text-thread">{open}</span>
          ) : (
            <span className="text-done">✓</span>
          )}
        </span>
        <select
          aria-label={`Tone of ${title}`}
          tabIndex={isChosen ? 0 : -1}
          value={section.tone}
          onClick={(event) => event.stopPropagation()}
          onChange={(event) => void store.apply({ type: 'section/set', section: id, part: 'tone', value: event.target.value as Tone })}
          className="w-20 rounded-sm border border-clear bg-clear text-xs hover:border-seam"
        >
          {TONES.map((tone) => (
            <option key={tone} value={tone}>
              {tone}
            </option>
          ))}
        </select>
      </div>
      <Between label={`Add a section after ${title}`} onAdd={onAdd} />
    </li>
  )
})

/** The line between two sections: a press on it adds one there. */
function Between({ label, onAdd }: { label: string; onAdd: () => void }) {
  return (
    <div className="group/between relative h-0">
      <button
        type="button"
        tabIndex={-1}
        aria-label={label}
        title={label}
        onClick={onAdd}
        className={
          'absolute end-1/2 top-0 z-10 grid size-6 -translate-y-1/2 place-items-center rounded-full border border-ink bg-cloth ' +
          'opacity-0 hover:bg-tape hover:opacity-100 focus-visible:opacity-100'
        }
      >
        <Plus size={14} aria-hidden />
      </button>
    </div>
  )
}

type Over = { readonly id: SectionId; readonly side: 'before' | 'after' }

function useSectionDrag(page: PageId) {
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
      const there = sectionsOn(document, page).filter((s) => s.id !== active.id)
      const at = there.findIndex((s) => s.id === over.id) + (over.side === 'after' ? 1 : 0)
      attempt(
        store,
        moveTo(document, active.id as SectionId, { in: { type: 'page', page }, after: there[at - 1]?.id ?? null }),
        'The section stays where it is',
      )
    },
    cancel: () => setOver(null),
  }
}
