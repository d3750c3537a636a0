'use client'
import { useDroppable } from '@dnd-kit/core'
import { dropColumn, reachOfColumn, setColumnReach, setColumnWidth, type ColumnReach } from '@/core/plan'
import { pageTexts, siteDirection } from '@/core/fill'
import {
  columnAt,
  COLUMN_WIDTHS,
  findPage,
  roleOf,
  sectionsInColumn,
  type ColumnWidth,
  type PageId,
  type Section,
  type Side,
} from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { attempt, attemptWithUndo } from './use-acts'

/** A place that a section can be dropped into, by the name it goes by while one is dragged. */
export const columnDrop = (side: Side): string => `column ${side}`

/** What the column at a side is called: on a page that runs from right to left, its words begin at the right. */
export function useSideName(side: Side): string {
  const isRtl = useJob((s) => siteDirection(s.document) === 'rtl')
  return (side === 'start') === isRtl ? 'Right column' : 'Left column'
}

const NONE: readonly Section[] = []

/** The sections in the column at a side of a page. */
export function useColumnSections(page: PageId, side: Side): readonly Section[] {
  return useJob((s) => {
    const found = findPage(s.document, page)
    return found ? sectionsInColumn(s.document, columnAt(s.document, found, side)) : NONE
  })
}

const REACH: Readonly<Record<Exclude<ColumnReach, 'other'>, string>> = {
  page: 'this page',
  under: 'this page and those under it',
  site: 'every page',
}
const SAID: typeof REACH = {
  page: 'is on this page only now',
  under: 'is on this page and those under it now',
  site: 'is on every page now',
}

type Props = {
  readonly page: PageId
  readonly side: Side
  readonly rows: readonly React.ReactNode[]
  readonly onAdd: (() => void) | null
}

/** A column at the side of the page: how wide, for which pages, and what stands in it. */
export function SideColumn({ page: id, side, rows, onAdd }: Props) {
  const store = useJobStore()
  const name = useSideName(side)
  // What columns there are stands in the pages and in the plan of the site.
  useJob((s) => s.document.pages)
  useJob((s) => s.document.plan)
  const { document, pack } = store.getState()
  const page = findPage(document, id)
  const column = page && columnAt(document, page, side)
  const drop = useDroppable({ id: columnDrop(side), disabled: !column })
  if (!page || roleOf(document, page) === 'part') return null
  const reach = reachOfColumn(document, page, side)
  const owner = column?.of ? findPage(document, column.of) : null
  const fails = 'The column stays'
  const setWidth = (value: ColumnWidth | 'none'): void => {
    const now = store.getState().document
    if (value !== 'none') return void attempt(store, setColumnWidth(now, page, side, value), fails)
    const kept =
      rows.length > 0 && reach !== 'site' && reach !== 'other' ? ' What stood in it is kept for when the page has one again.' : ''
    attemptWithUndo(store, dropColumn(now, page, side), fails, `${name} removed from this page.${kept}`)
  }
  const setReach = (value: 'page' | 'under' | 'site'): void =>
    void attemptWithUndo(store, setColumnReach(store.getState().document, page, side, value), fails, `${name} ${SAID[value]}.`)
  return (
    <section aria-label={name} className="border-t border-seam bg-table">
      <div ref={drop.setNodeRef} className={`flex h-8 items-center gap-1.5 px-1 text-xs ${drop.isOver ? 'bg-tape' : 'text-soft'}`}>
        <span className="w-20 shrink-0 text-ink">{name}</span>
        <select
          aria-label={`Width of the ${name.toLowerCase()}`}
          className={SELECT}
          value={column?.width ?? 'none'}
          onChange={(event) => setWidth(event.target.value as ColumnWidth | 'none')}
        >
          <option value="none">none</option>
          {COLUMN_WIDTHS.map((width) => (
            <option key={width}>{width}</option>
          ))}
        </select>
        {owner && reach === 'other' && (
          <span className="min-w-0 truncate" dir="auto">
            from {pageTexts(pack, document, owner).name}
          </span>
        )}
        {reach !== null && reach !== 'other' && (
          <select
            aria-label={`Pages with the ${name.toLowerCase()}`}
            className={SELECT}
            value={reach}
            onChange={(event) => setReach(event.target.value as 'page')}
          >
            {Object.entries(REACH).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        )}
        {column && onAdd && (
          <button type="button" className="ms-auto min-h-6 px-1.5 text-ink underline underline-offset-2 hover:bg-tape" onClick={onAdd}>
            Add<span className="sr-only"> to the {name.toLowerCase()}</span>
          </button>
        )}
      </div>
      {rows.length > 0 && <ol aria-label={name}>{rows}</ol>}
    </section>
  )
}

const SELECT = 'h-6 min-w-0 rounded-sm border border-seam bg-cloth px-1 text-ink'
