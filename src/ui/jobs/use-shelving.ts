'use client'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { toast } from 'sonner'
import { shelvedSchema, type JobLine, type Shelf, type Shelved } from '@/core/replies'
import { notice, refusal } from '../parts/notice'
import { askJson } from '../request/api'
import { useMutation } from '../request/use-mutation'

export type Shelving = {
  /** The job that something is being done with. */
  readonly busy: string | null
  readonly heading: RefObject<HTMLHeadingElement | null>
  readonly shelve: (job: JobLine, shelf: Shelf) => void
  readonly copy: (job: JobLine) => void
  readonly deleteForGood: (job: JobLine) => void
}

const LAID: Readonly<Record<Shelf, string>> = { work: 'is at work again.', archive: 'is in the archive.', bin: 'is in the bin.' }

/**
 * Laying jobs by, copying and deleting them; each reply brings the list as it is then. The focus goes to the neighbour of a row that
 * leaves, and to a copy that comes.
 */
export function useShelving(rows: readonly JobLine[], onJobs: (jobs: readonly JobLine[]) => void): Shelving {
  const heading = useRef<HTMLHeadingElement>(null)
  const mutation = useMutation({ onFault: refusal })
  const [inHand, setJob] = useState<string | null>(null)
  const busy = mutation.busy ? inHand : null
  const [focus, setFocus] = useState<string | null>(null)
  useEffect(() => {
    if (focus === null || busy !== null) return
    const goal = document.getElementById(`job-${focus}`)?.querySelector<HTMLElement>('th a, th button') ?? heading.current
    goal?.focus()
    // A toast whose button was pressed gives the focus back to where it was when it loses it.
    if (document.activeElement !== goal) goal?.focus()
    setFocus(null)
  }, [focus, busy, rows])

  const neighbour = (job: JobLine): string => {
    const at = rows.findIndex(({ id }) => id === job.id)
    return (rows[at + 1] ?? rows[at - 1])?.id ?? 'none'
  }
  const run = (job: JobLine, call: () => Promise<Shelved>, next: string | null, words: () => void): Promise<boolean> =>
    mutation.run(async () => {
      setJob(job.id)
      const reply = await call()
      onJobs(reply.jobs)
      setFocus(next ?? reply.job ?? job.id)
      words()
    })
  const shelve = (job: JobLine, shelf: Shelf, isUndo = false): void => {
    const next = isUndo ? job.id : neighbour(job)
    const live = shelf === 'bin' && job.liveUrl ? ` Its site stays live at ${job.liveUrl.replace('http://', '')}.` : ''
    const done = `${job.name} ${LAID[shelf]}${live}`
    const words = (): void => (isUndo ? void toast(done) : notice(done, 'Undo', () => shelve({ ...job, shelf }, job.shelf, true)))
    void run(job, () => askJson(`/api/jobs/${job.id}/status`, { shelf }, shelvedSchema, 'PUT'), next, words)
  }
  const copy = (job: JobLine): void => {
    const words = (): void => void toast(`${job.name} was copied: words, pictures and brand. The copy has no address yet.`)
    void run(job, () => askJson(`/api/jobs/${job.id}/copy`, {}, shelvedSchema), null, words)
  }
  const deleteForGood = (job: JobLine): void => {
    const words = (): void => void toast(`${job.name} was deleted for good.`)
    void run(job, () => askJson(`/api/jobs/${job.id}`, {}, shelvedSchema, 'DELETE'), neighbour(job), words)
  }
  return { busy, heading, shelve, copy, deleteForGood }
}
