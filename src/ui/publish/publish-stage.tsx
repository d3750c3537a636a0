'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState, type ReactNode, type Ref } from 'react'
import { countLeftovers } from '@/core/fill'
import { MAX_NOTE } from '@/core/release'
import { factsOf, findFactFault } from '@/core/site'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { CopyButton } from '../parts/copy-button'
import { Fold } from '../parts/fold'
import { count } from '../parts/words'
import { AddressChooser } from './address-chooser'
import { CompareReleases } from './compare/compare-releases'
import { DestinationForm } from './destination-form'
import type { DestinationLine } from './destination-line'
import { DestinationList } from './destination-list'
import { PublishChoice } from './publish-choice'
import { OwnDomain } from './domain/own-domain'
import type { DomainView } from '@/core/domain'
import { Handover } from './handover'
import { Notices } from './notices'
import { OthersFiles } from './others-files'
import { OwnDestination } from './own-destination'
import { Schedule, ScheduledList, type ScheduledLine } from './scheduled'
import { PlanView } from './plan-view'
import type { ReleaseLine } from './release-line'
import { ReleaseList } from './release-list'
import { ProgressTape } from './progress-tape'
import { ShareAddress } from './share-address'
import { SizeChart } from './size-chart'
import { useAlone } from './use-alone'
import { usePublishing } from './use-publishing'
import { Visits } from './visits'
import { VisitorsLook } from './visitors-look'

type Props = {
  readonly destinations: readonly DestinationLine[]
  /** The one that is looked at. */
  readonly destination: DestinationLine
  /** A new one is about to be added, or the one that is looked at is about to be changed. */
  readonly form: 'new' | 'change' | null
  /** The release that is set against another state, if that is looked at. */
  readonly compared: string | null
  readonly address: string | null
  readonly domain: DomainView | null
  readonly proposal: string
  readonly hostSuffix: string
  readonly releases: readonly ReleaseLine[]
  readonly scheduled: readonly ScheduledLine[]
  /** An old address whose visitors are not sent on yet. */
  readonly notSentOn: string | null
}

/** From the job to where visitors find it: where it goes, what will change, publish, and back to an earlier release. */
export function PublishStage({ form, compared, ...props }: Props) {
  const job = useJob((s) => s.id)
  const { destinations, destination } = props
  const list = <DestinationList job={job} lines={destinations} shown={form === 'new' ? 'new' : destination.id} />
  const line = form === 'change' && destination.settings ? destination : null
  const seen = props.releases.filter(({ files }) => files > 0)
  if (compared !== null && seen.length > 0)
    return <CompareReleases key={destination.id} job={job} destination={destination.id} releases={seen} first={compared} />
  if (form !== 'new' && !line) return <Publishing key={destination.id} {...props} list={list} />
  return (
    <DestinationForm key={line?.id ?? 'new'} job={job} line={line}>
      <h1 className="mb-4 text-xl font-bold tracking-tight">Publish</h1>
      {list}
    </DestinationForm>
  )
}

type PublishingProps = Omit<Props, 'form' | 'compared' | 'destinations'> & { readonly list: ReactNode }

