'use client'
import { mayEditJobs } from '@/core/people'
import { factsOf } from '@/core/site'
import { ChevronDown, ExternalLink, Redo2, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { DropdownMenu } from 'radix-ui'
import { useEffect, type ReactNode } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { openIn, type SnagStage } from '@/core/check'
import { Help } from '../help/help'
import { Lead } from '../help/lead'
import { keyPressed } from '../keys/pressed'
import { useKeyWords } from '../keys/use-key'
import { useJob, useJobStore } from '../job/job-context'
import { useHere } from '../job/person'
import { CopyButton } from '../parts/copy-button'
import { ReturnedWords } from './returned-words'
import { Jump } from './jump'
import type { OtherJob } from './other-job'
import { SavedMark } from './saved-mark'
import { SkipLink } from './skip-link'
import { useDiffering } from './use-differing'

type Props = {
  readonly jobs: readonly OtherJob[]
  readonly liveUrl: string | null
  /** Which release visitors see; null where none. */
  readonly live: string | null
  readonly children: ReactNode
}

/** The slim bar over every stage of a job: whose it is, where the work stands, undo, whether it is saved, where it lives. */
export function Frame({ jobs, liveUrl, live, children }: Props) {
  const store = useJobStore()
  const id = useJob((s) => s.id)
  const canUndo = useJob((s) => s.canUndo)
  const canRedo = useJob((s) => s.canRedo)
  const { may } = useHere()
  const keyWords = useKeyWords()
  const stage = usePathname().split('/')[3] ?? ''
  useUndoKeys()
  useFreshWhenPublished()
  return (
    <div className="over-notice flex h-dvh flex-col">
      <SkipLink />
      <header className="flex h-12 shrink-0 items-stretch gap-4 border-b border-ink bg-cloth px-4">
        <JobSwitcher jobs={jobs} id={id} />
        <Stages id={id} live={live} />
        <div className="ms-auto flex items-center gap-1">
          <Jump jobs={jobs} />
          <Help screen={stage} />
          <BarButton label="Undo" keys={keyWords('undo')} disabled={!canUndo || may === 'read'} onClick={() => void store.undo()}>
            <Undo2 size={16} aria-hidden />
          </BarButton>
          <BarButton label="Redo" keys={keyWords('redo')} disabled={!canRedo || may === 'read'} onClick={() => void store.redo()}>
            <Redo2 size={16} aria-hidden />
          </BarButton>
          <SavedMark />
        </div>
        <div className="flex min-w-0 items-center gap-1 border-s border-seam ps-3 text-sm">
          {liveUrl ? (
            <>
              <a
                href={liveUrl}
                target="_blank"
                rel="noreferrer"
                title={liveUrl}
                className="flex min-h-6 min-w-0 items-center gap-1 font-mono text-xs underline underline-offset-2"
              >
                <span className="truncate">{liveUrl.replace('http://', '')}</span>
                <ExternalLink size={12} className="shrink-0" aria-hidden />
                <span className="sr-only">(opens the live site in a new tab)</span>
              </a>
              <CopyButton text={liveUrl} label="Copy the live address" />
            </>
          ) : (
            <span className="whitespace-nowrap text-soft">not live yet</span>
          )}
        </div>
      </header>
      {may === 'read' && (
        <aside aria-label="What you may do here" className="shrink-0 border-b border-ink bg-tape px-4 py-0.5 text-sm font-semibold">
          You look at this job; nothing you do here changes it.
        </aside>
      )}
      {jobs.every((job) => job.id === id) && may !== 'read' && <Lead stage={stage} isLive={live !== null} />}
      <ReturnedWords />
      {children}
    </div>
  )
}

function JobSwitcher({ jobs, id }: { jobs: readonly OtherJob[]; id: string }) {
  const here = useHere()
  const name = useJob((s) => factsOf(s.document).name ?? 'Unnamed client')
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="flex max-w-64 items-center gap-1.5 text-base font-bold tracking-tight"
        aria-label={`${name}: switch to another job`}
      >
        <span className="truncate" dir="auto">
          {name}
        </span>
        <ChevronDown size={14} className="shrink-0" aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-30 max-h-96 min-w-56 overflow-y-auto border border-ink bg-cloth py-1"
        >
          {jobs
            .filter((job) => job.id !== id)
            .map((job) => (
              <DropdownMenu.Item
                key={job.id}
                asChild
                className="block max-w-80 truncate px-3 py-1.5 outline-none data-[highlighted]:bg-tape"
              >
                <Link href={`/jobs/${job.id}/content`} dir="auto">
                  {job.name}
                </Link>
              </DropdownMenu.Item>
            ))}
          <DropdownMenu.Separator className="my-1 border-t border-seam" />
          <DropdownMenu.Item asChild className="block px-3 py-1.5 font-semibold outline-none data-[highlighted]:bg-tape">
            <Link href={`/jobs/${id}/history`}>History</Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item asChild className="block px-3 py-1.5 font-semibold outline-none data-[highlighted]:bg-tape">
            <Link href="/">All jobs</Link>
          </DropdownMenu.Item>
          {mayEditJobs(here.person) && (
            <DropdownMenu.Item asChild className="block px-3 py-1.5 font-semibold outline-none data-[highlighted]:bg-tape">
              <Link href="/new">New job</Link>
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item asChild className="block px-3 py-1.5 font-semibold outline-none data-[highlighted]:bg-tape">
            <Link href="/account">
              Account <span className="font-normal text-soft">{here.person.name}</span>
            </Link>
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** How many snags are open in a stage, and of what. */
function useOpen(stage: SnagStage): { readonly open: number; readonly of: string } {
  const parts = useJob(useShallow((s) => openIn(stage, s.pack, s.document).map(({ count, counted }) => `${count} ${counted}`)))
  const open = parts.reduce((sum, part) => sum + Number.parseInt(part, 10), 0)
  const [only = ''] = parts
  return { open, of: parts.length > 1 ? `open: ${parts.join(', ')}` : only.slice(only.indexOf(' ') + 1) }
}

/** The stages in the order of the work; each shows as a number what is still open in it. */
function Stages({ id, live }: { id: string; live: string | null }) {
  const path = usePathname()
  const differing = useDiffering(live)
  const stages = [
    { name: 'Brief', ...useOpen('Brief') },
    { name: 'Template', open: 0, of: '' },
    { name: 'Brand', ...useOpen('Brand') },
    { name: 'Content', ...useOpen('Content') },
    { name: 'Pages', ...useOpen('Pages') },
    {
      name: 'Publish',
      open: differing,
      of: `${differing === 1 ? 'page is' : 'pages are'} not as visitors see ${differing === 1 ? 'it' : 'them'}`,
    },
  ]
  return (
    <nav aria-label="Stages" className="flex items-stretch">
      {stages.map(({ name, open, of }) => {
        const href = `/jobs/${id}/${name.toLowerCase()}`
        const here = path === href
        return (
          <Link
            key={name}
            href={href}
            aria-current={here ? 'page' : undefined}
            className={
              'flex items-center gap-2 border-x border-clear px-3 text-sm font-semibold ' +
              `${here ? 'border-seam bg-table shadow-[inset_0_-3px_0_var(--color-tape)]' : 'hover:bg-table'}`
            }
          >
            {name}
            {open > 0 && (
              <span className="font-mono text-xs font-medium text-thread" title={`${open} ${of}`}>
                {open}
                <span className="sr-only"> {of}</span>
              </span>
            )}
          </Link>
        )
      })}
    </nav>
  )
}

function BarButton({
  label,
  keys,
  disabled,
  onClick,
  children,
}: {
  label: string
  keys: string
  disabled: boolean
  onClick: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={`${label} (${keys})`}
      disabled={disabled}
      onClick={onClick}
      className="rounded-sm border border-clear p-1.5 hover:border-seam hover:bg-table disabled:text-seam disabled:hover:border-clear"
    >
      {children}
    </button>
  )
}

/** What visitors see is told anew when somebody has published, in whatever tab. */
function useFreshWhenPublished(): void {
  const router = useRouter()
  const publications = useJob((s) => s.publications)
  useEffect(() => {
    if (publications > 0) router.refresh()
  }, [router, publications])
}

/**
 * Undo is the job's, wherever the focus is: the log knows more than a text field does. Only where what is typed is no part of the
 * document yet, undo is the field's own.
 */
function useUndoKeys(): void {
  const store = useJobStore()
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if ((event.target as Element).closest?.('[data-own-undo]')) return
      const name = keyPressed(event, ['undo', 'redo'])
      if (name === null) return
      event.preventDefault()
      void store[name]()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [store])
}
