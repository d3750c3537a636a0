'use client'
import { Popover } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import type { LedgerRow, Site } from '@/core/fill'
import { entriesAt, withEntryCount, type ListAt } from '@/core/plan'
import { findPage, homePage, pageOfSection, type Page } from '@/core/site'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { MOST_TRIED, tryCounts, type CountTried } from '../sheets/try-counts'
import { TryOn } from '../sheets/try-on'
import { Panel } from '../parts/panel'

const [WIDTH, HEIGHT] = [236, 230]

/** How many entries look right in a section's design, tried out, and what it does with one and with twelve. */
export function HowMany({ row }: { readonly row: LedgerRow }) {
  const [isOpen, setOpen] = useState(false)
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button look="quiet">Best count</Button>
      </Popover.Trigger>
      <Panel side="top" align="start" sideOffset={6} aria-label="Best count in this design" className="p-3">
        <Tried at={{ section: row.stands.section, list: row.stands.slot }} />
      </Panel>
    </Popover.Root>
  )
}

function Tried({ at: { section, list } }: { readonly at: ListAt }) {
  const site = useSite()
  const at = useMemo(() => ({ section, list }), [section, list])
  const page = pageOfSection(site.document, section) ?? homePage(site.document)
  const now = entriesAt(site.pack, site.document, at).filter(({ hidden }) => !hidden).length
  const tried = useTried(site, page, at)
  const right = tried?.filter(({ short }) => short.length === 0).map(({ count }) => count)
  const shown = [...new Set([1, now, MOST_TRIED])].filter((count) => count > 0)
  return (
    <div className="flex flex-col gap-3">
      <div>
        <h3 className="font-bold">Best count in this design</h3>
        <p className="text-sm text-soft" role="status">
          {right ? saidOf(right, now) : 'It is being tried with one entry, with two, up to twelve…'}
        </p>
      </div>
      <ol className="flex gap-1" aria-label="Tried with">
        {Array.from({ length: MOST_TRIED }, (_, i) => (
          <CountCell key={i} count={i + 1} tried={tried?.[i]} isNow={i + 1 === now} />
        ))}
      </ol>
      <div className="flex gap-3">
        {shown.map((count) => (
          <figure key={count} className="m-0">
            <TryOn
              site={{ ...site, document: withEntryCount(site.pack, site.document, at, count) }}
              page={findPage(site.document, page.id) ?? page}
              layout={1280}
              width={WIDTH}
              height={HEIGHT}
              label={`With ${count}`}
              only={section}
            />
            <figcaption className="pt-1 text-sm">{count === now ? `As it is: ${count}` : `With ${count}`}</figcaption>
          </figure>
        ))}
      </div>
    </div>
  )
}

/** What was tried; null until it is known. */
function useTried(site: Site, page: Page, at: ListAt): readonly CountTried[] | null {
  const [tried, setTried] = useState<readonly CountTried[] | null>(null)
  useEffect(() => {
    let isOver = false
    void tryCounts(site, page, at, () => isOver).then((found) => {
      if (!isOver) setTried(found)
    })
    return () => void (isOver = true)
    // Tried once as it opens: the words may change meanwhile, the design does not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at])
  return tried
}

function CountCell({ count, tried, isNow }: { readonly count: number; readonly tried: CountTried | undefined; readonly isNow: boolean }) {
  const isRight = tried?.short.length === 0
  const why = tried === undefined ? 'not tried yet' : isRight ? 'looks right' : `a hole in the last row on ${tried.short.join(', ')}`
  return (
    <li
      title={`${count}: ${why}`}
      className={
        'flex h-9 w-9 flex-col items-center justify-center border font-mono text-xs ' +
        `${isRight ? 'border-ink bg-tape' : 'border-seam text-soft'} ${isNow ? 'outline-2 outline-offset-1 outline-ink' : ''}`
      }
    >
      {count}
      <span aria-hidden className="leading-none">
        {tried === undefined ? ' ' : isRight ? '✓' : '▚'}
      </span>
      <span className="sr-only">
        {why}
        {isNow && ', as it is now'}
      </span>
    </li>
  )
}

function saidOf(right: readonly number[], now: number): string {
  const said =
    right.length === MOST_TRIED ? 'Any number fills its last row.' : right.length === 0 ? 'No number fills its last row everywhere.' : ''
  if (said) return said
  return `With ${right.join(', ')} every row is full on desktop, tablet and phone. There ${now === 1 ? 'is' : 'are'} ${now} now.`
}
