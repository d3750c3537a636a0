'use client'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Role } from '@/core/people'
import type { JobName, PeopleView, PersonLine } from '@/core/replies'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { dayAndTime } from '../parts/words'
import { Fault } from '../parts/fault'
import { InviteForm } from './invite-form'
import { Part } from './part'
import { useMutation } from '../request/use-mutation'
import { ROLE_WORDS } from './role-words'

type Props = { readonly me: string; readonly people: PeopleView; readonly onDone: () => Promise<void> }

/** Everybody who can sign in, what each may do, and who is still to answer. */
export function PeopleList({ me, people, onDone }: Props) {
  const { busy, fault, handle } = useMutation()
  const change = (id: string, body: object, method: 'PUT' | 'DELETE' = 'PUT') =>
    handle(async () => {
      await sendJson(`/api/people/${encodeURIComponent(id)}`, body, method)
      await onDone()
    })
  const takeBack = (id: string) =>
    handle(async () => {
      await sendJson('/api/people/invitations', { id }, 'DELETE')
      await onDone()
      toast('The invitation is cancelled. Its link no longer works.')
    })
  const nameOf = (job: string): string => people.jobs.find(({ id }) => id === job)?.name ?? 'a job in the bin'
  return (
    <Part title="People">
      <ul className="mb-4">
        {people.all.map((person) => (
          <PersonRow key={person.id} person={person} isMe={person.id === me} jobs={people.jobs} busy={busy} change={change} />
        ))}
        {people.invitations.map(({ id, email, role, job, may, until }) => (
          <li key={id} className="stitch-start flex items-center justify-between gap-3 border-b border-seam py-2 ps-3">
            <span className="min-w-0">
              <span className="block truncate font-mono text-sm">{email}</span>
              <span className="block text-sm text-soft" suppressHydrationWarning>
                invited as {job === null ? ROLE_WORDS[role] : `${may === 'edit' ? 'editor' : 'reader'} of ${nameOf(job)}`}, until{' '}
                {dayAndTime(until)}
              </span>
            </span>
            <Button disabled={busy} onClick={() => void takeBack(id)()} aria-label={`Cancel the invitation of ${email}`}>
              Cancel
            </Button>
          </li>
        ))}
      </ul>
      {people.all.length === 1 && people.invitations.length === 0 && (
        <p className="mb-4 text-soft">Only you have access. Invite a colleague as editor, or a client as reader.</p>
      )}
      <Fault words={fault} />
      <InviteForm jobs={people.jobs} onDone={onDone} />
    </Part>
  )
}

type RowProps = {
  readonly person: PersonLine
  readonly isMe: boolean
  readonly jobs: readonly JobName[]
  readonly busy: boolean
  readonly change: (id: string, body: object, method?: 'PUT' | 'DELETE') => () => Promise<void>
}

function PersonRow({ person: { id, name, email, role, grants }, isMe, jobs, busy, change }: RowProps) {
  const [sure, setSure] = useState(false)
  return (
    <li className="border-b border-seam py-2">
      <div className="flex items-center gap-3">
        <span className="min-w-0 flex-1">
          <span className="block truncate font-semibold" dir="auto">
            {name}
            {isMe && <span className="font-normal text-soft"> (you)</span>}
          </span>
          <span className="block truncate font-mono text-xs text-soft">{email}</span>
        </span>
        <label>
          <span className="sr-only">What {name} may do</span>
          <select
            value={role}
            disabled={busy}
            onChange={(event) => void change(id, { role: event.target.value })()}
            className="rounded-sm border border-seam bg-white px-2 py-1 text-sm"
          >
            {(Object.keys(ROLE_WORDS) as Role[]).map((one) => (
              <option key={one} value={one}>
                {ROLE_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
        {!isMe && !sure && (
          <Button disabled={busy} onClick={() => setSure(true)} aria-label={`Remove ${name}`}>
            Remove…
          </Button>
        )}
        {sure && (
          <>
            <Button look="main" autoFocus disabled={busy} onClick={() => void change(id, {}, 'DELETE')()}>
              Sign out and remove
            </Button>
            <Button onClick={() => setSure(false)}>Cancel</Button>
          </>
        )}
      </div>
      {grants.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-2 text-sm">
          {grants.map(({ job, may }) => (
            <li key={job} className="flex items-center gap-1 border border-seam bg-cloth px-2">
              <span dir="auto">{jobs.find((one) => one.id === job)?.name ?? 'a job in the bin'}</span>
              <span className="text-soft">{may === 'edit' ? 'edits' : 'looks'}</span>
              <button
                type="button"
                disabled={busy}
                onClick={() => void change(id, { job, may: null })()}
                aria-label={`Remove access to ${jobs.find((one) => one.id === job)?.name ?? 'this job'} for ${name}`}
                className="px-1 hover:bg-tape"
              >
                ✕
              </button>
            </li>
          ))}
        </ul>
      )}
    </li>
  )
}
