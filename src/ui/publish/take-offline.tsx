'use client'
import { useState } from 'react'
import { Button } from '../parts/button'

/** Takes a site off a destination: its files go, what others put there stays, and every release can be made live again. */
export function TakeOffline({
  address,
  busy,
  onTakeOff,
}: {
  readonly address: string
  readonly busy: boolean
  readonly onTakeOff: () => void
}) {
  const [asked, setAsked] = useState(false)
  if (!asked)
    return (
      <Button look="quiet" className="px-2!" disabled={busy} onClick={() => setAsked(true)}>
        Take offline…
      </Button>
    )
  return (
    <div role="group" aria-label="Take offline" className="w-full border border-seam bg-cloth p-3 text-sm">
      <p className="mb-2">
        Visitors will find nothing at <span className="break-all font-mono text-xs">{address}</span>. Nothing is lost: any release can be
        made live again.
      </p>
      <Button
        look="main"
        autoFocus
        disabled={busy}
        onClick={() => {
          setAsked(false)
          onTakeOff()
        }}
      >
        Take offline
      </Button>{' '}
      <Button look="quiet" onClick={() => setAsked(false)}>
        Cancel
      </Button>
    </div>
  )
}
