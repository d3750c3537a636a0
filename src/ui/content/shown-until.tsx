'use client'
import { useState } from 'react'
import { dayOf, findSection, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'

/** The last day on which visitors see a section that is not for good, such as a notice. */
export function ShownUntil({ section }: { section: SectionId }) {
  const store = useJobStore()
  const gesture = useGesture()
  const until = useJob((s) => findSection(s.document, section)?.until)
  // A browser tells of years while they are typed, 0002, 0020 and 0202 before 2020.
  const [typed, setTyped] = useState<string | null>(null)
  const change = (day: string): void => {
    setTyped(day)
    if (day !== '' && day < '1000') return
    store.apply({ type: 'section/set', section, part: 'until', value: day === '' ? null : day }, gesture(`until ${section}`))
  }
  const isPast = until !== undefined && dayOf(new Date()) > until
  return (
    <label className="flex items-center gap-1.5 text-sm font-normal tracking-normal">
      Shown until
      <input
        type="date"
        className="rounded-sm border border-seam bg-white px-1.5 text-sm"
        value={typed ?? until ?? ''}
        onChange={(event) => change(event.target.value)}
        onBlur={() => setTyped(null)}
      />
      {isPast && <span className="font-medium text-thread">that day is over: it is not published</span>}
    </label>
  )
}
