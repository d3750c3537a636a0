'use client'
import { useEffect, useRef, useState } from 'react'
import { countNear, makeChip, NEAR_KINDS, type Near, type NearKind } from '@/core/check'
import type { Edit, Place } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { Button, buttonClass } from '../parts/button'
import { notice } from '../parts/notice'

const KINDS: Readonly<Record<NearKind, { readonly title: string; readonly why: string }>> = {
  template: { title: 'Template’s words', why: 'Six words or more in a row are the template’s own.' },
  name: { title: 'Template’s business', why: 'The template’s business is named here.' },
  dummy: { title: 'Dummy text', why: 'These words stand for words that are to come.' },
  example: { title: 'Examples', why: 'This address or number is kept for examples and belongs to nobody.' },
  nowhere: { title: 'Links to nowhere', why: 'What this led to is gone.' },
  typed: { title: 'Facts as words', why: 'This was typed, and does not follow when the fact changes.' },
}

type Props = {
  readonly near: readonly Near[]
  readonly onHold: (place: Place) => void
  readonly onClose: () => void
}

/** Words that may not be the client's after all, over the whole site, each to be put right or kept as it is. */
export function NearPanel({ near, onHold, onClose }: Props) {
  const store = useJobStore()
  const [kind, setKind] = useState<NearKind | null>(null)
  const counts = countNear(near)
  const shown = kind === null ? near : near.filter((one) => one.kind === kind)
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => head.current?.focus(), [])
  const act = (edit: Edit | null, said: string): void => {
    const gesture = edit && store.apply(edit)
    if (gesture) notice(said, 'Undo', () => void store.undo(gesture))
    head.current?.focus()
  }
  return (
    <section
      aria-label="To check"
      className="flex min-h-0 flex-1 flex-col bg-cloth"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose()
      }}
    >
      <div className="flex shrink-0 flex-wrap items-center gap-x-2 gap-y-1.5 border-b border-seam px-4 py-2">
        <h2 ref={head} tabIndex={-1} className="me-2 font-bold outline-none">
          To check
        </h2>
        <KindButton label="All" count={near.length} on={kind === null} onPress={() => setKind(null)} />
        {NEAR_KINDS.filter((one) => (counts.get(one) ?? 0) > 0).map((one) => (
          <KindButton key={one} label={KINDS[one].title} count={counts.get(one) ?? 0} on={kind === one} onPress={() => setKind(one)} />
        ))}
        <Button className="ms-auto" onClick={onClose}>
          Close
        </Button>
      </div>
      {shown.length === 0 ? (
        <p className="px-4 py-3 text-soft" role="status">
          Nothing here looks like anybody’s but the client’s.
        </p>
      ) : (
        <ul className="min-h-0 flex-1 overflow-y-auto" aria-label="What was found">
          {shown.map((one) => (
            <NearRow
              key={one.key}
              near={one}
              onHold={onHold}
              onKeep={() =>
                act({ type: 'as-is/set', words: one.asIs, value: true }, `“${short(one.words)}” stays as it is, wherever it stands.`)
              }
              onChip={makeChip(one) ? () => act(makeChip(one), 'The fact is shown there now, and follows its changes.') : undefined}
            />
          ))}
        </ul>
      )}
    </section>
  )
}

function short(words: string): string {
  return words.length > 40 ? `${words.slice(0, 40).trimEnd()}…` : words
}

type KindProps = { readonly label: string; readonly count: number; readonly on: boolean; readonly onPress: () => void }

function KindButton({ label, count, on, onPress }: KindProps) {
  return (
    <button type="button" aria-pressed={on} className={`${buttonClass('quiet')} ${on ? 'bg-tape' : ''}`} onClick={onPress}>
      {label} <span className="font-mono text-xs">{count}</span>
    </button>
  )
}

type RowProps = {
  readonly near: Near
  readonly onHold: (place: Place) => void
  readonly onKeep: () => void
  readonly onChip: (() => void) | undefined
}

function NearRow({ near, onHold, onKeep, onChip }: RowProps) {
  const { of, before, words, after, kind } = near
  return (
    <li
      className={
        'grid grid-cols-[15rem_minmax(0,1fr)_auto] items-baseline gap-x-3 border-b border-seam px-4 py-1.5 ' +
        '[contain-intrinsic-size:auto_3.2rem] [content-visibility:auto] hover:bg-white'
      }
    >
      <button type="button" className="truncate text-start text-sm hover:underline" onClick={() => onHold(of.place)}>
        <span className="font-semibold">{of.name}</span> <span className="text-soft">{of.where}</span>
      </button>
      <div className="min-w-0 text-sm">
        <p className="break-words" dir="auto">
          {before}
          <mark className="stitch-under bg-clear pb-0.5 text-thread">{words}</mark>
          {after}
        </p>
        <p className="text-xs text-soft">{KINDS[kind].why}</p>
      </div>
      <div className="flex gap-1.5">
        {onChip && <Button onClick={onChip}>Use the fact</Button>}
        <Button onClick={onKeep} aria-label={`Keep as it is: ${short(words)}`}>
          Keep as it is
        </Button>
      </div>
    </li>
  )
}
