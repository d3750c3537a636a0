'use client'
import { PencilLine } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import type { LedgerRow } from '@/core/fill'
import { richFromPlain } from '@/core/rich'
import { plainWords, siteLanguage, type RichText, type SlotValue } from '@/core/site'
import { firstWordsFor, moreSentences } from '@/core/trade'
import { compareWords, readingEase, suggestWords, type Change, type Suggestion } from '@/core/wording'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { Panel } from '../parts/panel'
import { OF_ROW_IN_HAND } from './row-look'

const SAID: Readonly<Record<Change, string>> = {
  first: 'A first text',
  shorter: 'Shorter',
  plainer: 'Plainer',
  order: 'Other order',
  longer: 'Longer',
}

/** Help with the words of a place: how easily they are read, and other words for it, each a draft. */
export function WordHelp({ row, title }: { readonly row: LedgerRow; readonly title: string }) {
  const [isOpen, setOpen] = useState(false)
  const name = `Other words for ${title}: ${row.label}`
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        className={
          `grid size-6 shrink-0 place-items-center rounded-sm border border-clear text-soft hover:border-ink ` +
          `hover:bg-tape hover:text-ink ${OF_ROW_IN_HAND}`
        }
        aria-label={name}
        title="Suggest other words, and say how easily these are read"
      >
        <PencilLine size={13} aria-hidden />
      </Popover.Trigger>
      <Panel
        align="end"
        aria-label={name}
        className={'grid max-h-[min(30rem,var(--radix-popover-content-available-height))] w-[34rem] gap-2 overflow-y-auto p-3 text-sm'}
      >
        <Words row={row} onTaken={() => setOpen(false)} />
      </Panel>
    </Popover.Root>
  )
}

function Words({ row, onTaken }: { readonly row: LedgerRow; readonly onTaken: () => void }) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const language = siteLanguage(document)
  const value = row.value
  const text = value ? plainWords(value) : ''
  const isPlain = value?.type !== 'rich' || isUnset(value.rich)
  const phrases = { first: firstWordsFor(document, row.place, row.entry?.number ?? null), more: moreSentences(document) }
  const found = isPlain ? suggestWords(text, language, phrases) : []
  const take = (words: string): void => {
    const { section, entry, slot } = row.place
    const next: SlotValue =
      row.type === 'rich' ? { type: 'rich', rich: richFromPlain(words), draft: true } : { type: 'text', text: words, draft: true }
    store.apply({ type: 'slot/set', section, entry, slot, value: next })
    onTaken()
  }
  return (
    <>
      <h3 className="font-bold">Other words</h3>
      <Ease text={text} language={language} />
      {!isPlain && (
        <p className="text-soft">Some of these words are bold, lead somewhere or stand in a list, so they are left as they are.</p>
      )}
      {isPlain && found.length === 0 && (
        <p role="status" className="text-soft">
          {text === '' ? 'The phrase bank has no words for this place. Give the client’s trade in the brief.' : 'Nothing to say otherwise.'}
        </p>
      )}
      <ul className="grid">
        {found.map((one) => (
          <Suggested key={one.change + one.text} suggestion={one} before={text} onTake={() => take(one.text)} />
        ))}
      </ul>
      {found.length > 0 && (
        <p className="border-t border-seam pt-2 text-xs text-soft">
          By rule and from the phrase bank: no praise, people, prices or years. What you take is a draft until you confirm it.
        </p>
      )}
    </>
  )
}

/** Paragraphs without anything set in them, which can be written anew. */
function isUnset(rich: RichText): boolean {
  return rich.every(({ type, runs }) => type === 'p' && runs.every((run) => 'text' in run && !run.strong && !run.em && !run.to))
}

function Ease({ text, language }: { readonly text: string; readonly language: string }) {
  const ease = readingEase(text, language)
  if (!ease) return null
  return (
    <p>
      <span className="font-semibold">{ease.said} to read</span>{' '}
      <span className="font-mono text-xs text-soft">
        {ease.formula} {Math.round(ease.score)}, {count(ease.words, 'word')}, {count(ease.sentences, 'sentence')}, the longest of{' '}
        {ease.longest}
      </span>
    </p>
  )
}

type SuggestedProps = { readonly suggestion: Suggestion; readonly before: string; readonly onTake: () => void }

/** Other words beside what they would change: what goes is struck through, what comes is marked. */
function Suggested({ suggestion: { change, text }, before, onTake }: SuggestedProps) {
  return (
    <li className="grid grid-cols-[6rem_minmax(0,1fr)_auto] items-start gap-3 border-t border-seam py-2">
      <span className="font-semibold">{SAID[change]}</span>
      <p className="whitespace-pre-line break-words" dir="auto">
        {compareWords(change === 'first' ? '' : before, text).map(({ type, words }, i) =>
          type === 'same' ? (
            <span key={i}>{words}</span>
          ) : type === 'gone' ? (
            <del key={i} className="text-thread">
              {words}
            </del>
          ) : (
            <ins key={i} className="bg-tape no-underline">
              {words}
            </ins>
          ),
        )}
      </p>
      <Button className="px-2! py-0.5!" aria-label={`Take it: ${text}`} onClick={onTake}>
        Take
      </Button>
    </li>
  )
}
