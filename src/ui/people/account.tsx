'use client'
import { accountViewSchema, type AccountView } from '@/core/replies'
import Link from 'next/link'
import { useState } from 'react'
import { getJson, sendJson } from '../request/api'
import { Button } from '../parts/button'
import { AuditList } from './audit-list'
import { CheckPart } from './check-part'
import { OwnDetails } from './own-details'
import { PasskeyList } from './passkey-list'
import { PeopleList } from './people-list'
import { SessionList } from './session-list'
import { useMutation } from '../request/use-mutation'
import { Fault } from '../parts/fault'
import { ROLE_WORDS } from './role-words'

/** Somebody's own account; an owner finds the people and what was done beside it. */
export function Account(first: AccountView) {
  const [view, setView] = useState(first)
  const { handle, busy, fault } = useMutation()
  const refresh = async (): Promise<void> => setView(await getJson('/api/account', accountViewSchema))
  const signOut = (everywhere: boolean) =>
    handle(async () => {
      await sendJson('/api/account/sign-out', { everywhere })
      window.location.assign('/sign-in')
    })
  const { me, people } = view
  return (
    <main className="mx-auto max-w-[76rem] px-6 py-8">
      <div className="mb-6 flex items-end justify-between border-b-2 border-ink pb-3">
        <div>
          <p className="tape-ticks mb-2 inline-block px-1.5 pb-1 font-mono text-xs">Instant Fit</p>
          <h1 className="text-2xl font-bold tracking-tight">{me.name}</h1>
          <p className="text-soft">{ROLE_WORDS[me.role]}</p>
        </div>
        <div className="flex items-center gap-2">
          <Link href="/" className="me-3 block min-h-6 font-semibold leading-6 underline underline-offset-4">
            All jobs
          </Link>
          <Button disabled={busy} onClick={() => void signOut(false)()}>
            Sign out
          </Button>
          <Button disabled={busy} onClick={() => void signOut(true)()}>
            Sign out everywhere
          </Button>
        </div>
      </div>
      <Fault words={fault} />
      <div className={people ? 'grid grid-cols-[minmax(20rem,26rem)_minmax(0,1fr)] gap-10' : 'max-w-xl'}>
        <div className="flex flex-col gap-8">
          <OwnDetails me={me} onDone={refresh} />
          <SessionList sessions={view.sessions} onDone={refresh} />
          <PasskeyList passkeys={view.passkeys} onDone={refresh} />
        </div>
        {people && (
          <div className="flex min-w-0 flex-col gap-8">
            <PeopleList me={me.id} people={people} onDone={refresh} />
            <AuditList first={people.audit} />
            <CheckPart first={people.check} />
          </div>
        )}
      </div>
    </main>
  )
}
