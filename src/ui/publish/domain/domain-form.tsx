'use client'
import { useCallback, useState } from 'react'
import { domainAnswerSchema } from '@/core/replies'
import { Button } from '../../parts/button'
import { inputClass } from '../../parts/field'
import { getJson, sendJson } from '../../request/api'
import { useMutation } from '../../request/use-mutation'
import { useQuery } from '../../request/use-query'

type Props = {
  readonly job: string
  /** It is what the hand was on. */
  readonly isInHand: boolean
  readonly onAdded: () => void
}

/** Takes a client's domain: says while it is typed how it is read, and what leads there beside it. */
export function DomainForm({ job, isInHand, onAdded }: Props) {
  const [typed, setTyped] = useState('')
  const isEmpty = typed.trim() === ''
  const asked = useCallback(() => getJson(`/api/jobs/${job}/domain?name=${encodeURIComponent(typed)}`, domainAnswerSchema), [job, typed])
  const { data: answer, fault: unread } = useQuery(isEmpty ? null : asked, {
    restMs: 200,
    otherwise: 'The domain could not be read. Try again.',
  })
  const { busy, fault: refused, setFault: setRefused, handle } = useMutation({ otherwise: 'The domain could not be added. Try again.' })
  const add = handle(async () => {
    await sendJson(`/api/jobs/${job}/domain`, { name: typed }, 'PUT')
    onAdded()
  })
  const fault = refused ?? unread
  return (
    <form onSubmit={add} noValidate aria-label="Domain">
      <label htmlFor="domain" className="mb-1 block text-sm font-semibold">
        Domain of the client’s own
      </label>
      <div className="grid justify-items-start gap-2">
        <input
          id="domain"
          autoFocus={isInHand}
          data-own-undo
          className={`${inputClass} font-mono`}
          maxLength={300}
          autoComplete="off"
          spellCheck={false}
          placeholder="www.example.com"
          value={typed}
          aria-invalid={answer?.ok === false || undefined}
          aria-describedby="domain-answer"
          onChange={(event) => {
            setTyped(event.target.value)
            setRefused(null)
          }}
        />
        <Button type="submit" disabled={busy || !answer?.ok}>
          {busy ? 'Adding it…' : 'Add domain'}
        </Button>
      </div>
      <div id="domain-answer" className="mt-1.5 min-h-6 text-sm" role="status">
        {fault ? (
          <p className="font-medium text-thread">✕ {fault}</p>
        ) : answer === null ? (
          <p className="text-soft">
            {isEmpty ? 'As visitors are to see it, with www or without. The other of the two leads there.' : 'Reading it…'}
          </p>
        ) : answer.ok ? (
          <p className="text-done">
            ✓ Visitors see <span className="font-mono">{answer.shown}</span>
            {answer.shown !== answer.name && (
              <>
                , which name servers know as <span className="font-mono">{answer.name}</span>
              </>
            )}
            {answer.other && (
              <>
                ; <span className="font-mono">{answer.other}</span> leads there
              </>
            )}
            .
          </p>
        ) : (
          <p className="font-medium text-thread">✕ {answer.sentence}</p>
        )}
      </div>
    </form>
  )
}
