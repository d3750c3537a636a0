'use client'
import { useState } from 'react'
import { toast } from 'sonner'
import type { Person } from '@/core/people'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { Part } from './part'
import { PasswordInput } from './password-input'
import { TextInput } from './text-input'
import { useMutation } from '../request/use-mutation'

type Props = { readonly me: Person; readonly onDone: () => Promise<void> }

/** Name, email and password; what one signs in with is changed with the password that holds now. */
export function OwnDetails({ me, onDone }: Props) {
  return (
    <Part title="You">
      <div className="flex flex-col gap-4">
        <NameForm me={me} onDone={onDone} />
        <EmailForm me={me} onDone={onDone} />
        <PasswordForm me={me} onDone={onDone} />
      </div>
    </Part>
  )
}

function NameForm({ me, onDone }: Props) {
  const [name, setName] = useState(me.name)
  const { busy, fault, handle } = useMutation()
  const keep = handle(async () => {
    await sendJson('/api/account', { part: 'name', value: name }, 'PUT')
    await onDone()
    toast('Your name is kept.')
  })
  return (
    <form onSubmit={keep} noValidate aria-label="Name">
      <TextInput label="Name" value={name} onValue={setName} autoComplete="name" />
      {name.trim() !== me.name && (
        <Button type="submit" className="mt-2" disabled={busy}>
          Keep this name
        </Button>
      )}
      <Fault words={fault} />
    </form>
  )
}

function EmailForm({ me, onDone }: Props) {
  const [email, setEmail] = useState(me.email)
  const [password, setPassword] = useState('')
  const { busy, fault, handle } = useMutation()
  const keep = handle(async () => {
    await sendJson('/api/account', { part: 'email', value: email, password }, 'PUT')
    setPassword('')
    await onDone()
    toast('You sign in with this email from now on.')
  })
  return (
    <form onSubmit={keep} noValidate aria-label="Email">
      <TextInput label="Email" type="email" value={email} onValue={setEmail} autoComplete="username" />
      {email.trim() !== me.email && (
        <div className="mt-3">
          <PasswordInput label="Your password" value={password} onValue={setPassword} autoComplete="current-password" />
          <Button type="submit" className="mt-2" disabled={busy}>
            Keep this email
          </Button>
        </div>
      )}
      <Fault words={fault} />
    </form>
  )
}

function PasswordForm({ me, onDone }: Props) {
  const [open, setOpen] = useState(false)
  const [password, setPassword] = useState('')
  const [next, setNext] = useState('')
  const { busy, fault, handle } = useMutation()
  const keep = handle(async () => {
    await sendJson('/api/account', { part: 'password', value: next, password }, 'PUT')
    setPassword('')
    setNext('')
    setOpen(false)
    await onDone()
    toast('Your password is the new one. You are signed out on every other device.')
  })
  if (!open)
    return (
      <div>
        <Button onClick={() => setOpen(true)}>Change the password</Button>
      </div>
    )
  return (
    <form onSubmit={keep} noValidate aria-label="Password" className="flex flex-col gap-3">
      <input type="hidden" name="username" autoComplete="username" value={me.email} />
      <PasswordInput label="Password now" value={password} onValue={setPassword} autoComplete="current-password" />
      <PasswordInput label="New password" value={next} onValue={setNext} autoComplete="new-password" mine={[me.name, me.email]} />
      <div className="flex gap-2">
        <Button type="submit" look="main" disabled={busy}>
          {busy ? 'Keeping it…' : 'Keep the new password'}
        </Button>
        <Button onClick={() => setOpen(false)}>Leave it as it is</Button>
      </div>
      <Fault words={fault} />
    </form>
  )
}
