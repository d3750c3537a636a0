'use client'
import { useState } from 'react'
import type { ReleaseLine } from './release-line'
import { ReleaseRow, TakenOffRow } from './release-row'
import { SizeChart } from './size-chart'

type Props = {
  readonly job: string
  readonly destination: string
  readonly isSeenAtOnce: boolean
  readonly releases: readonly ReleaseLine[]
  readonly address: string | null
  readonly liveUrl: string | null
  readonly busy: boolean
  readonly onPutBack: (id: string) => void
  readonly onTakeOff: () => void
}

/** Every release that visitors have seen, with its size; any of them can be put back. One without a file is the site taken off. */
export function ReleaseList({ releases, onPutBack, ...common }: Props) {
  const [asked, setAsked] = useState<string | null>(null)
  // The button of a question that was closed again has the focus again.
  const [left, setLeft] = useState<string | null>(null)
  const seen = releases.filter(({ files }) => files > 0)
  const ask = (id: string | null): void => {
    setLeft(asked)
    setAsked(id)
  }
  return (
    <aside className="relative min-h-0 overflow-y-auto border-s border-seam bg-cloth px-5 py-6" aria-labelledby="releases">
      <h2 id="releases" className="mb-3 text-lg font-bold tracking-tight">
        Releases
      </h2>
      {releases.length === 0 && <p className="text-soft">None yet. Each one is kept for ever, and can be put back.</p>}
      {seen.length > 1 && <SizeChart releases={seen} />}
      <ol>
        {releases.map((release) =>
          release.files === 0 ? (
            <TakenOffRow key={release.id} release={release} />
          ) : (
            <ReleaseRow
              key={release.id}
              {...common}
              release={release}
              isAsked={asked === release.id}
              isLeft={left === release.id}
              onAsk={ask}
              onPutBack={(id) => {
                setAsked(null)
                onPutBack(id)
              }}
            />
          ),
        )}
      </ol>
    </aside>
  )
}
