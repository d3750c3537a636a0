'use client'
import { Popover } from 'radix-ui'
import { useRouter } from 'next/navigation'
import { useId, useState, type FormEvent } from 'react'
import * as v from 'valibot'
import { publishProgressSchema } from '@/core/replies'
import { Button, buttonClass } from '../parts/button'
import { inputClass } from '../parts/field'
import { Fault } from '../parts/fault'
import { refusal } from '../parts/notice'
import { Panel } from '../parts/panel'
import { atIn, count } from '../parts/words'
import { callWithProgress, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useAloneWords } from './use-alone-words'

export type ScheduledLine = {
  readonly id: string
  readonly at: string
  readonly zone: string
  readonly note: string
  /** The page that goes live alone, by its id. */
  readonly alone: string | null
  /** Why it failed when it was tried last, how often that was, and when it is tried again. */
  readonly fault: string | null
  readonly tries: number
  readonly nextAt: string | null
  /** Why it will not happen any more. */
  readonly void: 'overtaken' | 'binned' | 'failed' | null
}

/** What is said of one that will not happen, and what to do. */
const VOID = {
  overtaken: 'Not published: something newer was published here meanwhile. Schedule it again if it is still wanted.',
  binned: 'Not published: the job was moved to the bin. Schedule it again if it is still wanted.',
  failed: 'Not published: it failed too often and is not tried again. Publish it by hand, or schedule it again.',
} as const

type Props = {
  readonly job: string
  readonly destination: string
  /** The revision that is scheduled; null while it is not known what would change. */
  readonly revision: number | null
  /** A page that goes live alone. */
  readonly page: string | null
  readonly note: string
  readonly onScheduled: () => void
}

const SCHEDULED = { progress: publishProgressSchema, result: v.unknown() }

/** The time zone of whoever sits here, as IANA calls it. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone

/** Has the site as it is now go live at a time; which zone that is said in stands beside it. */
export function Schedule({ job, destination, revision, page, note, onScheduled }: Props) {
  const router = useRouter()
  const id = useId()
  const [isOpen, setOpen] = useState(false)
  const [at, setAt] = useState('')
  const { busy, fault, setFault, run } = useMutation({ otherwise: 'It could not be scheduled. Try again.' })
  const schedule = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    const time = new Date(at)
    if (Number.isNaN(time.getTime())) return setFault('Choose a day and a time.')
    const body = { revision, ...(page !== null && { page }), destination, note, at: time.toISOString(), zone: HERE }
    const isDone = await run(() => callWithProgress(`/api/jobs/${job}/publish/scheduled`, body, SCHEDULED, () => undefined))
    if (!isDone) return
    setOpen(false)
    onScheduled()
    router.refresh()
  }
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass('plain')} disabled={revision === null}>
        Schedule…
      </Popover.Trigger>
      <Panel side="top" align="start" sideOffset={6} aria-label="Publish at a time" className="w-80 p-4 text-sm">
        <form onSubmit={schedule} noValidate>
          <label htmlFor={id} className="mb-1 block font-semibold">
            Goes live at
          </label>
          <input
            id={id}
            type="datetime-local"
            data-own-undo
            className={inputClass}
            value={at}
            aria-describedby={`${id}-zone`}
            onChange={(event) => setAt(event.target.value)}
          />
          <p id={`${id}-zone`} className="mt-1 text-soft">
            Time of {HERE}. It is the site as it is now: what you do until then waits for the next time.
          </p>
          <Fault words={fault} />
          <Button type="submit" look="main" className="mt-3" disabled={busy}>
            {busy ? 'Scheduling…' : 'Schedule'}
          </Button>
        </form>
      </Panel>
    </Popover.Root>
  )
}

/** What goes live later, each with when, in the zone that it was said in. */
export function ScheduledList({ job, scheduled }: { readonly job: string; readonly scheduled: readonly ScheduledLine[] }) {
  const router = useRouter()
  const aloneWords = useAloneWords()
  const { handle } = useMutation({ otherwise: 'It could not be cancelled. Try again.', onFault: refusal })
  if (scheduled.length === 0) return null
  const take = (id: string) =>
    handle(async () => {
      await sendJson(`/api/jobs/${job}/publish/scheduled`, { scheduled: id }, 'DELETE')
      router.refresh()
    })
  return (
    <ul aria-label="Scheduled" className="mt-4 border border-seam bg-cloth text-sm">
      {scheduled.map(({ id, at, zone, note, alone, fault, tries, nextAt, void: why }) => (
        <li key={id} className="flex items-center gap-3 border-b border-seam px-3 py-2 last:border-b-0">
          <span className="min-w-0 flex-1">
            {why === null ? 'Goes live on' : 'Was to go live on'} <span className="font-semibold">{atIn(at, zone)}</span>{' '}
            <span className="text-soft">({zone})</span>
            {alone !== null && <span className="block">{aloneWords(alone)}</span>}
            {note && (
              <span className="block truncate text-soft" dir="auto">
                {note}
              </span>
            )}
            {why !== null && <span className="block font-medium text-thread">✕ {VOID[why]}</span>}
            {fault && (
              <span className="block text-thread">
                {why === null && '✕ '}
                {fault} {why === null && nextAt !== null && `Tried ${count(tries, 'time')}, again on ${atIn(nextAt, zone)}.`}
              </span>
            )}
          </span>
          <Button
            aria-label={why === null ? `Cancel what goes live on ${atIn(at, zone)}` : `Dismiss what was to go live on ${atIn(at, zone)}`}
            onClick={() => void take(id)()}
          >
            {why === null ? 'Cancel' : 'Dismiss'}
          </Button>
        </li>
      ))}
    </ul>
  )
}
