import type { ReactNode } from 'react'

/** A part of the account, under a heading of its own. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-2 border-b border-ink pb-1 text-lg font-bold tracking-tight">{title}</h2>
      {children}
    </section>
  )
}
