'use client'
import { Popover } from 'radix-ui'
import { useRouter } from 'next/navigation'
import { useId, useState, type FormEvent } from 'react'
import { ApiError, callWithProgress, postJson } from '../job/api'
import { Button, buttonClass } from '../parts/button'
import { inputClass } from '../parts/field'
import { refusal } from '../parts/notice'
import { Panel } from '../parts/panel'
import { atIn } from '../parts/words'
import { useAloneWords } from './use-alone-words'

export type PlannedLine = {
  readonly id: string
  readonly at: string
  readonly zone: string
  readonly note: string
  /** The page that goes live alone, by its id. */
  readonly alone: string | null
  readonly fault: string | null
}

type Props = {
  readonly job: string
  readonly destination: string
  /** The revision that is planned; null while no plan is made of it. */
  readonly revision: number | null
  /** A page that goes live alone. */
  readonly page: string | null
  readonly note: string
  readonly onPlanned: () => void
}

/** The time zone of whoever sits here, as IANA calls it. */
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone

/** Has the site as it is now go live at a time; which zone that is said in stands beside it. */
export function PlanLater({ job, destination, revision, page, note, onPlanned }: Props) {
  const router = useRouter()
  const id = useId()
  const [isOpen, setOpen] = useState(false)
  const [at, setAt] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const plan = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    const time = new Date(at)
    if (Number.isNaN(time.getTime())) return setFault('Choose a day and a time.')
    setBusy(true)
    setFault(null)
    try {
      const body = { revision, ...(page !== null && { page }), destination, note, at: time.toISOString(), zone: HERE }
      await callWithProgress(`/api/jobs/${job}/publish/planned`, body, () => undefined)
      setOpen(false)
      onPlanned()
      router.refresh()
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'It could not be planned. Try again.')
    } finally {
      setBusy(false)
    }
  }
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass('plain')} disabled={revision === null}>
        Later…
      </Popover.Trigger>
      <Panel side="top" align="start" sideOffset={6} aria-label="Publish at a time" className="w-80 p-4 text-sm">
        <form onSubmit={plan} noValidate>
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
          {fault && (
            <p role="alert" className="mt-2 font-medium text-thread">
              ✕ {fault}
            </p>
          )}
          <Button type="submit" look="main" className="mt-3" disabled={busy}>
            {busy ? 'Planning it…' : 'Plan it'}
          </Button>
        </form>
      </Panel>
    </Popover.Root>
  )
}

/** What goes live later, each with when, in the zone that it was said in. */
export function PlannedList({ job, planned }: { readonly job: string; readonly planned: readonly PlannedLine[] }) {
  const router = useRouter()
  const aloneWords = useAloneWords()
  if (planned.length === 0) return null
  const take = async (id: string): Promise<void> => {
    try {
      await postJson(`/api/jobs/${job}/publish/planned`, { planned: id }, 'DELETE')
      router.refresh()
    } catch (error) {
      refusal(error instanceof ApiError ? error.message : 'It could not be taken off the plan. Try again.')
    }
  }
  return (
    <ul aria-label="Planned" className="mt-4 border border-seam bg-cloth text-sm">
      {planned.map(({ id, at, zone, note, alone, fault }) => (
        <li key={id} className="flex items-center gap-3 border-b border-seam px-3 py-2 last:border-b-0">
          <span className="min-w-0 flex-1">
            Goes live on <span className="font-semibold">{atIn(at, zone)}</span> <span className="text-soft">({zone})</span>
            {alone !== null && <span className="block">{aloneWords(alone)}</span>}
            {note && (
              <span className="block truncate text-soft" dir="auto">
                {note}
              </span>
            )}
            {fault && <span className="block font-medium text-thread">✕ {fault} It is tried again.</span>}
          </span>
          <Button aria-label={`Take what goes live on ${atIn(at, zone)} off the plan`} onClick={() => void take(id)}>
            Take it off the plan
          </Button>
        </li>
      ))}
    </ul>
  )
}
