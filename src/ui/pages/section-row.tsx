'use client'
import { EyeOff, GripVertical, Plus } from 'lucide-react'
import { useDraggable, useDroppable } from '@dnd-kit/core'
import { memo, type KeyboardEvent } from 'react'
import { sectionRows } from '@/core/fill'
import { alterationsOf, findSection, pagesShowing, shownSection, TONES, type SectionId, type Tone } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { capital, count } from '../parts/words'

type RowProps = {
  readonly id: SectionId
  readonly isChosen: boolean
  readonly isStop: boolean
  readonly drop: 'before' | 'after' | null
  readonly onChoose: (id: SectionId, isAdded: boolean) => void
  readonly onKey: (event: KeyboardEvent<HTMLElement>, id: SectionId) => void
  readonly onAdd: (after: SectionId) => void
}

export const SectionRow = memo(function SectionRow({ id, isChosen, isStop, drop, onChoose, onKey, onAdd }: RowProps) {
  const store = useJobStore()
  const standing = useJob((s) => findSection(s.document, id))
  const section = useJob((s) => standing && shownSection(s.document, standing))
  const open = useJob((s) => (section ? sectionRows(s.pack, s.document, section).filter((row) => row.leftover || row.draft).length : 0))
  const pages = useJob((s) => pagesShowing(s.document, id).length)
  const drag = useDraggable({ id })
  const over = useDroppable({ id })
  if (!standing || !section) return null
  const cuts = alterationsOf(section).length
  const title = standing.name ?? section.name ?? capital(section.kind.replace('-', ' and '))
  const mark = { before: 'shadow-[inset_0_3px_0_var(--color-ink)]', after: 'shadow-[inset_0_-3px_0_var(--color-ink)]' }
  const says = [title, section.design, ...(cuts > 0 ? [count(cuts, 'alteration')] : [])]
  if (pages > 1) says.push(`on ${pages} pages`)
  if (standing.hidden) says.push('hidden')
  if (isChosen) says.push('chosen')
  return (
    <li ref={over.setNodeRef}>
      <div
        data-section-row={id}
        role="group"
        tabIndex={isStop ? 0 : -1}
        aria-label={says.join(', ')}
        onKeyDown={(event) => onKey(event, id)}
        onClick={(event) => onChoose(id, event.shiftKey || event.ctrlKey || event.metaKey)}
        className={
          `flex h-9 items-center gap-2 border-b border-grid px-1 text-sm ${isChosen ? 'bg-tape' : 'hover:bg-table'} ` +
          `${standing.hidden && !isChosen ? 'text-soft' : ''} ${drop ? mark[drop] : ''} ${drag.isDragging ? 'opacity-50' : ''}`
        }
      >
        <button
          type="button"
          ref={drag.setNodeRef}
          {...drag.listeners}
          tabIndex={-1}
          aria-label={`Drag ${title}`}
          title="Drag"
          className="cursor-grab touch-none"
        >
          <GripVertical size={14} aria-hidden />
        </button>
        <span className="min-w-0 truncate font-semibold" dir="auto">
          {title}
        </span>
        <span className={`min-w-0 truncate text-xs ${isChosen ? '' : 'text-soft'}`}>
          {section.design}
          {cuts > 0 && ` · cut ${cuts}`}
          {pages > 1 && ` · on ${pages} pages`}
        </span>
        {standing.hidden && <EyeOff size={13} className="shrink-0" aria-hidden />}
        <span className="ms-auto shrink-0 font-mono text-xs">
          {standing.hidden ? (
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
          onChange={(event) =>
            void store.apply({ type: 'section/set', section: section.id, part: 'tone', value: event.target.value as Tone })
          }
          className="w-20 rounded-sm border border-clear bg-clear text-xs hover:border-seam"
        >
          {TONES.map((tone) => (
            <option key={tone} value={tone}>
              {tone}
            </option>
          ))}
        </select>
      </div>
      <Between label={`Add a section after ${title}`} onAdd={() => onAdd(id)} />
    </li>
  )
})

/** The line between two sections: a press on it adds one there. */
export function Between({ label, onAdd }: { label: string; onAdd: () => void }) {
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
