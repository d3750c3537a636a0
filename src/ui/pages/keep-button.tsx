'use client'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { toast } from 'sonner'
import { toKept } from '@/core/plan'
import { findSection, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { buttonClass } from '../parts/button'
import { capital } from '../parts/words'
import { keepSection, say } from './use-kept'
import { Panel } from '../parts/panel'

/** Keeps a section for every job, under a name. */
export function KeepButton({ section: id }: { section: SectionId | null }) {
  const store = useJobStore()
  const [isOpen, setOpen] = useState(false)
  const usual = useJob((s) => {
    const section = id && findSection(s.document, id)
    return section ? (section.name ?? capital(section.kind.replace('-', ' and '))) : ''
  })
  const [name, setName] = useState('')
  const keep = async (): Promise<void> => {
    const { document } = store.getState()
    const section = id && findSection(document, id)
    if (!section) return
    try {
      await keepSection(name.trim() || usual, toKept(document, section))
      setOpen(false)
      toast(`“${name.trim() || usual}” is kept: it can be taken into any job, under “Kept” where sections are added.`)
    } catch (error) {
      say(error)
    }
  }
  return (
    <Popover.Root
      open={isOpen}
      onOpenChange={(open) => {
        setName(usual)
        setOpen(open)
      }}
    >
      <Popover.Trigger className={buttonClass('quiet')} disabled={id === null}>
        Keep a copy…
      </Popover.Trigger>
      <Panel align="start" sideOffset={2} className="p-2" aria-label="Keep this section">
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
      </Panel>
    </Popover.Root>
  )
}