/** One destination: its plan, its releases, and what is live there. */
function Publishing({ destination, list, address, domain, proposal, hostSuffix, releases, scheduled, notSentOn }: PublishingProps) {
  const router = useRouter()
  const job = useJob((s) => s.id)
  const saved = useJob((s) => s.saveState === 'saved')
  const seen = releases.filter(({ files }) => files > 0)
  const liveRelease = releases.find(({ live: isLive }) => isLive)
  const chosen = useAlone(liveRelease && liveRelease.files > 0 ? liveRelease.id : null)
  const publishing = usePublishing(destination, address, chosen.alone)
  const { plan: made, progress, stopped, done, busy, prepare, publish, putBack, takeOff, stop } = publishing
  const fault = chosen.fault ?? publishing.fault
  const plan = made?.plan ?? null
  const [note, setNote] = useState('')
  // What was noted belongs to the release that went live with it; what is typed meanwhile stays.
  const send = (): void => void publish(note).then((isDone) => isDone && setNote((now) => (now === note ? '' : now)))
  const live = useRef<HTMLAnchorElement>(null)
  const changes = useRef<HTMLHeadingElement>(null)
  const { liveUrl } = destination
  const onAddress = (): void => {
    changes.current?.focus()
    router.refresh()
  }
  // The button that was pressed has nothing more to do: the site itself is what is looked at next.
  useEffect(() => {
    if (done) live.current?.focus()
  }, [done, liveUrl])
  const nothing = plan ? plan.added.length + plan.changed.length + plan.removed.length === 0 : false
  return (
    <main className={`grid min-h-0 flex-1 overflow-hidden ${STEPS}`}>
      <h1 className="sr-only">Publish</h1>
      <section aria-labelledby="where" className={STEP}>
        <StepHead id="where" nth={1}>
          Where it goes
        </StepHead>
        {list}
        {destination.kind !== 'web-host' ? (
          <OwnDestination job={job} line={destination} />
        ) : (
          <>
            <AddressChooser
              key={address ?? ''}
              job={job}
              address={address}
              isDomain={address !== null && address === domain?.name}
              proposal={proposal}
              hostSuffix={hostSuffix}
              onChosen={onAddress}
            />
            <OwnDomain job={job} domain={domain} onMoved={onAddress} />
          </>
        )}
      </section>
      <section aria-labelledby="changes" className={`${STEP} border-s border-seam bg-cloth`}>
        <StepHead id="changes" nth={2} heading={changes}>
          What will change
        </StepHead>
        <PublishChoice chosen={chosen} disabled={progress !== null} />
        {address === null ? (
          <p className="text-soft">Choose an address, check what will change, then publish. Visitors see nothing before that.</p>
        ) : progress ? (
          <>
            <ProgressTape progress={progress} />
            {stop && (
              <Button className="mt-2" onClick={stop}>
                Stop
              </Button>
            )}
          </>
        ) : plan ? (
          <>
            <PlanView plan={plan} isUnedited={chosen.isUnedited} />
            {liveRelease && !nothing && (
              <p className="mt-2 text-sm">
                <Link href={`/jobs/${job}/publish?to=${destination.id}&compare=${liveRelease.id}`} className="underline underline-offset-2">
                  See what differs from No. {liveRelease.number}, page by page
                </Link>
              </p>
            )}
          </>
        ) : (
          !fault && (
            <p className="text-soft" role="status">
              {saved ? 'Making the files…' : 'Waiting until everything is saved…'}
            </p>
          )
        )}
        {made && !progress && (
          <OthersFiles job={job} destination={destination} foreign={made.foreign} inTheWay={made.inTheWay} onAdopted={prepare} />
        )}
        {stopped && (
          <p role="status" className="mt-3 font-medium">
            {stopped}
          </p>
        )}
        {fault && (
          <div className="mt-3 border border-dashed border-thread bg-cloth p-3" role="alert">
            <p className="font-medium text-thread">✕ {fault}</p>
            <Button className="mt-2" onClick={prepare}>
              Try again
            </Button>
          </div>
        )}
        <OpenPoints />
        {address !== null && (
          <div className="mt-4">
            <label className="mb-3 grid gap-1 text-sm">
              <span className="font-semibold">Note</span>
              <input
                data-own-undo
                className={inputClass}
                maxLength={MAX_NOTE}
                dir="auto"
                placeholder="What is new; visitors never see it"
                value={note}
                onChange={(event) => setNote(event.target.value)}
              />
            </label>
            <div className="flex flex-wrap items-center gap-3">
              <PublishButton disabled={!made || nothing || busy || !saved || made.inTheWay.length > 0} onPublish={send} />
              <Schedule
                job={job}
                destination={destination.id}
                revision={made && !busy && saved ? made.revision : null}
                page={made?.page ?? null}
                note={note}
                onScheduled={() => setNote('')}
              />
              {done && (
                <p className="font-semibold text-done" role="status">
                  ✓ {done}
                </p>
              )}
            </div>
          </div>
        )}
        <ScheduledList job={job} scheduled={scheduled} />
      </section>
      <aside aria-labelledby="releases" className={`${STEP} border-s border-seam`}>
        <StepHead id="releases" nth={3}>
          Releases
        </StepHead>
        {liveUrl && (
          <div className="mb-4 text-sm">
            <p className="text-soft">{destination.isSeenAtOnce ? 'Live at' : 'To be put up at'}</p>
            <p className="flex items-center gap-1">
              <a
                ref={live}
                href={liveUrl}
                target="_blank"
                rel="noreferrer"
                className="min-w-0 break-all font-mono font-medium underline underline-offset-4"
              >
                {liveUrl}
              </a>
              <CopyButton text={liveUrl} label="Copy the live address of this site" />
              <ShareAddress url={liveUrl} />
            </p>
            <VisitorsLook job={job} destination={destination.id} after={destination.isSeenAtOnce ? done : null} />
          </div>
        )}
        {notSentOn && (
          <p className="mb-4 text-sm" role="status">
            Visitors of <span className="font-mono">{notSentOn}</span> are not sent on yet: the host did not take it. It is tried again by
            itself.
          </p>
        )}
        <ReleaseList
          job={job}
          destination={destination.id}
          isSeenAtOnce={destination.isSeenAtOnce}
          releases={releases}
          address={address}
          liveUrl={liveUrl}
          busy={busy}
          onPutBack={putBack}
          onTakeOff={takeOff}
        />
        {seen.length > 1 && (
          <Fold title="Size of each release">
            <SizeChart releases={seen} />
          </Fold>
        )}
        {liveUrl && destination.kind === 'web-host' && (
          <Fold title="Visits">
            <Visits job={job} />
          </Fold>
        )}
        {liveUrl && destination.isSeenAtOnce && <Notices job={job} destination={destination.id} after={done} />}
        <Fold title="Handover">
          <Handover job={job} isLive={liveUrl !== null} />
        </Fold>
      </aside>
    </main>
  )
}

