'use client'
import { useState } from 'react'
import { Button, buttonClass } from '../parts/button'
import { count, dayAndTime, kilobytes } from '../parts/words'

export type ReleaseLine = {
  readonly id: string
  readonly number: number | null
  readonly at: string
  readonly files: number
  readonly bytes: number
  readonly address: string
  readonly live: boolean
  readonly by: string | null
  readonly note: string
}

/** Every release that visitors have seen; any of them can be put back. */
export function ReleaseList({
  job,
  releases,
  address,
  busy,
  onPutBack,
}: {
  job: string
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
                {release.by && `, by ${release.by}`}
              </p>
              <p className="text-sm text-soft">
                {count(release.files, 'file')}, {kilobytes(release.bytes)}, <span className="font-mono text-xs">{release.address}</span>
              </p>
              {release.note && (
                <p className="mt-0.5 break-words border-s-2 border-tape ps-2 text-sm" dir="auto">
                  {release.note}
                </p>
              )}
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
                    className="me-2 mt-2"
                    disabled={busy}
                    autoFocus={left === release.id}
                    onClick={() => setAsked(release.id)}
                    aria-label={`Put release ${release.number} back…`}
                  >
                    Put back…
                  </Button>
                ))}
              {asked !== release.id && (
                <a
                  className={`${buttonClass()} mt-2`}
                  href={`/api/jobs/${job}/releases/${release.id}`}
                  download
                  aria-label={`Take the files of release ${release.number}, as a zip`}
                  title="The whole site as it was published; its pages run in any folder of any server"
                >
                  Files (zip)
                </a>
              )}
            </li>
          ))}
        </ol>
      )}
    </aside>
  )
}
