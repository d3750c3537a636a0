'use client'
import { own } from '@/core/own'
import { useDraggable, useDroppable } from '@dnd-kit/core'
import { EyeOff, GripVertical, House } from 'lucide-react'
import { memo, useDeferredValue, useMemo, useState, type KeyboardEvent } from 'react'
import { countLeftovers, pageTexts, type Site } from '@/core/fill'
import { pagePath } from '@/core/pages'
import { pageBytes, type Beside } from '@/core/plan'
import { findPage, homePage, isHidden, lineOf, sectionsOfPage, type Listed, type PageId, type SiteDocument } from '@/core/site'
import { cutToRoom, SEARCH_PREVIEW } from '@/core/release'
import { isPressed } from '../keys/pressed'
import { useJob, useJobStore } from '../job/job-context'
import type { JobState } from '../job/job-state'
import { kilobytes } from '../parts/words'
import { Cell } from './cell'
import { measureAsOthers } from './search-preview/measure'
import { LengthTape } from './search-preview/length-tape'
import type { PageActs } from './use-acts'
import { useLiveState } from './use-live'

/** The table's columns; every row lays its cells on them. */
export const COLUMNS =
  'grid grid-cols-[minmax(13rem,1.5fr)_minmax(7rem,0.8fr)_minmax(9rem,1fr)_5.5rem_minmax(10rem,1.4fr)_3.5rem_4rem_5rem]'

const LISTED: readonly (readonly [Listed, string])[] = [
  ['menu', 'Menu'],
  ['foot', 'Footer'],
  ['nowhere', 'no list'],
]

type Editing = 'name' | 'label' | 'address' | 'description'

type Props = {
  readonly id: PageId
  readonly index: number
  readonly isInHand: boolean
  readonly live: SiteDocument | null
  readonly acts: PageActs
  /** Where a page that is dragged over this row would go. */
  readonly drop: Beside | null
  readonly onHold: (page: PageId) => void
  readonly onKey: (event: KeyboardEvent<HTMLElement>, page: PageId) => boolean
}