/** Where it goes, what will change, and what went live, from left to right as the work goes. */
const STEPS = 'grid-cols-[clamp(18rem,30vw,28rem)_minmax(0,1fr)_clamp(17rem,25vw,22rem)]'
const STEP = 'relative min-h-0 min-w-0 overflow-y-auto px-5 py-5'

type StepProps = { readonly id: string; readonly nth: number; readonly heading?: Ref<HTMLHeadingElement>; readonly children: string }

function StepHead({ id, nth, heading, children }: StepProps) {
  return (
    <h2 className="mb-4 flex items-baseline gap-2 text-lg font-bold tracking-tight" id={id} ref={heading} tabIndex={-1}>
      <span aria-hidden className="bg-tape px-1.5 font-mono text-sm font-medium">
        {nth}
      </span>
      {children}
    </h2>
  )
}

function PublishButton({ disabled, onPublish }: { disabled: boolean; onPublish: () => void }) {
  const left = useJob((s) => countLeftovers(s.pack, s.document).total)
  return (
    <Button look="main" disabled={disabled} onClick={onPublish} className="px-5 py-2.5 text-base">
      {left > 0 ? `Publish with ${count(left, 'leftover')}` : 'Publish'}
    </Button>
  )
}

/** What a client would find before the designer did. */
function OpenPoints() {
  const job = useJob((s) => s.id)
  const left = useJob((s) => countLeftovers(s.pack, s.document).total)
  const facts = useJob((s) => factsOf(s.document))
  const faults = (['phone', 'email'] as const).map((name) => findFactFault(name, facts[name] ?? '')).filter((f) => f !== null)
  if (left === 0 && faults.length === 0) return null
  return (
    <ul className="mt-4 grid gap-1 text-sm">
      {left > 0 && (
        <li className="stitch-start ps-3">
          <span className="font-semibold text-thread">{count(left, 'place')}</span> still {left === 1 ? 'shows' : 'show'} the template’s
          words or pictures.{' '}
          <Link href={`/jobs/${job}/content`} className="underline underline-offset-2">
            Go to them
          </Link>
        </li>
      )}
      {faults.map((f) => (
        <li key={f} className="stitch-start ps-3">
          {f}{' '}
          <Link href={`/jobs/${job}/brief`} className="underline underline-offset-2">
            Correct it
          </Link>
        </li>
      ))}
    </ul>
  )
}
