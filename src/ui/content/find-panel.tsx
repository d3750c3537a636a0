'use client'
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { findWords, MOST_HITS, replaceWords, type Query, type Hit } from '@/core/find'
import type { Place } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { notice } from '../parts/notice'
import { count } from '../parts/words'

type Props = {
  /** Takes the place of a hit in hand, on the sheets too. */
  readonly onHold: (place: Place) => void
  readonly onClose: () => void
}

/** Words found over the whole site, each in its sentence, and put right all at once; what is left out stays as it is. */
export function FindPanel({ onHold, onClose }: Props) {
  const store = useJobStore()
  const [asked, setAsked] = useState<Query>({ words: '', isExact: false, isWhole: false })
  const [put, setPut] = useState('')
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const looked = useDeferredValue(asked)
  const hits = useMemo(() => findWords(pack, document, looked), [pack, document, looked])
  const chosen = hits.filter(({ key }) => !left.has(key))
  const field = useRef<HTMLInputElement>(null)
  useEffect(() => field.current?.focus(), [])
  const ask = (next: Partial<Query>): void => {
    setAsked((before) => ({ ...before, ...next }))
    setLeft(new Set())
  }
  const replace = (): void => {
    const edit = replaceWords(chosen, put)
    const gesture = edit && store.apply(edit)
    if (!gesture) return
    const pages = new Set(chosen.map(({ of }) => of.where)).size
    notice(`Replaced ${count(chosen.length, 'time')}, on ${count(pages, 'page')}.`, 'Undo', () => void store.undo(gesture))
    setLeft(new Set())
  }
  const leave = (key: string, isIn: boolean): void =>
    setLeft((before) => {
      const next = new Set(before)
      if (isIn) next.delete(key)
      else next.add(key)
      return next
    })
  return (
    <section
      aria-label="Find and replace"
      className="flex min-h-0 flex-1 flex-col bg-cloth"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose()
      }}
    >
      <form
        className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-2 border-b border-seam px-4 py-2"
        onSubmit={(event) => {
          event.preventDefault()
          replace()
        }}
      >
        <label className="flex items-center gap-2 text-sm">
          Find
          <input
            ref={field}
            className={`${inputClass} w-56!`}
            value={asked.words}
            maxLength={300}
            onChange={(event) => ask({ words: event.target.value })}
            dir="auto"
            data-own-undo
          />
        </label>
        <label className="flex items-center gap-2 text-sm">
          Replace with
          <input
            className={`${inputClass} w-56!`}
            value={put}
            maxLength={300}
            onChange={(event) => setPut(event.target.value)}
            dir="auto"
            data-own-undo
          />
        </label>
        <Tick label="Capitals count" on={asked.isExact} onTick={(isExact) => ask({ isExact })} />
        <Tick label="Whole words" on={asked.isWhole} onTick={(isWhole) => ask({ isWhole })} />
        <span className="ms-auto text-sm text-soft" role="status">
          {found(asked, hits)}
        </span>
        <Button type="submit" look="main" disabled={chosen.length === 0}>
          Replace {chosen.length > 0 ? count(chosen.length, 'time') : ''}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </form>
      <ul className="min-h-0 flex-1 overflow-y-auto" aria-label="Where it stands">
        {hits.map((hit) => (
          <HitRow key={hit.key} hit={hit} put={put} isIn={!left.has(hit.key)} onTick={leave} onHold={onHold} />
        ))}
      </ul>
    </section>
  )
}

function found({ words }: Query, hits: readonly Hit[]): string {
  if (words.trim() === '') return 'In words, alternative texts, page texts, facts and labels'
  if (hits.length === 0) return 'Found nowhere in the client’s words'
  const pages = new Set(hits.map(({ of }) => of.where)).size
  return `${hits.length === MOST_HITS ? 'The first ' : ''}${count(hits.length, 'time')} on ${count(pages, 'page')}`
}

function Tick({ label, on, onTick }: { readonly label: string; readonly on: boolean; readonly onTick: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-1.5 text-sm">
      <input type="checkbox" checked={on} onChange={(event) => onTick(event.target.checked)} />
      {label}
    </label>
  )
}

type RowProps = {
  readonly hit: Hit
  readonly put: string
  readonly isIn: boolean
  readonly onTick: (key: string, isIn: boolean) => void
  readonly onHold: (place: Place) => void
}

const HitRow = memo(function HitRow({ hit, put, isIn, onTick, onHold }: RowProps) {
  const { of, before, words, after, key } = hit
  const name = `${of.name}, ${of.where}`
  return (
    <li
      className={
        'grid grid-cols-[1.5rem_15rem_minmax(0,1fr)] items-baseline gap-x-3 border-b border-seam px-4 py-1.5 ' +
        '[contain-intrinsic-size:auto_2.2rem] [content-visibility:auto] hover:bg-white'
      }
    >
      <input
        type="checkbox"
        aria-label={`Replace in ${name}: ${words}`}
        checked={isIn}
        onChange={(event) => onTick(key, event.target.checked)}
      />
      <button type="button" className="truncate text-start text-sm hover:underline" title={`Show ${name}`} onClick={() => onHold(of.place)}>
        <span className="font-semibold">{of.name}</span> <span className="text-soft">{of.where}</span>
      </button>
      <p className="min-w-0 break-words text-sm" dir="auto">
        {before}
        <mark className={isIn && put !== '' ? 'bg-clear text-thread line-through' : 'bg-tape text-ink'}>{words}</mark>
        {isIn && put !== '' && <ins className="bg-tape font-semibold text-ink no-underline">{put}</ins>}
        {after}
      </p>
    </li>
  )
})
