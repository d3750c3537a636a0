'use client'
import { useState } from 'react'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { SignInFrame } from './sign-in-frame'
import { Fault } from '../parts/fault'
import { PasswordInput } from './password-input'
import { TextInput } from './text-input'
import { useMutation } from '../request/use-mutation'

/** The first start: whose installation this is. */
export function FirstStart() {
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const { busy, fault, handle } = useMutation()
  const start = handle(async () => {
    await sendJson('/api/sign-in/first-start', { name, email, password })
    window.location.assign('/')
  })
  return (
    <SignInFrame title="Whose work is this?" words="You own this installation. Others come in only when you invite them.">
      <form onSubmit={start} noValidate className="flex flex-col gap-4">
        <TextInput label="Your name" value={name} onValue={setName} autoComplete="name" />
        <TextInput label="Email" type="email" value={email} onValue={setEmail} autoComplete="username" hint="You sign in with it." />
        <PasswordInput label="Password" value={password} onValue={setPassword} autoComplete="new-password" mine={[name, email]} />
        <div>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? 'Making the account…' : 'Begin'}
          </Button>
          <Fault words={fault} />
        </div>
      </form>
    </SignInFrame>
  )
}
