'use client'
import { memo } from 'react'
import { SHEETS } from '../sheets/widths'
import type { LineFit } from '../sheets/widths'
import { OF_ROW_IN_HAND } from './row-look'

const MOST_TICKS = 6

/** Lines a text takes at each width, as lengths of tape against the design's own measure: in the row in hand, and where it is too long. */
export const FitStrip = memo(function FitStrip({ fit }: { fit: LineFit }) {
  const isLong = SHEETS.some(({ name }) => isOver(fit[name]))
  return (
    <ul className={`flex gap-2 ${isLong ? '' : OF_ROW_IN_HAND}`} aria-label="Lines at each width">
      {SHEETS.map(({ name }) => {
        const lines = fit[name]
        if (!lines) return null
        const over = isOver(lines)
        return (
          <li
            key={name}
            className="w-10"
            title={`${name}: ${lines.now} ${lines.now === 1 ? 'line' : 'lines'}; designed for ${lines.designed}`}
          >
            <span className="sr-only">
              {name}: {lines.now} of {lines.designed} lines{over ? ', longer than designed' : ''}
            </span>
            <span aria-hidden className={`block font-mono text-xs ${over ? 'font-bold text-thread' : 'text-soft'}`}>
              {lines.now}/{lines.designed}
              {over ? ' ▲' : ''}
            </span>
            <Tape now={lines.now} designed={lines.designed} />
          </li>
        )
      })}
    </ul>
  )
})

function isOver(lines: LineFit[keyof LineFit] | undefined): boolean {
  return lines !== undefined && lines.now > lines.designed && lines.designed > 0
}

function Tape({ now, designed }: { now: number; designed: number }) {
  const ticks = Math.min(MOST_TICKS, Math.max(now, designed, 1))
  return (
    <span aria-hidden className="mt-0.5 flex h-1.5 gap-px">
      {Array.from({ length: ticks }, (_, i) => (
        <span
          key={i}
          className={`flex-1 border ${i >= designed ? 'border-thread bg-thread' : i < now ? 'border-ink bg-tape' : 'border-seam bg-cloth'}`}
        />
      ))}
    </span>
  )
}
