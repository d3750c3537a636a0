'use client'
import { useJob } from '../job/job-context'
import { leadOf } from './lead-text'

/** Leads whoever makes their first site: what to do on this stage, until it is done. */
export function Lead({ stage, isLive }: { readonly stage: string; readonly isLive: boolean }) {
  const says = useJob((state) => leadOf(stage, { ...state, isLive }))
  if (says === null) return null
  return (
    <aside aria-label="What to do here" className="shrink-0 border-b border-seam bg-tape-pale px-4 py-1 text-sm">
      {says}
    </aside>
  )
}
