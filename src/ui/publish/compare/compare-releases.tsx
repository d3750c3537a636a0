'use client'
import Link from 'next/link'
import { useEffect, useMemo, useRef, useState } from 'react'
import { compareSites, type PageCompared } from '@/core/compare'
import type { Site } from '@/core/fill'
import type { SiteDocument } from '@/core/site'
import { useSite } from '../../job/use-site'
import { useVersion } from '../../job/use-version'
import { buttonClass } from '../../parts/button'
import { Fault } from '../../parts/fault'
import { count, dayAndTime } from '../../parts/words'
import type { ReleaseLine } from '../release-line'
import { PagesSide } from './pages-side'
import { PlacesList } from './places-list'

type Props = {
  readonly job: string
  readonly destination: string
  readonly releases: readonly ReleaseLine[]
  /** The release that it begins with. */
  readonly first: string
}
const NOW = 'now'

/** Two releases, or one and the site as it is now, set against each other: page by page, in words, pictures and boxes. */
export function CompareReleases({ job, destination, releases, first }: Props) {
  const site = useSite()
  const [before, setBefore] = useState(releases.find(({ id }) => id === first)?.id ?? releases[0]?.id ?? NOW)
  const [after, setAfter] = useState<string>(NOW)
  const documents = useDocuments(job, [before, after])
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => head.current?.focus(), [])
  const { was, now, fault } = documents
  return (
    <main className="relative flex min-h-0 flex-1 flex-col overflow-y-auto px-8 py-6">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 ref={head} tabIndex={-1} className="text-xl font-bold tracking-tight outline-none">
          What differs
        </h1>
        <StateChoice label="From" value={before} releases={releases} onChoose={setBefore} />
        <StateChoice label="To" value={after} releases={releases} onChoose={setAfter} />
        <Link href={`/jobs/${job}/publish?to=${destination}`} className={`${buttonClass('plain')} ms-auto`}>
          Back to Publish
        </Link>
      </div>
      <Fault words={fault} />
      {!fault && (!was || (after !== NOW && !now)) && (
        <p role="status" className="mt-4 text-soft">
          Fetching them…
        </p>
      )}
      {was && (after === NOW || now) && <Compared was={{ ...site, document: was }} now={now ? { ...site, document: now } : site} />}
    </main>
  )
}

function StateChoice(props: { label: string; value: string; releases: readonly ReleaseLine[]; onChoose: (id: string) => void }) {
  return (
    <label className="flex items-center gap-2 text-sm font-semibold">
      {props.label}
      <select
        className="rounded-sm border border-seam bg-white px-2 py-1 font-normal"
        value={props.value}
        onChange={(event) => props.onChoose(event.target.value)}
      >
        <option value={NOW}>The site as it is now</option>
        {props.releases.map(({ id, number, at, live }) => (
          <option key={id} value={id}>
            No. {number}, {dayAndTime(at)}
            {live ? ', live' : ''}
          </option>
        ))}
      </select>
    </label>
  )
}

type Documents = { readonly was: SiteDocument | null; readonly now: SiteDocument | null; readonly fault: string | null }

/** The documents of two states; the site as it is now is at hand and needs no fetching. */
function useDocuments(job: string, [before, after]: readonly [string, string]): Documents {
  const present = useSite().document
  const [from, to] = [useVersion(job, before === NOW ? null : before, FETCHED), useVersion(job, after === NOW ? null : after, FETCHED)]
  const was = before === NOW ? present : (from.version?.document ?? null)
  return { was, now: after === NOW ? null : (to.version?.document ?? null), fault: from.fault ?? to.fault }
}
const FETCHED = { otherwise: 'It could not be fetched. Try again.' }

function Compared({ was, now }: { readonly was: Site; readonly now: Site }) {
  const { pages, shared, isDressedAnew } = useMemo(() => compareSites(was, now), [was, now])
  const open = pages.filter(({ state }) => state !== 'same')
  const [asked, setAsked] = useState<string | null>(null)
  const page = pages.find((one) => one.page === asked) ?? open[0] ?? pages[0]
  return (
    <>
      <p role="status" className="mt-3 text-soft">
        {saidOf(open, pages.length, shared.length, isDressedAnew)}
      </p>
      <div className="mt-4 grid grid-cols-[13rem_minmax(0,1fr)] gap-6">
        <nav aria-label="Pages">
          <ul>
            {pages.map((one) => (
              <li key={one.page}>
                <button
                  type="button"
                  aria-current={one.page === page?.page ? 'true' : undefined}
                  className={
                    'flex min-h-8 w-full items-baseline justify-between gap-2 border-b border-seam px-2 py-1.5 text-start text-sm ' +
                    `${one.page === page?.page ? 'bg-cloth shadow-[inset_3px_0_0_var(--color-tape)]' : 'hover:bg-cloth'}`
                  }
                  onClick={() => setAsked(one.page)}
                >
                  <span className="min-w-0 truncate font-semibold" dir="auto">
                    {one.name}
                  </span>
                  <span className={`shrink-0 text-xs ${one.state === 'same' ? 'text-soft' : 'font-semibold text-thread'}`}>
                    {stateSaid(one)}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </nav>
        {page && (
          <div className="min-w-0">
            <PagesSide was={was} now={now} compared={page} />
            <PlacesList heading={`On ${page.name}`} places={page.places} />
            <PlacesList heading="On every page" places={shared} />
          </div>
        )}
      </div>
    </>
  )
}

function stateSaid({ state, places }: PageCompared): string {
  switch (state) {
    case 'same':
      return 'the same'
    case 'new':
      return 'new'
    case 'gone':
      return 'gone'
    case 'changed':
      return places.length > 0 ? count(places.length, 'place') : 'looks'
    default:
      return state satisfies never
  }
}

/** Files can differ all the same: how lines are held and where the menu folds is measured in the browser. */
const SAME = 'Both versions show the same pages. Files that change all the same do so for how lines break and where the menu folds.'

function saidOf(open: readonly PageCompared[], all: number, shared: number, isDressedAnew: boolean): string {
  if (open.length === 0 && shared === 0 && !isDressedAnew) return SAME
  const pages =
    open.length === 0 ? 'No page differs by itself' : `${open.length} of ${count(all, 'page')} ${open.length === 1 ? 'differs' : 'differ'}`
  const facts = shared > 0 ? `, and ${count(shared, 'place')} that every page shows` : ''
  return `${pages}${facts}.${isDressedAnew ? ' Colours, type or finish are others.' : ''}`
}
