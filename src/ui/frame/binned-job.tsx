'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useTransition } from 'react'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { NO_ANSWER, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'

/** A job that lies in the bin: it is worked on again once it is put back. */
export function BinnedJob({ id, name }: { id: string; name: string }) {
  const router = useRouter()
  const { busy, fault, handle } = useMutation({ otherwise: NO_ANSWER })
  const [pending, begin] = useTransition()
  const putBack = handle(async () => {
    await sendJson(`/api/jobs/${id}/status`, { shelf: 'work' }, 'PUT')
    begin(() => router.refresh())
  })
  return (
    <main className="mx-auto max-w-xl p-16">
      <h1 className="mb-2 text-2xl font-bold tracking-tight" dir="auto">
        {name} is in the bin
      </h1>
      <p className="mb-4">Nothing of it was changed. Put it back, and it is as it was.</p>
      <Fault words={fault} className="mb-4" />
      <p className="flex items-center gap-4">
        <Button look="main" onClick={() => void putBack()} disabled={busy || pending}>
          Restore
        </Button>
        <Link href="/" className="font-semibold underline underline-offset-4">
          All jobs
        </Link>
      </p>
    </main>
  )
}