/** One page of the tree: what it is called, how the menu says it, its address, where it is listed, what is open on it. */
export const PageRow = memo(function PageRow({ id, index, isInHand, live, acts, drop, onHold, onKey }: Props) {
  const [editing, setEditing] = useState<Editing | null>(null)
  const page = useJob((s) => findPage(s.document, id))
  const isHome = useJob((s) => homePage(s.document).id === id)
  const level = useJob((s) => (page ? lineOf(s.document, page).length : 1))
  const isKept = useJob((s) => (page ? isHidden(s.document, page) : false))
  const address = useJob((s) => (page ? pagePath(s.document, page) : ''))
  const open = useJob((s) => own(countLeftovers(s.pack, s.document).byPage, id) ?? 0)
  const drag = useDraggable({ id, disabled: isHome })
  const over = useDroppable({ id })
  const texts = useTexts(id)
  // What takes drawing a page to know comes after the table itself.
  const isReckoned = useDeferredValue(true, false)
  if (!page) return null
  const focusRow = (): void => document.getElementById(`page-row-${id}`)?.focus()
  const leave = (): void => {
    setEditing(null)
    focusRow()
  }
  const press = (event: KeyboardEvent<HTMLElement>): void => {
    if (event.target !== event.currentTarget) return
    if (isPressed(event, 'renamePage')) setEditing('name')
    else if (!onKey(event, id)) return
    event.preventDefault()
  }
  const edit = (cell: Editing) => (): void => {
    onHold(id)
    setEditing(cell)
  }
  const shown = page.texts.description?.text ?? texts.description
  const mark = { before: 'shadow-[inset_0_3px_0_var(--color-ink)]', after: 'shadow-[inset_0_-3px_0_var(--color-ink)]', under: 'bg-tape' }
  return (
    <div
      ref={over.setNodeRef}
      id={`page-row-${id}`}
      role="row"
      tabIndex={isInHand ? 0 : -1}
      aria-level={level}
      aria-rowindex={index + 2}
      aria-selected={isInHand}
      data-drop={drop ?? undefined}
      aria-label={`${texts.name}${isHome ? ', home page' : ''}${isKept ? ', hidden' : ''}`}
      onKeyDown={press}
      onFocus={(event) => event.target === event.currentTarget && !isInHand && onHold(id)}
      onClick={() => !isInHand && onHold(id)}
      className={
        `${COLUMNS} h-9 items-center gap-2 border-b border-grid px-2 text-sm ${isInHand ? 'bg-cloth' : 'hover:bg-cloth'} ` +
        `${isKept ? 'text-soft' : ''} ${drag.isDragging ? 'opacity-50' : ''} ${drop ? mark[drop] : ''}`
      }
    >
      <div role="gridcell" className="flex min-w-0 items-center gap-1" style={{ paddingInlineStart: (level - 1) * 20 }}>
        {isHome ? (
          <House size={14} className="mx-[5px] shrink-0" aria-hidden />
        ) : (
          <button
            type="button"
            ref={drag.setNodeRef}
            {...drag.listeners}
            tabIndex={-1}
            aria-label={`Drag ${texts.name}`}
            title="Drag"
            className="shrink-0 cursor-grab touch-none text-soft hover:text-ink"
          >
            <GripVertical size={14} aria-hidden />
          </button>
        )}
        {editing === 'name' ? (
          <NameCell id={id} name={texts.name} acts={acts} onLeave={leave} />
        ) : (
          <Word text={texts.name} isLeftover={page.texts.name === undefined} isBold onEdit={edit('name')} label="Name" />
        )}
        {isKept && <EyeOff size={13} className="shrink-0" aria-hidden />}
      </div>
      <div role="gridcell" className="min-w-0">
        {editing === 'label' ? (
          <Cell
            label="Menu label"
            autoFocus
            value={page.texts.label?.text ?? ''}
            placeholder={texts.label}
            onKeep={(text) => acts.say(id, 'label', text) !== null}
            onLeave={leave}
          />
        ) : (
          <Word text={texts.label} isQuiet={page.texts.label === undefined} onEdit={edit('label')} label="Menu label" />
        )}
      </div>
      <div role="gridcell" className="min-w-0">
        {isHome ? (
          <span className="px-1.5 font-mono text-xs">/</span>
        ) : editing === 'address' ? (
          <Cell label="Address" mono autoFocus max={80} value={page.segment} onKeep={(text) => acts.address(id, text)} onLeave={leave} />
        ) : (
          <Word text={address} isMono isLeftover={!page.addressed} onEdit={edit('address')} label="Address" />
        )}
      </div>
      <div role="gridcell">
        <select
          aria-label={`Where ${texts.name} is shown`}
          tabIndex={isInHand ? 0 : -1}
          value={page.listed}
          onChange={(event) => acts.list(id, event.target.value as Listed)}
          className="w-full rounded-sm border border-clear bg-clear py-0.5 text-sm hover:border-seam focus:border-seam focus:bg-white"
        >
          {LISTED.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </div>
      <div role="gridcell" className="flex min-w-0 items-center gap-2">
        {editing === 'description' ? (
          <Cell
            label="Description"
            autoFocus
            max={1000}
            value={page.texts.description?.text ?? ''}
            placeholder={texts.description}
            onKeep={(text) => acts.say(id, 'description', text) !== null}
            onLeave={leave}
          />
        ) : (
          <Word text={shown} isLeftover={page.texts.description === undefined} onEdit={edit('description')} label="Description" />
        )}
        {isReckoned && <DescriptionTape of={shown} />}
      </div>
      <div role="gridcell" className="text-end font-mono text-xs">
        {isKept ? '' : open > 0 ? <span className="stitch-under pb-px text-thread">{open}</span> : <span className="text-done">✓</span>}
      </div>
      <div role="gridcell" className="text-end font-mono text-xs">
        {isReckoned && <Weight id={id} />}
      </div>
      <div role="gridcell" className="text-end text-xs">
        {isReckoned && <LiveWord live={live} id={id} />}
      </div>
    </div>
  )
})

/** What a page is called, what the menu calls it, how a result page tells of it. */
function useTexts(id: PageId): Readonly<Record<'name' | 'label' | 'description', string>> {
  const of = (part: 'name' | 'label' | 'description') => (s: JobState) => {
    const page = findPage(s.document, id)
    return page ? pageTexts(s.pack, s.document, page)[part] : ''
  }
  return { name: useJob(of('name')), label: useJob(of('label')), description: useJob(of('description')) }
}

type WordProps = {
  readonly text: string
  readonly label: string
  readonly isLeftover?: boolean
  readonly isQuiet?: boolean
  readonly isBold?: boolean
  readonly isMono?: boolean
  readonly onEdit: () => void
}

/** A cell's words as they stand; a press on them begins to type. */
function Word({ text, label, isLeftover = false, isQuiet = false, isBold = false, isMono = false, onEdit }: WordProps) {
  return (
    <button
      type="button"
      tabIndex={-1}
      dir="auto"
      title={text}
      aria-label={`${label}: ${text}${isLeftover ? ', the template’s' : ''}`}
      onClick={(event) => {
        event.stopPropagation()
        onEdit()
      }}
      className={
        'block min-w-0 max-w-full truncate rounded-sm border border-clear px-1.5 py-0.5 text-start hover:border-seam hover:bg-white ' +
        `${isBold ? 'font-semibold' : ''} ${isMono ? 'font-mono text-xs' : ''} ${isQuiet ? 'text-soft' : ''}`
      }
    >
      <span className={isLeftover ? 'stitch-under pb-px' : ''}>{text || '—'}</span>
    </button>
  )
}

/** A name that another page has is refused where it is typed, with one that is free. */
function NameCell({ id, name, acts, onLeave }: { id: PageId; name: string; acts: PageActs; onLeave: () => void }) {
  const [problem, setProblem] = useState<ReturnType<PageActs['rename']>>(null)
  return (
    <span className="relative w-full">
      <Cell
        label="Name"
        autoFocus
        value={name}
        onKeep={(text) => {
          const found = acts.rename(id, text)
          setProblem(found)
          return found === null
        }}
        onLeave={onLeave}
      />
      {problem && (
        <span
          role="alert"
          className={
            'absolute inset-x-0 top-full z-10 mt-1 grid w-max max-w-80 gap-1 border border-thread bg-cloth p-2 text-sm ' +
            'text-thread shadow-sm'
          }
        >
          {problem.sentence}
          <button
            type="button"
            className="justify-self-start border border-ink bg-cloth px-2 text-ink hover:bg-tape"
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => {
              acts.rename(id, problem.suggestion)
              onLeave()
            }}
          >
            Call it “{problem.suggestion}”
          </button>
        </span>
      )}
    </span>
  )
}

