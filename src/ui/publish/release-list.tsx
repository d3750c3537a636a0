'use client'
import { useState } from 'react'
import { Button } from '../parts/button'
import type { ReleaseLine } from './release-line'
import { ReleaseRow, TakenOffRow } from './release-row'

/** How many are in sight until all are asked for. */
const NEWEST = 4

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
  const [isAll, setAll] = useState(false)
  const shown = isAll ? releases : releases.slice(0, NEWEST)
  const ask = (id: string | null): void => {
    setLeft(asked)
    setAsked(id)
  }
  return (
    <>
      {releases.length === 0 && (
        <p className="mb-4 text-sm text-soft">Nothing is live here yet. Every release is kept, and can be made live again.</p>
      )}
      <ol>
        {shown.map((release) =>
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
      {shown.length < releases.length && (
        <Button look="quiet" className="mb-3" onClick={() => setAll(true)}>
          Show all {releases.length}
        </Button>
      )}
    </>
  )
}
