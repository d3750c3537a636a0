'use client'
import { Plus } from 'lucide-react'
import Link from 'next/link'
import type { DestinationLine } from './destination-line'

function standingOf({ isSeenAtOnce, number }: DestinationLine): string {
  if (!isSeenAtOnce) return number === null ? 'empty' : `No. ${number} in it`
  return number === null ? 'not live' : `No. ${number} live`
}

/** Every place that the site goes to, with what is live there; one is looked at. */
export function DestinationList({ job, lines, shown }: { job: string; lines: readonly DestinationLine[]; shown: string }) {
  return (
    <nav aria-label="Destinations" className="mb-5">
      <ul className="border border-seam bg-cloth">
        {lines.map((line) => (
          <li key={line.id} className="border-b border-seam last:border-b-0">
            <Link
              href={line.kind === 'web-host' ? `/jobs/${job}/publish` : `/jobs/${job}/publish?to=${line.id}`}
              aria-current={line.id === shown ? 'true' : undefined}
              className={
                'grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3 border-s-4 border-clear px-3 py-2 text-sm hover:bg-tape ' +
                'aria-[current]:border-ink aria-[current]:font-bold'
              }
            >
              <span className="truncate">{line.name}</span>
              <span className={`font-mono text-xs font-normal ${line.number === null ? 'text-soft' : 'bg-tape px-1.5'}`}>
                {standingOf(line)}
              </span>
              <span className="col-span-2 truncate font-mono text-xs font-normal text-soft">{line.origin ?? 'no address yet'}</span>
            </Link>
          </li>
        ))}
      </ul>
      <Link
        href={`/jobs/${job}/publish?to=new`}
        aria-current={shown === 'new' ? 'true' : undefined}
        className="mt-1.5 inline-flex min-h-6 items-center gap-1 text-sm underline underline-offset-4 aria-[current]:font-bold"
      >
        <Plus size={14} aria-hidden /> Add a server, a store, a folder or a zip
      </Link>
    </nav>
  )
}
