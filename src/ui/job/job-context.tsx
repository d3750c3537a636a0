'use client'
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react'
import { preload } from 'react-dom'
import { toast } from 'sonner'
import { useStore } from 'zustand'
import type { TemplateLibrary } from '@/core/pack'
import type { OpenJob } from '@/core/replies'
import { Button } from '../parts/button'
import { ApiError, sentenceOf } from '../request/api'
import { followHolds } from './follow-holds'
import { followLanguage } from './follow-language'
import { followMenu } from './follow-menu'
import type { JobState } from './job-state'
import { createJobStore, type JobStore } from './job-store'
import { fetchLibrary, libraryUrl } from './library'
import { browserOutbox } from './outbox'
import { HereProvider, type Here } from './person'
import { screenOf, type Screen } from './screen'
import { httpTransport } from './transport'

type Open = { readonly store: JobStore; readonly screen: Screen }

const JobContext = createContext<Open | null>(null)

/** One store for a job, shared by all its stages. */
export function JobProvider({ job, here, children }: { job: OpenJob; here: Here; children: ReactNode }) {
  const [open, setOpen] = useState<Open | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [tries, setTries] = useState(0)
  // Asked for while the rest of the page is still on its way.
  preload(libraryUrl(job.library), { as: 'fetch', crossOrigin: 'anonymous' })
  useEffect(() => {
    let close: (() => void) | null = null
    let isOver = false
    const begin = async (): Promise<void> => {
      const { fresh, library } = await withLibrary(job)
      if (isOver) return
      const who = here.person.id
      const hands = { transport: httpTransport(job.id), outbox: browserOutbox(job.id, who), who, mayEdit: here.may === 'edit' }
      const made = createJobStore(fresh, library, hands)
      setOpen({ store: made, screen: screenOf(made) })
      const stops = [tellNotices(made), followPage(made), followMenu(made), followHolds(made), followLanguage(made)]
      close = () => {
        stops.forEach((stop) => stop())
        made.close()
      }
    }
    setFault(null)
    begin().catch((error: unknown) => setFault(sentenceOf(error, String(error))))
    return () => {
      isOver = true
      close?.()
      // What was said of this job, and could be undone in it, is not said in another.
      toast.dismiss()
    }
    // The job given first is what the store begins with; later it follows the database by itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [job.id, tries])
  if (open)
    return (
      <HereProvider value={here}>
        <JobContext value={open}>{children}</JobContext>
      </HereProvider>
    )
  return fault === null ? (
    <p className="p-10 text-soft" role="status">
      Opening the job…
    </p>
  ) : (
    <div className="flex max-w-xl flex-col items-start gap-3 p-10" role="alert">
      <p>This job could not be opened: {fault}</p>
      <Button look="main" onClick={() => setTries(tries + 1)}>
        Try again
      </Button>
    </div>
  )
}

/** The job with what it wears. A page that was kept for long may ask for templates as they are no more: then the job is asked for anew. */
async function withLibrary(job: OpenJob): Promise<{ readonly fresh: OpenJob; readonly library: TemplateLibrary }> {
  try {
    return { fresh: job, library: await fetchLibrary(job.library) }
  } catch (error) {
    if (!(error instanceof ApiError) || error.code !== 'libraryGone') throw error
    const fresh = await httpTransport(job.id).open()
    return { fresh, library: await fetchLibrary(fresh.library) }
  }
}

function tellNotices(store: JobStore): () => void {
  return store.subscribe(({ notice }) => {
    if (notice === null) return
    toast.error(notice, { id: notice })
    store.setNotice(null)
  })
}

/** A page that goes away hands over what it still has; one that comes back from where the browser kept it looks what is new. */
function followPage(store: JobStore): () => void {
  const leave = (): void => store.leave()
  const back = (event: PageTransitionEvent): void => void (event.persisted && store.back())
  window.addEventListener('pagehide', leave)
  window.addEventListener('pageshow', back)
  return () => {
    window.removeEventListener('pagehide', leave)
    window.removeEventListener('pageshow', back)
  }
}

function useOpen(): Open {
  const open = useContext(JobContext)
  if (!open) throw new Error('No job is open here')
  return open
}

export function useJobStore(): JobStore {
  return useOpen().store
}

export function useScreen(): Screen {
  return useOpen().screen
}

export function useJob<T>(select: (state: JobState) => T): T {
  return useStore(useScreen(), select)
}
