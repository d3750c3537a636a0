'use client'
import { useState } from 'react'
import { toast } from 'sonner'
import { toKept } from '@/core/plan'
import { findSection, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { buttonClass } from '../parts/button'
import { capital } from '../parts/words'
import { refuse } from '../request/refuse'
import { keepSection } from './use-kept-sections'

/** Keeps a section for every job, under a name. */
export function KeepForm({ section: id, onKept }: { section: SectionId; onKept: () => void }) {
  const store = useJobStore()
  const usual = useJob((s) => {
    const section = findSection(s.document, id)
    return section ? (section.name ?? capital(section.kind.replace('-', ' and '))) : ''
  })
  const [name, setName] = useState(usual)
  const keep = async (): Promise<void> => {
    const { document } = store.getState()
    const section = findSection(document, id)
    if (!section) return
    try {
      await keepSection(name.trim() || usual, toKept(document, section))
      onKept()
      toast(`“${name.trim() || usual}” is kept: it can be added in any job, under “Kept” where sections are added.`)
    } catch (error) {
      refuse(error)
    }
  }
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      <label className="flex items-center gap-2 text-sm">
        Name
        <input
          className="w-48 rounded-sm border border-seam bg-white px-2 py-1"
          value={name}
          maxLength={80}
          dir="auto"
          data-own-undo
          onFocus={(event) => event.target.select()}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className={buttonClass('main')}>
        Keep a copy for every job
      </button>
    </form>
  )
}
