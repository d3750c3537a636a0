'use client'
import { KeyRound } from 'lucide-react'
import { useState } from 'react'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { SignInFrame } from './sign-in-frame'
import { Fault } from '../parts/fault'
import { signInByPasskey } from './passkey'
import { PasswordInput } from './password-input'
import { TextInput } from './text-input'
import { useMutation } from '../request/use-mutation'

/** Signs somebody in and goes on to the page that was asked for. */
export function SignIn({ to }: { to: string }) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const { busy, fault, handle } = useMutation()
  const goOn = (): void => window.location.assign(to)
  const signIn = handle(async () => {
    await sendJson('/api/sign-in/password', { email, password })
    goOn()
  })
  const byPasskey = handle(async () => {
    if (await signInByPasskey()) goOn()
  })
  return (
    <SignInFrame title="Sign in" words="Your clients’ jobs are behind this door.">
      <form onSubmit={signIn} noValidate className="flex flex-col gap-4">
        <TextInput label="Email" type="email" value={email} onValue={setEmail} autoComplete="username" />
        <PasswordInput label="Password" value={password} onValue={setPassword} autoComplete="current-password" />
        <div>
          <div className="flex flex-wrap gap-2">
            <Button type="submit" look="main" disabled={busy}>
              {busy ? 'Looking…' : 'Sign in'}
            </Button>
            <Button disabled={busy} onClick={() => void byPasskey()}>
              <KeyRound size={15} aria-hidden /> With a passkey
            </Button>
          </div>
          <Fault words={fault} />
        </div>
      </form>
      <details className="mt-6 border-t border-seam pt-3 text-sm text-soft">
        <summary className="cursor-pointer font-semibold text-ink">You cannot sign in?</summary>
        <p className="mt-2">
          Whoever runs this installation makes you a link, on its own computer, with{' '}
          <code className="font-mono text-xs text-ink">npm run let-in -- your@email</code>. It works for half an hour, and you choose a new
          password there.
        </p>
      </details>
    </SignInFrame>
  )
}
