'use client'
import { invitedSchema, type JobName } from '@/core/replies'
import { useState } from 'react'
import { toast } from 'sonner'
import { askJson } from '../request/api'
import { Button } from '../parts/button'
import { CopyButton } from '../parts/copy-button'
import { Field } from '../parts/field'
import { Fault } from '../parts/fault'
import { TextInput } from './text-input'
import { useMutation } from '../request/use-mutation'

const selectClass = 'w-full rounded-sm border border-seam bg-white px-2 py-1.5 text-base'

/** Invites somebody, to everything or to one job, by a link that is told once. */
export function InviteForm({ jobs, onDone }: { jobs: readonly JobName[]; onDone: () => Promise<void> }) {
  const [email, setEmail] = useState('')
  const [to, setTo] = useState('')
  const [as, setAs] = useState<'editor' | 'reader' | 'owner'>('editor')
  const [link, setLink] = useState<string | null>(null)
  const { busy, fault, handle } = useMutation()
  const invite = handle(async () => {
    const body = to === '' ? { email, role: as } : { email, job: to, may: as === 'reader' ? 'read' : 'edit' }
    const { token } = await askJson('/api/people', body, invitedSchema)
    setLink(token && `${window.location.origin}/link/${token}`)
    setEmail('')
    await onDone()
    toast(token ? 'The link is made. It works for seven days, once.' : 'They have an account here, and see the job now.')
  })
  return (
    <form onSubmit={invite} noValidate aria-label="Invite somebody" className="border border-seam bg-cloth p-4">
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_8rem_auto] items-end gap-3">
        <TextInput label="Invite by email" type="email" value={email} onValue={setEmail} autoComplete="off" />
        <Field label="To">
          {(control) => (
            <select {...control} value={to} onChange={(event) => setTo(event.target.value)} className={selectClass}>
              <option value="">all jobs</option>
              {jobs.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="As">
          {(control) => (
            <select {...control} value={as} onChange={(event) => setAs(event.target.value as typeof as)} className={selectClass}>
              <option value="editor">editor</option>
              <option value="reader">reader</option>
              {to === '' && <option value="owner">owner</option>}
            </select>
          )}
        </Field>
        <Button type="submit" look="main" disabled={busy} className="mb-px">
          Make the link
        </Button>
      </div>
      <Fault words={fault} />
      {link && (
        <p className="mt-3 flex items-center gap-2 border-t border-seam pt-3 text-sm">
          <span className="shrink-0">Send them this; it is not shown again:</span>
          <code className="min-w-0 flex-1 truncate font-mono text-xs" title={link}>
            {link}
          </code>
          <CopyButton text={link} label="Copy the link" />
        </p>
      )}
    </form>
  )
}
