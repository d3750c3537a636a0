'use client'
import { useState } from 'react'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { SignInFrame } from './sign-in-frame'
import { Fault } from '../parts/fault'
import { PasswordInput } from './password-input'
import { TextInput } from './text-input'
import { useMutation } from '../request/use-mutation'

type Kind = 'sign-in' | 'recovery' | 'invitation'
type Props = { readonly token: string; readonly kind: Kind; readonly name: string; readonly email: string }

const WORDS: Readonly<Record<Kind, readonly [title: string, words: string, act: string]>> = {
  'sign-in': ['Come in', 'This link signs you in once.', 'Sign in'],
  recovery: ['A new password', 'You are signed out everywhere else, and in here.', 'Keep it and sign in'],
  invitation: ['You are invited', 'An account of your own, and you are in.', 'Join'],
}

/** What a link is for that lets somebody in. Looking at it does not use it up: the press does. */
export function UseLink({ token, kind, name: known, email }: Props) {
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const { busy, fault, handle } = useMutation()
  const [title, words, act] = WORDS[kind]
  const use = handle(async () => {
    await sendJson('/api/sign-in/link', { token, ...(kind === 'invitation' ? { name } : {}), ...(kind === 'sign-in' ? {} : { password }) })
    window.location.assign('/')
  })
  return (
    <SignInFrame title={title} words={words}>
      <form onSubmit={use} noValidate className="flex flex-col gap-4">
        <p>
          {known && <strong className="block text-lg">{known}</strong>}
          <span className="font-mono text-sm">{email}</span>
          <input type="hidden" name="username" autoComplete="username" value={email} />
        </p>
        {kind === 'invitation' && <TextInput label="Your name" value={name} onValue={setName} autoComplete="name" />}
        {kind !== 'sign-in' && (
          <PasswordInput
            label={kind === 'recovery' ? 'New password' : 'Password'}
            value={password}
            onValue={setPassword}
            autoComplete="new-password"
            mine={[known || name, email]}
          />
        )}
        <div>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? 'One moment…' : act}
          </Button>
          <Fault words={fault} />
        </div>
      </form>
    </SignInFrame>
  )
}
