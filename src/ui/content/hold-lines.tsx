'use client'
import { Popover, RadioGroup } from 'radix-ui'
import { useState } from 'react'
import type { LedgerRow } from '@/core/fill'
import { NARROWEST, WIDEST, type Stretch } from '@/core/lines'
import { findSection, holdKey, withHold, type Hold } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { SHEETS } from '../sheets/widths'
import { count } from '../parts/words'
import { holdOf, useHeld, useLines, type LinesKnown } from './use-held'
import { Panel } from '../parts/panel'
import { OF_ROW_IN_HAND } from './row-look'

const CHOICES: readonly Hold[] = [1, 2, 3, 4]
const NAMES: Readonly<Record<string, string>> = {
  1: 'One line',
  2: 'Two lines',
  3: 'Three lines',
  4: 'Four lines',
  5: 'Five lines',
  6: 'Six lines',
}

/** What a place's lines are held to, at every width: the sign beside its lines, and what opens there. */
export function HoldLines({ row, title }: { row: LedgerRow; title: string }) {
  const [open, setOpen] = useState(false)
  const hold = useJob((s) => holdOf(findSection(s.document, row.place.section), row))
  const held = useHeld(row)
  const isOver = held !== null && (held.over.length > 0 || !held.can)
  const sign = hold === null ? '≤' : hold === 'alike' ? '=' : `≤${hold}`
  const state = hold === null ? 'as designed' : hold === 'alike' ? 'alike' : `held to ${count(hold, 'line')}`
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className={'size-6 shrink-0 rounded-sm border font-mono text-xs hover:border-ink hover:bg-tape ' + lookOf(hold, isOver)}
        aria-label={`Lines of ${title}: ${row.label}, ${state}${isOver ? ', over' : ''}`}
        title={`Limit how many lines this may take (now ${state})`}
      >
        {sign}
      </Popover.Trigger>
      <Panel align="end" className="grid w-[30rem] gap-3 p-3 text-sm" aria-label={`Lines of ${title}: ${row.label}`}>
        {open && <Lines row={row} hold={hold} />}
      </Panel>
    </Popover.Root>
  )
}

function lookOf(hold: Hold | null, isOver: boolean): string {
  if (hold === null) return `border-clear text-soft ${OF_ROW_IN_HAND}`
  return isOver ? 'border-thread font-bold text-thread' : 'border-ink bg-tape text-ink'
}

function Lines({ row, hold }: { row: LedgerRow; hold: Hold | null }) {
  const store = useJobStore()
  const known = useLines(row)
  const { place } = row
  const set = (next: Hold | null): void => {
    const section = findSection(store.getState().document, place.section)
    if (!section) return
    const value = withHold(section.holds, holdKey(place.entry?.list ?? null, place.slot), next)
    store.apply({ type: 'section/set', section: section.id, part: 'holds', value })
  }
  const choices: readonly Hold[] = place.entry && known?.follows ? [...CHOICES, 'alike'] : CHOICES
  return (
    <>
      <h3 className="font-bold">Lines at every width</h3>
      {!known ? (
        <p role="status" className="text-soft">
          Measuring…
        </p>
      ) : known.can ? (
        <LinesTape known={known} />
      ) : (
        <p className="text-thread">
          These lines cannot be counted: sub-headings, quotations or small print are among the words, other words stand in one line with
          them, or they are shown at no width.
        </p>
      )}
      {(known?.can ?? hold !== null) && (
        <RadioGroup.Root
          value={String(hold ?? '')}
          onValueChange={(value) => set(value === '' ? null : value === 'alike' ? 'alike' : (Number(value) as Hold))}
          aria-label={place.entry ? 'The lines of every entry' : 'Held to'}
          className="flex flex-wrap gap-1"
        >
          <Choice value="" name="As designed" />
          {choices.map((one) => (
            <Choice key={one} value={String(one)} name={one === 'alike' ? 'None taller than its neighbour' : (NAMES[one] ?? '')} />
          ))}
        </RadioGroup.Root>
      )}
      {known?.can && !known.follows && (
        <p className="text-soft">
          In this design the words decide how wide their place is: they stay as large as designed, and what is over is marked.
        </p>
      )}
      {place.entry && <p className="text-soft">All entries of the list are held together.</p>}
      {known && hold !== null && known.can && <Outcome known={known} hold={hold} />}
    </>
  )
}

