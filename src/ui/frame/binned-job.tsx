'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState, useTransition } from 'react'
import { NO_ANSWER, postJson } from '../job/api'
import { Button } from '../parts/button'

/** A job that lies in the bin: it is worked on again once it is put back. */
export function BinnedJob({ id, name }: { id: string; name: string }) {
  const router = useRouter()
  const [fault, setFault] = useState<string | null>(null)
  const [pending, begin] = useTransition()
  const putBack = (): void =>
    begin(async () => {
      try {
        await postJson(`/api/jobs/${id}/status`, { shelf: 'work' }, 'PUT')
        router.refresh()
      } catch (error) {
        setFault(error instanceof Error ? error.message : NO_ANSWER)
      }
    })
  return (
    <main className="mx-auto max-w-xl p-16">
      <h1 className="mb-2 text-2xl font-bold tracking-tight" dir="auto">
        {name} is in the bin
      </h1>
      <p className="mb-4">Nothing of it was changed. Put it back, and it is as it was.</p>
      {fault && (
        <p role="alert" className="mb-4 font-medium text-thread">
          ✕ {fault}
        </p>
      )}
      <p className="flex items-center gap-4">
        <Button look="main" onClick={putBack} disabled={pending}>
          Restore
        </Button>
        <Link href="/" className="font-semibold underline underline-offset-4">
          All jobs
        </Link>
      </p>
    </main>
  )
}
