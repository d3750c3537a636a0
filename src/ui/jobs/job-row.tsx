'use client'
import { Ellipsis } from 'lucide-react'
import Link from 'next/link'
import { DropdownMenu } from 'radix-ui'
import { useRef, useState, type RefObject } from 'react'
import type { JobLine } from '@/core/replies'
import { Button } from '../parts/button'
import { CopyButton } from '../parts/copy-button'
import { ago, count, dayAndTime } from '../parts/words'
import { daysLeft } from './job-line'
import type { Shelving } from './use-shelving'

type RowProps = {
  readonly job: JobLine
  readonly shelving: Shelving
  readonly binDays: number
  readonly now: string
  readonly mayMake: boolean
}

export function JobRow({ job, shelving, binDays, now, mayMake }: RowProps) {
  const [asking, setAsking] = useState(false)
  const menu = useRef<HTMLButtonElement>(null)
  const keep = (): void => {
    setAsking(false)
    menu.current?.focus()
  }
  const inBin = job.shelf === 'bin'
  return (
    <tr
      id={`job-${job.id}`}
      aria-busy={shelving.busy === job.id}
      className="group relative border-t border-seam align-top hover:bg-cloth aria-busy:opacity-60"
    >
      <td className="py-3 pe-4">
        <Thumbnail job={job} />
      </td>
      <th scope="row" className="py-2.5 pe-4 text-start font-normal">
        <Name job={job} />
        <span className="block text-soft" dir="auto">
          {job.trade || 'trade not set'}
        </span>
        {job.copiedAt && (
          <span className="block text-sm text-soft" suppressHydrationWarning>
            copied {dayAndTime(job.copiedAt)}
          </span>
        )}
        {inBin && job.shelvedAt && (
          <span className="block text-sm text-soft">
            {job.liveUrl ? 'kept while its site is live' : `${count(daysLeft(job.shelvedAt, new Date(now), binDays), 'day')} left`}
          </span>
        )}
        {inBin && mayMake && (
          <Button className="relative z-10 mt-1.5" onClick={() => shelving.shelve(job, 'work')} aria-label={`Restore ${job.name}`}>
            Restore
          </Button>
        )}
        {job.trouble && <span className="block text-sm font-medium text-thread">✕ {job.trouble}</span>}
        {asking && <SureOfDeleting name={job.name} onDelete={() => (setAsking(false), shelving.deleteForGood(job))} onKeep={keep} />}
      </th>
      <td className="py-3.5 text-sm font-semibold">{job.stage}</td>
      <td className="py-3.5 pe-4 text-sm">
        <LeftoverCount of={job.leftovers} />
      </td>
      <td className="relative z-10 py-3 pe-4 text-sm">
        <LiveSite job={job} />
      </td>
      <td className="py-3.5 text-sm text-soft">
        <time dateTime={job.workedAt} title={dayAndTime(job.workedAt)} suppressHydrationWarning>
          {ago(job.workedAt)}
        </time>
      </td>
      <td className="relative z-10 py-2.5">
        {mayMake && <JobMenu job={job} shelving={shelving} button={menu} onAsk={() => setAsking(true)} />}
      </td>
    </tr>
  )
}

/** A job is opened by its name; one in the bin is put back first. */
function Name({ job }: { job: JobLine }) {
  const look = 'block text-lg font-bold leading-snug tracking-tight text-start'
  const name = <span className="line-clamp-2 break-words">{job.name}</span>
  if (job.shelf === 'bin')
    return (
      <span className={look} dir="auto">
        {name}
      </span>
    )
  return (
    <Link href={`/jobs/${job.id}/content`} className={`${look} underline-offset-4 after:absolute after:inset-0 hover:underline`} dir="auto">
      {name}
    </Link>
  )
}

type MenuProps = {
  readonly job: JobLine
  readonly shelving: Shelving
  readonly button: RefObject<HTMLButtonElement | null>
  readonly onAsk: () => void
}

function JobMenu({ job, shelving, button, onAsk }: MenuProps) {
  const item = 'block cursor-pointer px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-tape'
  const { shelf } = job
  const asks = useRef(false)
  /** Asked once the menu is closed and has let go of the focus: the question takes it. */
  const ask = (event: Event): void => {
    if (!asks.current) return
    event.preventDefault()
    asks.current = false
    onAsk()
  }
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        ref={button}
        aria-label={`More for ${job.name}`}
        title="More"
        className="rounded-sm border border-clear p-1.5 hover:border-seam hover:bg-table data-[state=open]:border-ink"
      >
        <Ellipsis size={16} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} onCloseAutoFocus={ask} className="z-30 min-w-44 border border-ink bg-cloth py-1">
          {shelf !== 'bin' && (
            <DropdownMenu.Item className={item} disabled={job.trouble !== null} onSelect={() => shelving.copy(job)}>
              Duplicate
            </DropdownMenu.Item>
          )}
          {shelf === 'work' && (
            <DropdownMenu.Item className={item} onSelect={() => shelving.shelve(job, 'archive')}>
              Archive
            </DropdownMenu.Item>
          )}
          {shelf !== 'work' && (
            <DropdownMenu.Item className={item} onSelect={() => shelving.shelve(job, 'work')}>
              Restore
            </DropdownMenu.Item>
          )}
          {shelf !== 'bin' ? (
            <DropdownMenu.Item className={item} onSelect={() => shelving.shelve(job, 'bin')}>
              Move to the bin
            </DropdownMenu.Item>
          ) : (
            <DropdownMenu.Item className={`${item} text-thread`} onSelect={() => void (asks.current = true)}>
              Delete for good…
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function SureOfDeleting({ name, onDelete, onKeep }: { name: string; onDelete: () => void; onKeep: () => void }) {
  return (
    <div
      role="alertdialog"
      aria-label={`Delete ${name} for good?`}
      onKeyDown={(event) => event.key === 'Escape' && onKeep()}
      className="relative z-10 mt-2 border border-thread bg-cloth p-3 text-sm"
    >
      <p className="mb-2">Its words, pictures, history and releases are deleted. This cannot be undone.</p>
      <div className="flex gap-2">
        <Button autoFocus onClick={onKeep}>
          Cancel
        </Button>
        <Button className="text-thread" onClick={onDelete}>
          Delete for good
        </Button>
      </div>
    </div>
  )
}

function LiveSite({ job }: { job: JobLine }) {
  if (!job.liveUrl) return <span className="text-soft">not live yet</span>
  return (
    <>
      <span className="flex items-center gap-1">
        <a
          href={job.liveUrl}
          target="_blank"
          rel="noreferrer"
          className="max-w-56 truncate font-mono text-xs leading-6 underline underline-offset-2"
          title={job.liveUrl}
        >
          {job.liveUrl.replace('http://', '')}
        </a>
        <CopyButton text={job.liveUrl} label={`Copy the live address of ${job.name}`} />
      </span>
      {job.lastReleaseAt && (
        <time dateTime={job.lastReleaseAt} title={dayAndTime(job.lastReleaseAt)} className="block" suppressHydrationWarning>
          No. {job.releaseNumber}, {ago(job.lastReleaseAt)}
        </time>
      )}
      {(job.editsSince ?? 0) > 0 && <span className="block text-soft">{count(job.editsSince ?? 0, 'edit')} since</span>}
    </>
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
