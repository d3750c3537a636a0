'use client'
import type { ReactNode } from 'react'
import { capital } from '../parts/words'

type Props = {
  readonly title: string
  /** What a change reaches: `this page`, `3 pages`, `every page`. */
  readonly reach: string
  /** Folded to the row in hand: no heading. */
  readonly folded: boolean
  readonly tools?: ReactNode
  readonly children: ReactNode
}

/** The rows of one part of a page under its name, with how far a change in them reaches. */
export function GroupFrame({ title, reach, folded, tools, children }: Props) {
  return (
    <section aria-label={`${capital(title)}, changes ${reach}`}>
      {!folded && (
        <h2 className="flex items-baseline gap-3 border-b border-seam bg-table px-4 pb-1 pt-3 text-base font-bold tracking-tight">
          {capital(title)}
          {tools}
          <span className="font-mono text-xs font-normal text-soft">changes {reach === 'this page' ? 'this page only' : reach}</span>
        </h2>
      )}
      {children}
    </section>
  )
}
