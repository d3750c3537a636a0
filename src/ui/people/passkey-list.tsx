'use client'
import type { PasskeyLine } from '@/core/replies'
import { useState } from 'react'
import { toast } from 'sonner'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { ago } from '../parts/words'
import { Fault } from '../parts/fault'
import { Part } from './part'
import { addPasskey } from './passkey'
import { PasswordInput } from './password-input'
import { useMutation } from '../request/use-mutation'

/** Passkeys: a second way in, by what a device knows its owner by. */
export function PasskeyList({ passkeys, onDone }: { passkeys: readonly PasskeyLine[]; onDone: () => Promise<void> }) {
  const [open, setOpen] = useState(false)
  const [password, setPassword] = useState('')
  const { busy, fault, handle } = useMutation()
  const add = handle(async () => {
    if (!(await addPasskey(password))) return
    setPassword('')
    setOpen(false)
    await onDone()
    toast('This device signs you in from now on.')
  })
  const remove = (id: string) =>
    handle(async () => {
      await sendJson('/api/account/passkeys', { id }, 'DELETE')
      await onDone()
    })
  return (
    <Part title="Passkeys">
      {passkeys.length === 0 && (
        <p className="mb-2 text-sm text-soft">A device can sign you in by what it knows you by: a finger, a face, its own code.</p>
      )}
      <ul className="mb-2">
        {passkeys.map(({ id, name, madeAt, usedAt }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-b border-seam py-2">
            <span>
              <span className="block font-semibold">{name}</span>
              <span className="block text-sm text-soft" suppressHydrationWarning>
                made {ago(madeAt)}, {usedAt ? `used ${ago(usedAt)}` : 'not used yet'}
              </span>
            </span>
            <Button disabled={busy} onClick={() => void remove(id)()} aria-label={`Remove the passkey of ${name}`}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      {open ? (
        <form onSubmit={add} noValidate aria-label="Add a passkey">
          <PasswordInput label="Your password" value={password} onValue={setPassword} autoComplete="current-password" />
          <div className="mt-2 flex gap-2">
            <Button type="submit" look="main" disabled={busy}>
              {busy ? 'Asking this device…' : 'Ask this device'}
            </Button>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
          </div>
        </form>
      ) : (
        <Button onClick={() => setOpen(true)}>Add a passkey</Button>
      )}
      <Fault words={fault} />
    </Part>
  )
}
