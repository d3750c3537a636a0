'use client'
import type { ReactNode } from 'react'
import { capital } from '../parts/words'

type Props = {
  readonly title: string
  /** The page that they stand on, where those of several are listed. */
  readonly where: string | null
  /** What a change reaches: `this page`, `3 pages`, `every page`; null where that differs from row to row. */
  readonly reach: string | null
  /** Folded to the row in hand: no heading. */
  readonly folded: boolean
  readonly tools?: ReactNode
  readonly children: ReactNode
}

/** The rows of one part of a page under its name, with how far a change in them reaches. */
export function GroupFrame({ title, where, reach, folded, tools, children }: Props) {
  return (
    <section aria-label={[where, capital(title), reach && `changes ${reach}`].filter(Boolean).join(', ')}>
      {!folded && (
        <h2 className="flex items-baseline gap-3 border-b border-seam bg-table px-4 pb-1 pt-3 text-base font-bold tracking-tight">
          <span className="min-w-0">
            {where !== null && (
              <span className="font-normal text-soft" dir="auto">
                {where}:{' '}
              </span>
            )}
            {capital(title)}
          </span>
          {tools}
          {reach !== null && (
            <span className="font-mono text-xs font-normal text-soft">changes {reach === 'this page' ? 'this page only' : reach}</span>
          )}
        </h2>
      )}
      {children}
    </section>
  )
}
