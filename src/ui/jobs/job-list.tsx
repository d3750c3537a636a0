'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect } from 'react'
import { buttonClass } from '../parts/button'
import { CopyButton } from '../parts/copy-button'
import { ago, count, dayAndTime } from '../parts/words'

export type JobLine = {
  readonly id: string
  readonly name: string
  readonly trade: string
  /** Null where they cannot be counted now. */
  readonly leftovers: number | null
  readonly stage: string
  readonly liveUrl: string | null
  readonly lastReleaseAt: string | null
  readonly releaseNumber: number | null
  readonly editsSince: number | null
  /** Why the job cannot be worked on now; null where it can. */
  readonly trouble: string | null
}

/** The clients' jobs as a table; `n` begins a new one. */
export function JobList({ jobs }: { jobs: readonly JobLine[] }) {
  const router = useRouter()
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const typing = (event.target as Element).closest('input,textarea,select,[contenteditable]')
      if (event.key === 'n' && !typing && !event.ctrlKey && !event.metaKey && !event.altKey) router.push('/new')
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [router])
  return (
    <main className="mx-auto max-w-[76rem] px-6 py-8">
      <div className="mb-6 flex items-end justify-between border-b-2 border-ink pb-3">
        <div>
          <p className="tape-ticks mb-2 inline-block px-1.5 pb-1 font-mono text-xs">Instant Fit</p>
          <h1 className="text-2xl font-bold tracking-tight">Jobs</h1>
        </div>
        <Link href="/new" className={buttonClass('main')}>
          New job <kbd className="border border-soft px-1 font-mono text-xs">n</kbd>
        </Link>
      </div>
      {jobs.length === 0 ? (
        <NoJobs />
      ) : (
        <table className="w-full border-collapse">
          <thead>
            <tr className="text-start text-sm text-soft">
              <th scope="col" className="w-56 pb-2 text-start font-medium">
                Home page
              </th>
              <th scope="col" className="pb-2 text-start font-medium">
                Client
              </th>
              <th scope="col" className="w-24 pb-2 text-start font-medium">
                Stage
              </th>
              <th scope="col" className="w-28 pb-2 text-start font-medium">
                Leftovers
              </th>
              <th scope="col" className="w-72 pb-2 text-start font-medium">
                Live address
              </th>
              <th scope="col" className="w-40 pb-2 text-start font-medium">
                Last release
              </th>
            </tr>
          </thead>
          <tbody>
            {jobs.map((job) => (
              <JobRow key={job.id} job={job} />
            ))}
          </tbody>
        </table>
      )}
    </main>
  )
}

function JobRow({ job }: { job: JobLine }) {
  return (
    <tr className="group relative border-t border-seam align-top hover:bg-cloth">
      <td className="py-3 pe-4">
        <Thumbnail job={job} />
      </td>
      <th scope="row" className="py-2.5 pe-4 text-start font-normal">
        <Link
          href={`/jobs/${job.id}/content`}
          className="text-lg font-bold leading-snug tracking-tight underline-offset-4 after:absolute after:inset-0 hover:underline"
          dir="auto"
        >
          <span className="line-clamp-2 break-words">{job.name}</span>
        </Link>
        <span className="block text-soft" dir="auto">
          {job.trade || 'trade left for later'}
        </span>
        {job.trouble && <span className="block text-sm font-medium text-thread">✕ {job.trouble}</span>}
      </th>
      <td className="py-3.5 text-sm font-semibold">{job.stage}</td>
      <td className="py-3.5 pe-4 text-sm">
        <LeftoverCount of={job.leftovers} />
      </td>
      <td className="relative z-10 py-3 pe-4 text-sm">
        {job.liveUrl ? (
          <span className="flex items-center gap-1">
            <a href={job.liveUrl} target="_blank" rel="noreferrer" className="truncate font-mono text-xs underline underline-offset-2">
              {job.liveUrl.replace('http://', '')}
            </a>
            <CopyButton text={job.liveUrl} label={`Copy the live address of ${job.name}`} />
          </span>
        ) : (
          <span className="text-soft">not live yet</span>
        )}
      </td>
      <td className="py-3.5 text-sm">
        {job.lastReleaseAt ? (
          <time dateTime={job.lastReleaseAt} title={dayAndTime(job.lastReleaseAt)} suppressHydrationWarning>
            No. {job.releaseNumber}, {ago(job.lastReleaseAt)}
          </time>
        ) : (
          <span className="text-soft">none</span>
        )}
        {(job.editsSince ?? 0) > 0 && <span className="block text-soft">{count(job.editsSince ?? 0, 'edit')} since</span>}
      </td>
    </tr>
  )
}

function LeftoverCount({ of }: { of: number | null }) {
  if (of === null) return <span className="text-soft">not known</span>
  if (of === 0) return <span className="font-semibold text-done">none left ✓</span>
  return <span className="stitch-under inline-block pb-0.5 font-mono font-medium text-thread">{of}</span>
}

/** The job's real home page, drawn small. */
function Thumbnail({ job }: { job: JobLine }) {
  return (
    <div className="relative h-32 w-52 overflow-hidden border border-seam bg-white" aria-hidden>
      {job.trouble !== null && <p className="grid h-full place-items-center bg-table text-sm text-soft">cannot be drawn now</p>}
      {job.trouble === null && (
        <iframe
          src={`/home-sheet/${job.id}`}
          tabIndex={-1}
          title={`Home page of ${job.name}`}
          loading="lazy"
          className="pointer-events-none absolute left-0 top-0 h-[788px] w-[1280px] origin-top-left border-0"
          style={{ transform: 'scale(0.1625)' }}
        />
      )}
    </div>
  )
}

function NoJobs() {
  return (
    <div className="border border-dashed border-seam bg-cloth p-10 text-center">
      <p className="text-lg font-semibold">No jobs yet.</p>
      <p className="mb-4 text-soft">A client’s name is enough to begin; their home page appears while you type it.</p>
      <Link href="/new" className={buttonClass('main')}>
        Make the first job
      </Link>
    </div>
  )
}
