'use client'
import { useEffect, useState, type FormEvent } from 'react'
import { ApiError, callApi, postJson } from '../job/api'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'

type Answer = {
  readonly state: 'free' | 'yours' | 'taken' | 'refused'
  readonly label?: string
  readonly shown?: string
  readonly sentence?: string
  readonly suggestions?: readonly string[]
}
type Props = {
  readonly job: string
  readonly address: string | null
  /** The address is a domain of the client's own: one on the web host is what it was before, or can be again. */
  readonly isDomain: boolean
  readonly proposal: string
  readonly hostSuffix: string
  readonly onChosen: (label: string) => void
}

/** Chooses the address on the web host: says while typing whether a name is free, and which others are. */
export function AddressChooser({ job, address, isDomain, proposal, hostSuffix, onChosen }: Props) {
  const [name, setName] = useState(isDomain || address === null ? proposal : address)
  const [answer, setAnswer] = useState<Answer | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  useEffect(() => {
    let stale = false
    setAnswer(null)
    const timer = setTimeout(() => {
      callApi<Answer>(`/api/jobs/${job}/address?name=${encodeURIComponent(name)}`).then(
        (found) => {
          if (!stale) {
            setAnswer(found)
            setFault(null)
          }
        },
        (error: unknown) => {
          if (!stale) setFault(error instanceof ApiError ? error.message : 'The web host could not be asked.')
        },
      )
    }, 150)
    return () => {
      stale = true
      clearTimeout(timer)
    }
  }, [job, name, address])
  const choose = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    setBusy(true)
    try {
      const chosen = await postJson<Answer>(`/api/jobs/${job}/address`, { name }, 'PUT')
      onChosen(chosen.label ?? name)
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'The address could not be chosen. Try again.')
    } finally {
      setBusy(false)
    }
  }
  const bad = answer?.state === 'taken' || answer?.state === 'refused'
  return (
    <form onSubmit={choose} aria-label="Address" noValidate>
      <label htmlFor="address" className="mb-1 block text-sm font-semibold">
        Address on the web host
      </label>
      <input
        id="address"
        data-own-undo
        className={`${inputClass} font-mono`}
        maxLength={300}
        autoComplete="off"
        spellCheck={false}
        value={name}
        aria-invalid={bad || undefined}
        aria-describedby="address-whole address-answer"
        onChange={(event) => setName(event.target.value)}
      />
      <p id="address-whole" className="mt-1 truncate font-mono text-xs text-soft">
        http://{name.trim() || '…'}
        {hostSuffix}
      </p>
      <div id="address-answer" className="mt-1 min-h-6 text-sm" role="status">
        {fault ? (
          <p className="font-medium text-thread">✕ {fault}</p>
        ) : answer === null ? (
          <p className="text-soft">Asking the web host…</p>
        ) : answer.state === 'yours' ? (
          <p className="text-done">✓ This is the job’s address.</p>
        ) : answer.state === 'free' ? (
          <p className="text-done">
            ✓ {isDomain ? 'The site can go back to it.' : 'Free.'}
            {answer.label !== answer.shown && ` Name servers know it as ${answer.label}.`}
            {address && ' Visitors of the old address will be sent on to it.'}
          </p>
        ) : (
          <p className="font-medium text-thread">✕ {answer.sentence}</p>
        )}
      </div>
      {answer?.state !== 'yours' && (
        <Button type="submit" className="mt-1" disabled={busy || answer?.state !== 'free'}>
          {busy ? 'Setting it…' : address ? 'Move to this address' : 'Use this address'}
        </Button>
      )}
      {bad && (answer?.suggestions?.length ?? 0) > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1.5 text-sm">
          Free:{' '}
          {answer?.suggestions?.map((s) => (
            <button
              key={s}
              type="button"
              className="rounded-sm border border-seam bg-cloth px-1.5 py-0.5 font-mono text-xs hover:border-ink hover:bg-tape"
              onClick={() => setName(s)}
            >
              {s}
            </button>
          ))}
        </p>
      )}
    </form>
  )
}
