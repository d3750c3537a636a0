'use client'
import { Check, CloudOff, LoaderCircle } from 'lucide-react'
import { useJob } from '../job/job-context'
import type { SaveState } from '../job/job-state'

const WORDS: Record<SaveState, string> = { saved: 'Saved', saving: 'Saving…', waiting: 'Not saved yet; trying again' }

/** Says “Saved” only when every change is in the database. */
export function SavedMark() {
  const state = useJob((s) => s.saveState)
  const Icon = state === 'saved' ? Check : state === 'saving' ? LoaderCircle : CloudOff
  return (
    <p
      role="status"
      className={`flex min-w-24 items-center gap-1.5 px-2 text-sm ${state === 'waiting' ? 'bg-tape font-semibold' : 'text-soft'}`}
    >
      <Icon size={14} aria-hidden className={state === 'saving' ? 'motion-safe:animate-spin' : ''} />
      {WORDS[state]}
    </p>
  )
}
