'use client'
import { DndContext, pointerWithin } from '@dnd-kit/core'
import { useEffect, useLayoutEffect, useMemo, useRef, type KeyboardEvent } from 'react'
import { removeSections, stepSection, type Spot } from '@/core/plan'
import {
  columnAt,
  findPage,
  findSection,
  reachOf,
  sectionsIn,
  type PageId,
  type Section,
  type SectionId,
  type SectionIn,
  type Side,
} from '@/core/site'
import { isPressed } from '../keys/pressed'
import { useJob, useJobStore } from '../job/job-context'
import { count } from '../parts/words'
import { SectionBar } from './section-bar'
import { Between, SectionRow } from './section-row'
import { SideColumn, useColumnSections } from './side-column'
import { attempt, attemptWithUndo } from './use-acts'
import { useSectionDrag } from './use-section-drag'

type Props = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  readonly onChoose: (sections: readonly SectionId[]) => void
  readonly onAdd: (spot: Spot) => void
  readonly onHold: (page: PageId) => void
}

const HEAD: SectionIn = { type: 'header' }
const FOOT: SectionIn = { type: 'footer' }

/**
 * The sections of the page in hand and of its columns, between those of every page: chosen, moved, copied, altered, hidden and taken out,
 * one or several.
 */
export function SectionList({ page, chosen, onChoose, onAdd, onHold }: Props) {
  const store = useJobStore()
  const head = useJob((s) => sectionsIn(s.document, HEAD))
  const own = useJob((s) => sectionsIn(s.document, { type: 'page', page }))
  const start = useColumnSections(page, 'start')
  const end = useColumnSections(page, 'end')
  const foot = useJob((s) => sectionsIn(s.document, FOOT))
  const sections = [...head, ...own, ...start, ...end, ...foot]
  const list = useRef<HTMLDivElement>(null)
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
    if (step) attempt(store, step, 'The section was not moved')
  }
  const remove = (of: readonly SectionId[]): void => {
    const { document } = store.getState()
    // What comes in hand stands in the same place: the next press of the key never takes the foot of every page.
    const stands = findSection(document, of[0] ?? '')
    const beside = stands ? sectionsIn(document, stands.in) : []
    const at = beside.findIndex((s) => s.id === of[0])
    const next = beside.filter((s) => !of.includes(s.id))
    const isEverywhere = of.some((id) => reachOf(document, id) === 'every page')
    const what = `${count(of.length, 'section')} removed${isEverywhere ? ' from every page' : ''}`
    if (
      !attemptWithUndo(
        store,
        removeSections(document, of),
        'The section stays',
        `${what}, with everything in ${of.length === 1 ? 'it' : 'them'}.`,
      )
    )
      return
    const after = next[Math.min(at, next.length - 1)]
    onChoose(after ? [after.id] : [])
    if (after) focusNext.current = after.id
    else list.current?.parentElement?.querySelector<HTMLElement>('[role="group"] button')?.focus()
  }
  const add = (after: SectionId | null): void => {
    const stands = after === null ? null : findSection(store.getState().document, after)
    onAdd({ in: stands?.in ?? where, after })
  }
  const addTo = (side: Side) => () => {
    const { document } = store.getState()
    const found = findPage(document, page)
    const column = found && columnAt(document, found, side)
    if (column) onAdd({ in: column.place, after: sectionsIn(document, column.place).at(-1)?.id ?? null })
  }
  const press = (event: KeyboardEvent<HTMLElement>, id: SectionId): void => {
    if (event.target !== event.currentTarget) return
    const at = sections.findIndex((s) => s.id === id)
    const by = ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key]
    if (isPressed(event, 'moveSection') && by) move(id, by)
    else if (by && !event.altKey && !event.ctrlKey && !event.metaKey) {
      const next = sections[at + by]
      if (!next) return
      focusNext.current = next.id
      onChoose(event.shiftKey ? [...new Set([...here, next.id])] : [next.id])
    } else if (isPressed(event, 'chooseSection')) choose(id, true)
    else if (isPressed(event, 'removeSection')) remove(here.includes(id) ? here : [id])
    else if (isPressed(event, 'addSection')) add(id)
    else if (isPressed(event, 'alterSection')) list.current?.parentElement?.querySelector<HTMLElement>('[data-alter]')?.click()
    else return
    event.preventDefault()
  }
  const acts = useSteady({ choose, press, add })
  const drag = useSectionDrag(page)
  const stop = here.at(-1) ?? own[0]?.id ?? sections[0]?.id
  const rows = (of: readonly Section[]) =>
    of.map(({ id }) => (
      <SectionRow
        key={id}
        id={id}
        isChosen={here.includes(id)}
        isStop={id === stop}
        drop={drag.over?.id === id ? drag.over.side : null}
        onChoose={acts.choose}
        onKey={acts.press}
        onAdd={acts.add}
      />
    ))
  return (
    <div className="flex min-h-0 flex-col">
      <SectionBar
        page={page}
        chosen={here}
        onAdd={() => add(here.at(-1) ?? own.at(-1)?.id ?? null)}
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
        <div ref={list} className="min-h-0 flex-1 overflow-y-auto border border-seam bg-cloth">
          <Reach words="Header, every page" rows={rows(head)} />
          <ol aria-label="Sections" className="border-y border-seam">
            <li>
              <Between label="Add a section at the top" onAdd={() => onAdd({ in: where, after: null })} />
            </li>
            {rows(own)}
          </ol>
          {own.length === 0 && <p className="px-2 py-2 text-sm text-soft">This page has no sections. Press Add (n) to choose the first.</p>}
          <SideColumn page={page} side="start" rows={rows(start)} onAdd={addTo('start')} />
          <SideColumn page={page} side="end" rows={rows(end)} onAdd={addTo('end')} />
          <Reach words="Footer, every page" rows={rows(foot)} />
        </div>
      </DndContext>
    </div>
  )
}

type Acts = {
  readonly choose: (id: SectionId, isAdded: boolean) => void
  readonly press: (event: KeyboardEvent<HTMLElement>, id: SectionId) => void
  readonly add: (after: SectionId | null) => void
}

/** The same functions for as long as the list stands, so that an act draws only the rows that it touches. */
function useSteady(acts: Acts): Acts {
  const latest = useRef(acts)
  useLayoutEffect(() => {
    latest.current = acts
  })
  return useMemo(
    () => ({
      choose: (id, isAdded) => latest.current.choose(id, isAdded),
      press: (event, id) => latest.current.press(event, id),
      add: (after) => latest.current.add(after),
    }),
    [],
  )
}

/** Sections that stand on every page: a change of one reaches all. */
function Reach({ words, rows }: { words: string; rows: readonly React.ReactNode[] }) {
  if (rows.length === 0) return null
  return (
    <>
      <p className="bg-table px-1 pt-1 text-xs text-soft" aria-hidden>
        {words}
      </p>
      <ol aria-label={words} className="bg-table">
        {rows}
      </ol>
    </>
  )
}
