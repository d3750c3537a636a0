'use client'
import Link from 'next/link'
import { Button, buttonClass } from '../parts/button'
import { count, dayAndTime, kilobytes } from '../parts/words'
import type { ReleaseLine } from './release-line'
import { useAloneWords } from './use-alone-words'
import { TakeOffline } from './take-offline'

type Props = {
  readonly job: string
  readonly destination: string
  /** What is published there is seen at once, rather than put up by hand. */
  readonly isSeenAtOnce: boolean
  readonly release: ReleaseLine
  /** Where the site is to be now. */
  readonly address: string | null
  readonly liveUrl: string | null
  readonly busy: boolean
  /** It is what was last asked to be put back and then left: its button has the focus again. */
  readonly isAsked: boolean
  readonly isLeft: boolean
  readonly onAsk: (id: string | null) => void
  readonly onPutBack: (id: string) => void
  readonly onTakeOff: () => void
}

/** One release: when, by whom, what was noted, and what can be done with it. */
export function ReleaseRow(props: Props) {
  const { job, destination, isSeenAtOnce, release, liveUrl, busy, isAsked, isLeft, onAsk, onTakeOff } = props
  const { id, number, live, address, files, bytes, note, alone } = release
  const aloneWords = useAloneWords()
  return (
    <li className={`border-t border-seam py-3 ${live ? 'border-t-2 border-t-ink' : ''}`}>
      <div className="flex items-baseline justify-between gap-2">
        <p className="font-bold">No. {number}</p>
        {live && <span className="bg-tape px-1.5 font-mono text-xs">{isSeenAtOnce ? 'live' : 'in the zip'}</span>}
      </div>
      <When release={release} />
      {alone !== null && <p className="text-sm">{aloneWords(alone)}</p>}
      <p className="text-sm text-soft">
        {count(files, 'file')}, {kilobytes(bytes)}, <span className="font-mono text-xs">{address}</span>
      </p>
      {note && (
        <p className="mt-0.5 break-words border-s-2 border-tape ps-2 text-sm" dir="auto">
          {note}
        </p>
      )}
      {!live && isAsked && <MakeLive {...props} />}
      {!isAsked && (
        <div className="mt-2 flex flex-wrap gap-1.5">
          {!live && (
            <Button
              className="px-2!"
              disabled={busy}
              autoFocus={isLeft}
              onClick={() => onAsk(id)}
              aria-label={`Make release ${number} live…`}
            >
              Make live…
            </Button>
          )}
          <Link
            href={`/jobs/${job}/publish?to=${destination}&compare=${id}`}
            className={`${buttonClass()} px-2!`}
            aria-label={`Compare release ${number} with another state`}
          >
            Compare…
          </Link>
          <a
            className={`${buttonClass()} px-2!`}
            href={`/api/jobs/${job}/releases/${id}`}
            download
            aria-label={`Download the files of release ${number}, as a zip`}
            title="The whole site as it was published; its pages run in any folder of any server"
          >
            Files (zip)
          </a>
          {live && liveUrl && isSeenAtOnce && <TakeOffline address={liveUrl} busy={busy} onTakeOff={onTakeOff} />}
        </div>
      )}
    </li>
  )
}

/** The site was taken off then. */
export function TakenOffRow({ release }: { readonly release: ReleaseLine }) {
  return (
    <li className="border-t border-seam py-3">
      <p className="font-bold">Taken offline</p>
      <When release={release} />
    </li>
  )
}

function When({ release: { at, by } }: { readonly release: ReleaseLine }) {
  return (
    <p className="text-sm text-soft">
      <time dateTime={at} suppressHydrationWarning>
        {dayAndTime(at)}
      </time>
      {by && `, by ${by}`}
    </p>
  )
}

function MakeLive({ release: { id, number, address: made }, address, busy, onAsk, onPutBack }: Props) {
  return (
    <div className="mt-2 text-sm">
      <p className="mb-1.5">
        Visitors will see this release again. What you are working on stays as it is.
        {made !== address && ` Its files are made again for ${address ?? 'the address'}, where the site is now.`}
      </p>
      <Button look="main" disabled={busy} onClick={() => onPutBack(id)} autoFocus>
        Make No. {number} live
      </Button>{' '}
      <Button look="quiet" onClick={() => onAsk(null)}>
        Cancel
      </Button>
    </div>
  )
}
