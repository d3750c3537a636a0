'use client'
import { useCallback, useState } from 'react'
import { addressAnswerSchema } from '@/core/replies'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { askJson, getJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useQuery } from '../request/use-query'

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
  const asked = useCallback(() => getJson(`/api/jobs/${job}/address?name=${encodeURIComponent(name)}`, addressAnswerSchema), [job, name])
  const { data: answer, fault: unanswered } = useQuery(asked, { restMs: 150, otherwise: 'The web host could not be asked.' })
  const { busy, fault: refused, setFault: setRefused, handle } = useMutation({ otherwise: 'The address could not be chosen. Try again.' })
  const choose = handle(async () => {
    const chosen = await askJson(`/api/jobs/${job}/address`, { name }, addressAnswerSchema, 'PUT')
    onChosen('label' in chosen ? chosen.label : name)
  })
  const fault = refused ?? unanswered
  const retype = (text: string): void => {
    setName(text)
    setRefused(null)
  }
  const suggestions = answer && 'suggestions' in answer ? answer.suggestions : null
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
        aria-invalid={suggestions !== null || undefined}
        aria-describedby="address-whole address-answer"
        onChange={(event) => retype(event.target.value)}
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
        ) : 'sentence' in answer ? (
          <p className="font-medium text-thread">✕ {answer.sentence}</p>
        ) : answer.state === 'yours' ? (
          <p className="text-done">✓ This is the job’s address.</p>
        ) : (
          <p className="text-done">
            ✓ {isDomain ? 'The site can go back to it.' : 'Free.'}
            {answer.label !== answer.shown && ` Name servers know it as ${answer.label}.`}
            {address && ' Visitors of the old address will be sent on to it.'}
          </p>
        )}
      </div>
      {answer?.state !== 'yours' && (
        <Button type="submit" className="mt-1" disabled={busy || answer?.state !== 'free'}>
          {busy ? 'Setting it…' : address ? 'Move to this address' : 'Use this address'}
        </Button>
      )}
      {suggestions && suggestions.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1.5 text-sm">
          Free:{' '}
          {suggestions.map((s) => (
            <button
              key={s}
              type="button"
              className="rounded-sm border border-seam bg-cloth px-1.5 py-0.5 font-mono text-xs hover:border-ink hover:bg-tape"
              onClick={() => retype(s)}
            >
              {s}
            </button>
          ))}
        </p>
      )}
    </form>
  )
}
