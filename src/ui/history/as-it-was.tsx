'use client'
import { useEffect, useMemo, useRef, useState } from 'react'
import { pageTexts } from '@/core/fill'
import { describePlace } from '@/core/ledger'
import { MAX_VERSION_NAME, namedVersionsSchema, type NamedVersion } from '@/core/replies'
import { restorePage, restoreSite, restorablePlaces, type PlaceRestored } from '@/core/plan'
import { findPage, homePage, pagesOf, placeKey, toEdit, wordsOfEdit, type Edit, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useHere } from '../job/person'
import { useSite } from '../job/use-site'
import { useVersion } from '../job/use-version'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { inputClass } from '../parts/field'
import { notice, refusal } from '../parts/notice'
import { count, dayAndTime } from '../parts/words'
import { askJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { TryOn } from '../sheets/try-on'

type Props = {
  readonly revision: number
  readonly at: string
  /** What this state is called; null where it has no name. */
  readonly point: string | null
  readonly onVersions: (versions: readonly NamedVersion[]) => void
  readonly onClose: () => void
}

const [WIDTH, HEIGHT] = [460, 330]
/** The most places that are listed; more are counted. */
const MOST_LISTED = 60

/** The site as it was, page by page, beside what says something else now; all of it, a page or one place is brought back. */
export function AsItWas({ revision, at, point, onVersions, onClose }: Props) {
  const job = useJob((s) => s.id)
  const { version, fault } = useVersion(job, revision, { otherwise: 'It could not be fetched. Try again.' })
  const past = version?.document ?? null
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => head.current?.focus(), [])
  return (
    <aside
      aria-labelledby="as-it-was"
      className="flex w-[31rem] shrink-0 flex-col gap-3 overflow-y-auto border-s border-ink bg-cloth px-4 py-5"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose()
      }}
    >
      <div className="flex items-baseline justify-between gap-3">
        <h2 id="as-it-was" ref={head} tabIndex={-1} className="text-lg font-bold tracking-tight outline-none">
          As it was
          <span className="block font-mono text-xs font-normal text-soft" suppressHydrationWarning>
            {dayAndTime(at)}, revision {revision}
          </span>
        </h2>
        <Button onClick={onClose}>Close</Button>
      </div>
      <PointName revision={revision} point={point} onVersions={onVersions} />
      <Fault words={fault} className="text-sm" />
      {!past && !fault && (
        <p role="status" className="text-soft">
          Fetching it…
        </p>
      )}
      {past && <PastSite past={past} at={at} />}
    </aside>
  )
}

/** A name for the state, so that it is found again. */
function PointName({ revision, point, onVersions }: Pick<Props, 'revision' | 'point' | 'onVersions'>) {
  const store = useJobStore()
  const { may } = useHere()
  const [name, setName] = useState(point ?? '')
  const field = useRef<HTMLInputElement>(null)
  const { run } = useMutation({ otherwise: 'The name could not be kept. Try again.', onFault: refusal })
  if (may !== 'edit') return point && <p className="font-semibold">{point}</p>
  const keep = (wanted: string | null): Promise<boolean> =>
    run(async () => {
      const at = `/api/jobs/${store.getState().id}/versions`
      const { versions } = await askJson(at, { revision, name: wanted }, namedVersionsSchema, 'PUT')
      onVersions(versions)
      if (wanted === null) setName('')
      field.current?.focus()
    })
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (name.trim() !== '') void keep(name.trim())
      }}
    >
      <input
        ref={field}
        aria-label="Name of this point"
        placeholder="Name this point: before the call, agreed…"
        className={inputClass}
        value={name}
        maxLength={MAX_VERSION_NAME}
        dir="auto"
        data-own-undo
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" disabled={name.trim() === '' || name.trim() === point}>
        Name it
      </Button>
      {point !== null && <Button onClick={() => void keep(null)}>Remove name</Button>}
    </form>
  )
}

function PastSite({ past, at }: { readonly past: SiteDocument; readonly at: string }) {
  const store = useJobStore()
  const site = useSite()
  const { may } = useHere()
  const { document, pack } = site
  const [asked, setAsked] = useState(homePage(past).id)
  const page = findPage(past, asked) ?? homePage(past)
  const back = useMemo(() => restorablePlaces(document, past), [document, past])
  const whole = useMemo(() => restoreSite(document, past), [document, past])
  const only = useMemo(() => restorePage(document, past, page.id), [document, past, page.id])
  const name = pageTexts(pack, past, page).name
  const bring = (edit: Edit | null, what: string): void => {
    const gesture = edit && store.apply(edit)
    if (gesture) notice(`${what} is as it was on ${dayAndTime(at)}.`, 'Undo', () => void store.undo(gesture))
  }
  return (
    <>
      <div className="flex items-center gap-2 text-sm font-semibold">
        <span aria-hidden>Page</span>
        <select
          aria-label="Page"
          className="min-w-0 flex-1 rounded-sm border border-seam bg-white px-2 py-1 font-normal"
          value={page.id}
          onChange={(event) => setAsked(event.target.value as typeof asked)}
        >
          {pagesOf(past).map((one) => (
            <option key={one.id} value={one.id}>
              {pageTexts(pack, past, one).name}
            </option>
          ))}
        </select>
      </div>
      <TryOn site={{ ...site, document: past }} page={page} layout={1280} width={WIDTH} height={HEIGHT} label={`${name}, as it was`} />
      {may === 'edit' && (
        <div className="flex flex-wrap gap-2">
          <Button disabled={!only} onClick={() => bring(only, name)}>
            Bring {name} back
          </Button>
          <Button disabled={!whole} onClick={() => bring(whole, 'The whole site')}>
            Bring the whole site back
          </Button>
        </div>
      )}
      <p role="status" className="text-sm text-soft">
        {!whole
          ? 'The site is just so now.'
          : back.length === 0
            ? 'No place says anything else now.'
            : `${count(back.length, 'place')} ${back.length === 1 ? 'says' : 'say'} something else now.`}
      </p>
      {back.length > 0 && (
        <ul aria-label="What says something else now" className="text-sm">
          {back.slice(0, MOST_LISTED).map((one) => (
            <BackRow
              key={placeKey(one.place) + one.step.type}
              back={one}
              said={describePlace(pack, document, one.place)}
              onBring={may === 'edit' ? () => bring(toEdit([one.step]), describePlace(pack, document, one.place)) : null}
            />
          ))}
          {back.length > MOST_LISTED && <li className="py-1 text-soft">and {back.length - MOST_LISTED} more</li>}
        </ul>
      )}
    </>
  )
}

function BackRow({ back, said, onBring }: { readonly back: PlaceRestored; readonly said: string; readonly onBring: (() => void) | null }) {
  const words = wordsOfEdit(back.step).join(' ')
  return (
    <li className="flex items-baseline justify-between gap-3 border-t border-seam py-1.5">
      <span className="min-w-0">
        <span className="font-semibold">{said}</span>
        <span className="line-clamp-2 text-soft" dir="auto">
          {words === '' ? 'stood empty, or showed the template’s' : words}
        </span>
      </span>
      {onBring && (
        <Button className="px-2! py-0.5!" aria-label={`Bring back ${said}`} onClick={onBring}>
          Bring back
        </Button>
      )}
    </li>
  )
}
