'use client'
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react'
import { toast } from 'sonner'
import { useStore } from 'zustand'
import type { Pack } from '@/core/pack'
import type { JobState, OpenJob } from './job-state'
import { createJobStore, type JobStore } from './job-store'

const JobContext = createContext<JobStore | null>(null)

/** One store for a job, shared by all its stages. */
export function JobProvider({ job, pack, children }: { job: OpenJob; pack: Pack; children: ReactNode }) {
  const [store, setStore] = useState<JobStore | null>(null)
  useEffect(() => {
    const made = createJobStore(job, pack)
    setStore(made)
    const stop = made.subscribe((state) => {
      if (!state.trouble) return
      toast.error(state.trouble, { id: state.trouble })
      made.setTrouble(null)
    })
    return () => {
      stop()
      made.close()
    }
    // The job and pack given first are what the store begins with; later it follows the database by itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [job.id])
  return store ? <JobContext value={store}>{children}</JobContext> : <p className="p-10 text-soft" role="status">Opening the job…</p>
}

export function useJobStore(): JobStore {
  const store = useContext(JobContext)
  if (!store) throw new Error('No job is open here')
  return store
}

export function useJob<T>(select: (state: JobState) => T): T {
  return useStore(useJobStore(), select)
}
