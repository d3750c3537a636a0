'use client'
import { useState } from 'react'
import { Button } from '../parts/button'
import { count, dayAndTime, kilobytes } from '../parts/words'

export type ReleaseLine = {
  readonly id: string
  readonly number: number | null
  readonly at: string
  readonly files: number
  readonly bytes: number
  readonly address: string
  readonly live: boolean
}

/** Every release that visitors have seen; any of them can be put back. */
export function ReleaseList({
  releases,
  address,
  busy,
  onPutBack,
}: {
  releases: readonly ReleaseLine[]
  address: string | null
  busy: boolean
  onPutBack: (id: string) => void
}) {
  const [asked, setAsked] = useState<string | null>(null)
  // The button of a question that was closed again has the focus again.
  const [left, setLeft] = useState<string | null>(null)
  return (
    <aside className="min-h-0 overflow-y-auto border-s border-seam bg-cloth px-5 py-6" aria-labelledby="releases">
      <h2 id="releases" className="mb-3 text-lg font-bold tracking-tight">
        Releases
      </h2>
      {releases.length === 0 ? (
        <p className="text-soft">None yet. Each one is kept for ever, and can be put back.</p>
      ) : (
        <ol>
          {releases.map((release) => (
            <li key={release.id} className={`border-t border-seam py-3 ${release.live ? 'border-t-2 border-t-ink' : ''}`}>
              <div className="flex items-baseline justify-between gap-2">
                <p className="font-bold">No. {release.number}</p>
                {release.live && <span className="bg-tape px-1.5 font-mono text-xs">live</span>}
              </div>
              <p className="text-sm text-soft">
                <time dateTime={release.at} suppressHydrationWarning>
                  {dayAndTime(release.at)}
                </time>
              </p>
              <p className="text-sm text-soft">
                {count(release.files, 'file')}, {kilobytes(release.bytes)}, <span className="font-mono text-xs">{release.address}</span>
              </p>
              {!release.live &&
                (asked === release.id ? (
                  <div className="mt-2 text-sm">
                    <p className="mb-1.5">
                      Visitors will see this release again. What you are working on stays as it is.
                      {release.address !== address && ` Its files are made anew for ${address ?? 'the address'}, where the site is now.`}
                    </p>
                    <Button
                      look="main"
                      disabled={busy}
                      onClick={() => {
                        setAsked(null)
                        onPutBack(release.id)
                      }}
                      autoFocus
                    >
                      Put No. {release.number} back
                    </Button>{' '}
                    <Button look="quiet" onClick={() => (setAsked(null), setLeft(release.id))}>
                      Leave it
                    </Button>
                  </div>
                ) : (
                  <Button
                    className="mt-2"
                    disabled={busy}
                    autoFocus={left === release.id}
                    onClick={() => setAsked(release.id)}
                    aria-label={`Put release ${release.number} back…`}
                  >
                    Put back…
                  </Button>
                ))}
            </li>
          ))}
        </ol>
      )}
    </aside>
  )
}