/** How much of the room that a list of results has for it a description takes. */
function DescriptionTape({ of }: { readonly of: string }) {
  const { share, isCut } = useMemo(() => cutToRoom(of, SEARCH_PREVIEW.desktop.description, measureAsOthers), [of])
  const words = `${Math.round(share * 100)} % of what a list of results shows${isCut ? ', the rest is cut' : ''}`
  return (
    <span className="ms-auto shrink-0" title={words}>
      <LengthTape share={share} isCut={isCut} label={words} />
    </span>
  )
}

function Weight({ id }: { id: PageId }) {
  const store = useJobStore()
  // Weighed once what was done is drawn.
  const sections = useDeferredValue(useJob((s) => sectionsOfPage(s.document, id)))
  const entries = useDeferredValue(useJob((s) => s.document.entries))
  const assets = useJob((s) => s.assets)
  const bytes = useMemo(() => {
    const { document, pack } = store.getState()
    const page = findPage(document, id)
    const site: Site = { document, pack, assets, mode: 'release' }
    return page ? pageBytes(site, page) : 0
    // A page weighs what its own sections do.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [store, id, sections, entries, assets])
  return <span title="Words and pictures on a phone; style and fonts are every page’s">{kilobytes(bytes)}</span>
}

function LiveWord({ live, id }: { live: SiteDocument | null; id: PageId }) {
  const state = useLiveState(live, id)
  const look = { new: 'font-semibold', changed: 'text-tape-dark font-semibold', 'as live': 'text-done', hidden: 'text-soft' }
  return state === null ? null : <span className={look[state]}>{state}</span>
}
