'use client'
import { useEffect, useState, type FormEvent } from 'react'
import { ApiError, callApi, postJson } from '../../job/api'
import { Button } from '../../parts/button'
import { inputClass } from '../../parts/field'

type Answer =
  | { readonly ok: true; readonly name: string; readonly shown: string; readonly other: string | null; readonly stand: string }
  | { readonly ok: false; readonly sentence: string }

type Props = {
  readonly job: string
  /** It is what the hand was on. */
  readonly isInHand: boolean
  readonly onAdded: () => void
}

/** Takes a client's domain: says while it is typed how it is read, and what leads there beside it. */
export function DomainForm({ job, isInHand, onAdded }: Props) {
  const [typed, setTyped] = useState('')
  const [answer, setAnswer] = useState<Answer | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  useEffect(() => {
    let stale = false
    setAnswer(null)
    if (typed.trim() === '') return
    const timer = setTimeout(() => {
      callApi<Answer>(`/api/jobs/${job}/domain?name=${encodeURIComponent(typed)}`).then(
        (found) => !stale && setAnswer(found),
        (error: unknown) => !stale && setFault(error instanceof ApiError ? error.message : 'The domain could not be read. Try again.'),
      )
    }, 200)
    return () => {
      stale = true
      clearTimeout(timer)
    }
  }, [job, typed])
  const add = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    setBusy(true)
    setFault(null)
    try {
      await postJson(`/api/jobs/${job}/domain`, { name: typed }, 'PUT')
      onAdded()
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'The domain could not be added. Try again.')
      setBusy(false)
    }
  }
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
          onChange={(event) => setTyped(event.target.value)}
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
            {typed.trim() === '' ? 'As visitors are to see it, with www or without. The other of the two leads there.' : 'Reading it…'}
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
