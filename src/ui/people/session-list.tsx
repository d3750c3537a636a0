'use client'
import type { SessionLine } from '@/core/replies'
import { sendJson } from '../request/api'
import { Button } from '../parts/button'
import { ago, dayAndTime } from '../parts/words'
import { Fault } from '../parts/fault'
import { Part } from './part'
import { useMutation } from '../request/use-mutation'

/** Where one is signed in; each can be ended by itself. */
export function SessionList({ sessions, onDone }: { sessions: readonly SessionLine[]; onDone: () => Promise<void> }) {
  const { busy, fault, handle } = useMutation()
  const end = (id: string) =>
    handle(async () => {
      await sendJson('/api/account/sessions', { id }, 'DELETE')
      await onDone()
    })
  return (
    <Part title="Where you are signed in">
      <ul>
        {sessions.map(({ id, device, address, seenAt, isThis }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-b border-seam py-2">
            <span>
              <span className="block font-semibold">{device}</span>
              <span className="block text-sm text-soft">
                {isThis ? (
                  'this one, now'
                ) : (
                  <time dateTime={seenAt} title={dayAndTime(seenAt)} suppressHydrationWarning>
                    {ago(seenAt)}
                  </time>
                )}
                , from <span className="font-mono text-xs">{address}</span>
              </span>
            </span>
            {!isThis && (
              <Button disabled={busy} onClick={() => void end(id)()} aria-label={`Sign out on ${device}, ${ago(seenAt)}`}>
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Fault words={fault} />
    </Part>
  )
}
