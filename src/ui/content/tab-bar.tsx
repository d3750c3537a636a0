'use client'
import { own } from '@/core/own'
import { countLeftovers, NOT_FOUND } from '@/core/fill'
import type { Tab } from '@/core/ledger'
import type { PageId } from '@/core/site'
import { memo, useEffect, useRef } from 'react'
import { useKeyWords } from '../keys/use-key'
import { useJob } from '../job/job-context'
import { usePages } from '../job/use-pages'
import { count } from '../parts/words'
import type { LineFit } from '../sheets/widths'
import { countLong } from './use-all-lines'

type BarProps = {
  readonly tab: Tab
  /** How many words are nearly leftovers. */
  readonly near: number
  /** The lines of every page's texts, as far as they have been read. */
  readonly lines: ReadonlyMap<PageId, ReadonlyMap<string, LineFit>>
  readonly onTab: (tab: Tab) => void
  /** Shows them. */
  readonly onNear: () => void
}

/** The pages, and what they all share; each with its leftovers. Typing draws a tab again only where its count changes. */
export function TabBar({ tab, near, lines, onTab, onNear }: BarProps) {
  const keyWords = useKeyWords()
  const pages = usePages()
  const bar = useRef<HTMLDivElement>(null)
  // With many pages the open one may lie beyond the edge.
  useEffect(() => {
    bar.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [tab])
  const { byPage, everyPage, total } = useJob((s) => countLeftovers(s.pack, s.document))
  return (
    <nav aria-label="Pages" className="flex shrink-0 items-end border-b border-ink px-4">
      <div className="-mb-px flex min-w-0 flex-1 items-end gap-0.5 overflow-x-auto [scrollbar-width:none]" ref={bar}>
        {pages.map(({ id, name }) => (
          <TabButton
            key={id}
            tab={id}
            name={name}
            open={own(byPage, id) ?? 0}
            long={countLong(lines.get(id))}
            isOpen={tab === id}
            onTab={onTab}
          />
        ))}
      </div>
      <div className="-mb-px flex shrink-0 items-end gap-0.5 border-s border-seam ps-2">
        <TabButton tab={NOT_FOUND} name="404 page" open={own(byPage, NOT_FOUND) ?? 0} isOpen={tab === NOT_FOUND} onTab={onTab} />
        <TabButton tab="shared" name="Every page" open={everyPage} isOpen={tab === 'shared'} onTab={onTab} />
        <TabButton tab="site" name="All places" open={total} isOpen={tab === 'site'} onTab={onTab} />
      </div>
      {near > 0 && (
        <div className="-mb-px flex shrink-0 border-s border-seam ps-2">
          <button
            type="button"
            data-near
            title={`Words that may not be the client’s after all (${keyWords('near')})`}
            onClick={onNear}
            className={`${TAB} border-clear hover:border-seam hover:bg-cloth`}
          >
            To check <span className="border-b-2 border-dotted border-thread font-mono text-xs font-medium text-thread">{near}</span>
          </button>
        </div>
      )}
    </nav>
  )
}

type ButtonProps = {
  readonly tab: Tab
  readonly name: string
  readonly open: number
  /** Texts that take more lines than designed. */
  readonly long?: number
  readonly isOpen: boolean
  readonly onTab: (tab: Tab) => void
}

const TAB = 'flex items-center gap-2 shrink-0 whitespace-nowrap border px-3 py-1.5 text-sm font-semibold'

const TabButton = memo(function TabButton({ tab, name, open, long = 0, isOpen, onTab }: ButtonProps) {
  const look = isOpen ? 'border-ink border-b-cloth bg-cloth' : 'border-clear hover:border-seam hover:bg-cloth'
  return (
    <button type="button" aria-current={isOpen ? 'page' : undefined} onClick={() => onTab(tab)} className={`${TAB} ${look}`}>
      <span className="max-w-40 truncate" dir="auto">
        {name}
      </span>
      {open > 0 ? (
        <span className="stitch-under pb-px font-mono text-xs font-medium text-thread">
          {open}
          <span className="sr-only"> leftovers</span>
        </span>
      ) : (
        <span className="font-mono text-xs text-done">
          ✓<span className="sr-only"> no leftovers</span>
        </span>
      )}
      {long > 0 && (
        <span className="font-mono text-xs font-medium text-thread" title={`${count(long, 'text')} longer than designed`}>
          ▲{long}
          <span className="sr-only"> longer than designed</span>
        </span>
      )}
    </button>
  )
})
