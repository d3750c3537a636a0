'use client'
import { Eye, EyeOff } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { Judged } from '@/core/password'
import { Field, inputClass } from '../parts/field'

type Props = {
  readonly label: string
  readonly value: string
  readonly onValue: (value: string) => void
  /** What a password store of the browser is to do with it (HTML, “autofill”). */
  readonly autoComplete: 'current-password' | 'new-password'
  /** For a new one: what everybody knows of its person. */
  readonly mine?: readonly string[]
}

/** A password: it can be shown, pasted and kept by the browser; a new one is judged while it is typed. */
export function PasswordInput({ label, value, onValue, autoComplete, mine }: Props) {
  const [shown, setShown] = useState(false)
  const judged = useJudged(mine === undefined ? '' : value, mine ?? [])
  const hint = mine === undefined ? undefined : <Strength judged={judged} />
  return (
    <Field label={label} hint={hint}>
      {(control) => (
        <div className="relative">
          <input
            {...control}
            type={shown ? 'text' : 'password'}
            value={value}
            onChange={(event) => onValue(event.target.value)}
            autoComplete={autoComplete}
            autoCapitalize="none"
            spellCheck={false}
            required
            className={`${inputClass} pe-10`}
            data-own-undo
          />
          <button
            type="button"
            onClick={() => setShown(!shown)}
            aria-pressed={shown}
            aria-label={`Show what is typed as ${label.toLowerCase()}`}
            title="Show what is typed"
            className="absolute inset-y-0 end-0 px-2.5 text-soft hover:text-ink"
          >
            {shown ? <EyeOff size={16} aria-hidden /> : <Eye size={16} aria-hidden />}
          </button>
        </div>
      )}
    </Field>
  )
}

/** The judge comes with its lists of common words, which are large; it is fetched when there is something to judge. */
function useJudged(password: string, mine: readonly string[]): Judged | null {
  const [judged, setJudged] = useState<Judged | null>(null)
  const known = mine.join('\n')
  useEffect(() => {
    let over = false
    if (password === '') setJudged(null)
    else
      void import('@/core/password').then(({ judgePassword }) => {
        if (!over) setJudged(judgePassword(password, known.split('\n')))
      })
    return () => {
      over = true
    }
  }, [password, known])
  return judged
}

const WORDS = ['Guessed at once', 'Guessed in minutes', 'Guessed in days', 'Hard to guess', 'Very hard to guess']
const STEPS = WORDS.length

/** How long a password is on the tape of those who guess, and what would make it longer. */
function Strength({ judged }: { judged: Judged | null }) {
  const length = judged === null ? 0 : judged.score + 1
  return (
    <span className="block" aria-live="polite">
      <span className="mb-1.5 mt-1.5 block h-2.5 border border-seam bg-white" aria-hidden>
        <span className="tape-ticks block h-full transition-[width]" style={{ width: `${(length / STEPS) * 100}%` }} />
      </span>
      {judged === null
        ? 'At least 12 characters. Three or four words that have nothing to do with each other are easy to keep.'
        : `${judged.fault === null ? '✓' : '✕'} ${WORDS[judged.score] ?? ''}. ${judged.fault ?? ''}`}
    </span>
  )
}
