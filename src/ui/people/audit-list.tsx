'use client'
import { auditReplySchema, type AuditRow } from '@/core/replies'
import { useState } from 'react'
import { getJson } from '../request/api'
import { Button } from '../parts/button'
import { dayAndTime } from '../parts/words'
import { Fault } from '../parts/fault'
import { Part } from './part'
import { useMutation } from '../request/use-mutation'

/** Who came in, what went live, which secrets and people changed: newest first, never changed. */
export function AuditList({ first }: { first: readonly AuditRow[] }) {
  const [older, setOlder] = useState<readonly AuditRow[]>([])
  const [isAll, setIsAll] = useState(false)
  const { busy, fault, handle } = useMutation()
  const rows = [...first, ...older.filter(({ number }) => number < (first.at(-1)?.number ?? 0))]
  const more = handle(async () => {
    const { audit } = await getJson(`/api/people/audit?before=${rows.at(-1)?.number ?? 0}`, auditReplySchema)
    setOlder([...older, ...audit])
    setIsAll(audit.length === 0)
  })
  return (
    <Part title="Activity log">
      <div className="max-h-96 overflow-y-auto border border-seam bg-cloth" tabIndex={0} role="region" aria-label="The audit list">
        <table className="w-full border-collapse text-sm">
          <thead className="sticky top-0 bg-cloth text-soft">
            <tr>
              {['When', 'Who', 'What', 'From'].map((words) => (
                <th key={words} scope="col" className="px-2 py-1 text-start font-normal">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ number, at, person, what, about, address }) => (
              <tr key={number} className="border-t border-seam align-top">
                <td className="whitespace-nowrap px-2 py-1 font-mono text-xs" suppressHydrationWarning>
                  {dayAndTime(at)}
                </td>
                <td className="px-2 py-1" dir="auto">
                  {person ?? 'somebody'}
                </td>
                <td className="px-2 py-1">
                  <span className="font-semibold">{what}</span> <span className="break-words text-soft">{about}</span>
                </td>
                <td className="px-2 py-1 font-mono text-xs">{address}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {!isAll && rows.length >= 50 && (
        <Button className="mt-2" disabled={busy} onClick={() => void more()}>
          Older
        </Button>
      )}
      <Fault words={fault} />
    </Part>
  )
}
