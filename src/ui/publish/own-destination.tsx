'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, buttonClass } from '../parts/button'
import { Fault } from '../parts/fault'
import { sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { KIND_NAMES, type DestinationLine } from './destination-line'
import { ConnectionTestView } from './connection-test-view'
import { useConnectionTest } from './use-connection-test'

/** A server or folder of the client's: how it is reached, whether it can be, and how it is removed. */
export function OwnDestination({ job, line }: { job: string; line: DestinationLine }) {
  const router = useRouter()
  const connectionTest = useConnectionTest(job)
  const [asked, setAsked] = useState(false)
  const { fault, handle } = useMutation({ otherwise: 'It could not be removed. Try again.' })
  const remove = handle(async () => {
    await sendJson(`/api/jobs/${job}/destinations/${line.id}`, {}, 'DELETE')
    router.push(`/jobs/${job}/publish`)
    router.refresh()
  })
  return (
    <section aria-label={line.name}>
      <dl className="grid gap-y-1 text-sm [&>dd]:mb-1">
        <dt className="text-soft">Goes to</dt>
        <dd className="break-words">
          {KIND_NAMES[line.kind]}: <span className="font-mono">{line.connection}</span>
        </dd>
        <dt className="text-soft">Visitors find it at</dt>
        <dd className="break-words font-mono">{line.origin}</dd>
      </dl>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button disabled={connectionTest.isRunning} onClick={() => void connectionTest.run({ destination: line.id })}>
          {connectionTest.isRunning ? 'Testing…' : 'Test the connection'}
        </Button>
        <Link
          href={`/jobs/${job}/publish?to=${line.id}&change=1`}
          className="rounded-sm border border-clear px-3 py-1.5 text-sm font-semibold leading-tight hover:border-seam hover:bg-cloth"
        >
          Change…
        </Link>
        {line.kind === 'zip' && line.number !== null && (
          <a className={buttonClass()} href={`/api/jobs/${job}/destinations/${line.id}/zip`} download>
            Download zip of No. {line.number}
          </a>
        )}
        {!asked && (
          <Button look="quiet" onClick={() => setAsked(true)}>
            Remove…
          </Button>
        )}
      </div>
      {asked && (
        <div className="mt-2 border border-seam bg-cloth p-3 text-sm" role="group" aria-label="Remove">
          <p className="mb-2">What is there stays there, and visitors go on seeing it. The login is forgotten here.</p>
          <Button look="main" autoFocus onClick={() => void remove()}>
            Remove “{line.name}”
          </Button>{' '}
          <Button look="quiet" onClick={() => setAsked(false)}>
            Cancel
          </Button>
        </div>
      )}
      <Fault words={fault} />
      <ConnectionTestView connectionTest={connectionTest} />
    </section>
  )
}
