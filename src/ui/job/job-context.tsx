'use client'
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react'
import { toast } from 'sonner'
import { useStore } from 'zustand'
import type { Pack } from '@/core/pack'
import { followHolds } from './follow-holds'
import { followLanguage } from './follow-language'
import { followMenu } from './follow-menu'
import type { JobState, OpenJob } from './job-state'
import { createJobStore, type JobStore } from './job-store'
import { browserOutbox } from './outbox'
import { HereProvider, type Here } from './person'
import { screenOf, type Screen } from './screen'
import { httpTransport } from './transport'

type Open = { readonly store: JobStore; readonly screen: Screen }

const JobContext = createContext<Open | null>(null)

/** One store for a job, shared by all its stages. */
export function JobProvider({ job, pack, here, children }: { job: OpenJob; pack: Pack; here: Here; children: ReactNode }) {
  const [open, setOpen] = useState<Open | null>(null)
  useEffect(() => {
    const who = here.person.id
    const hands = { transport: httpTransport(job.id), outbox: browserOutbox(job.id, who), who, mayEdit: here.may === 'edit' }
    const made = createJobStore(job, pack, hands)
    setOpen({ store: made, screen: screenOf(made) })
    const stops = [tellNotices(made), followPage(made), followMenu(made), followHolds(made), followLanguage(made)]
    return () => {
      stops.forEach((stop) => stop())
      made.close()
    }
    // The job and pack given first are what the store begins with; later it follows the database by itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [job.id])
  return open ? (
    <HereProvider value={here}>
      <JobContext value={open}>{children}</JobContext>
    </HereProvider>
  ) : (
    <p className="p-10 text-soft" role="status">
      Opening the job…
    </p>
  )
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
