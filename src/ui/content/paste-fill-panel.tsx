'use client'
import { useEffect, useRef } from 'react'
import type { PasteFill } from '@/core/fill'
import { Button } from '../parts/button'
import { count } from '../parts/words'

type Props = { readonly pour: PasteFill; readonly onPour: () => void; readonly onClose: () => void }
const MOST_SHOWN = 12

/** What was pasted beside where each piece would go, before anything is changed. */
export function PasteFillPanel({ pour, onPour, onClose }: Props) {
  const go = useRef<HTMLButtonElement>(null)
  useEffect(() => go.current?.focus(), [])
  const { placed, newEntries, left } = pour
  return (
    <section
      aria-label="What was pasted, and where it would go"
      className="sticky top-8 z-20 border-y-2 border-ink bg-white px-4 py-2"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.stopPropagation()
        onClose()
      }}
    >
      <div className="flex flex-wrap items-center gap-3">
        <p className="me-auto font-semibold">
          Pasted: where each piece would go
          {newEntries > 0 && `, ${count(newEntries, 'new entry', 'new entries')} among it`}
          {left > 0 && <span className="text-thread">; no place for {count(left, 'cell')}</span>}
        </p>
        <Button ref={go} look="main" onClick={onPour}>
          Fill {count(placed.length, 'place')}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
      <ul className="mt-1 grid max-h-44 gap-x-6 overflow-y-auto text-sm sm:grid-cols-2">
        {placed.slice(0, MOST_SHOWN).map(({ label, words }, i) => (
          <li key={i} className="flex gap-2">
            <span className="w-28 shrink-0 font-mono text-xs leading-5 text-soft">{label}</span>
            <span className="truncate" dir="auto">
              {words}
            </span>
          </li>
        ))}
        {placed.length > MOST_SHOWN && <li className="text-soft">and {placed.length - MOST_SHOWN} more</li>}
      </ul>
    </section>
  )
}