function Choice({ value, name }: { value: string; name: string }) {
  return (
    <RadioGroup.Item
      value={value}
      className="rounded-sm border border-seam px-2 py-1 hover:border-ink data-[state=checked]:border-ink data-[state=checked]:bg-tape"
    >
      {name}
    </RadioGroup.Item>
  )
}

/** What came of it, and where nothing would do, the words that are over. */
function Outcome({ known, hold }: { known: LinesKnown; hold: Hold }) {
  const smallest = Math.round(Math.min(...known.stretches.map((one) => one.smallest)))
  if (known.over.length === 0 || known.overAt === null)
    return (
      <p role="status">
        {hold === 'alike' ? 'Alike' : known.follows ? 'Held' : 'No more than that'} at every width; the smallest letters are {smallest} px.
      </p>
    )
  const tooMany = known.words.length - known.overAt
  return (
    <div role="status" className="grid gap-1">
      <p className="font-medium text-thread">
        {windowsIn(known.over)} more{known.follows ? ', in the smallest letters that its style allows' : ''}. About{' '}
        {count(tooMany, 'letter')} shorter it would fit.
      </p>
      <p dir="auto" className="max-h-24 overflow-y-auto border-s-2 border-thread ps-2">
        {known.words.slice(0, known.overAt)}
        <mark className="stitch-under bg-clear pb-0.5 text-thread">{known.words.slice(known.overAt)}</mark>
      </p>
    </div>
  )
}

function windowsIn(over: readonly Stretch[]): string {
  const joined: { from: number; to: number }[] = []
  for (const { from, to } of over) {
    const last = joined.at(-1)
    if (last && last.to + 1 >= from) last.to = to
    else joined.push({ from, to })
  }
  const parts = joined.map(({ from, to }) =>
    from === NARROWEST ? `up to ${to} px` : to === WIDEST ? `from ${from} px on` : `from ${from} to ${to} px`,
  )
  const isAll = joined.some(({ from, to }) => from === NARROWEST && to === WIDEST)
  return `${isAll ? 'At every width' : `In windows ${parts.join(' and ')}`} it still takes`
}

/** Lines at every width as lengths of tape, one under another the more there are; where each sheet stands. */
function LinesTape({ known: { stretches, over } }: { known: LinesKnown }) {
  const share = (width: number): number => ((width - NARROWEST) / (WIDEST - NARROWEST)) * 100
  const most = Math.max(...stretches.map(({ lines }) => lines))
  return (
    <div>
      <ul aria-label="Lines by width of the window" className="relative flex h-14 items-end border-b border-ink">
        {stretches.map((one) => {
          const { from, to, lines } = one
          const isOver = over.includes(one)
          return (
            <li
              key={from}
              className={
                `relative flex flex-col-reverse overflow-hidden border-s border-ink ` +
                (isOver ? 'bg-thread text-white' : 'bg-tape text-ink')
              }
              style={{ width: `${share(to) - share(from)}%`, height: `${(lines / most) * 100}%`, minWidth: 2 }}
              title={`${from} to ${to} px: ${count(lines, 'line')}`}
            >
              <span aria-hidden className="px-0.5 font-mono text-xs leading-none">
                {lines}
              </span>
              <span className="sr-only">
                {from} to {to} px: {count(lines, 'line')}
                {isOver ? ', over' : ''}
              </span>
            </li>
          )
        })}
      </ul>
      <div aria-hidden className="relative h-9 font-mono text-xs text-soft">
        <span className="absolute start-0">320</span>
        <span className="absolute end-0">1920</span>
        {SHEETS.map(({ name, width }) => (
          <span key={name} className="absolute top-0 border-s border-seam ps-0.5 pt-3" style={{ insetInlineStart: `${share(width)}%` }}>
            {name}
          </span>
        ))}
      </div>
    </div>
  )
}
