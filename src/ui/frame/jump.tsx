'use client'
import { Command } from 'cmdk'
import { useRouter } from 'next/navigation'
import { Dialog } from 'radix-ui'
import { useEffect, useMemo, useState } from 'react'
import { findAmong, folded, jumpTargets, type JumpTarget } from '@/core/plan'
import { placeKey } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { capital } from '../parts/words'
import { keyWords } from '../keys/key-words'
import { useIsApple, useKey } from '../keys/use-key'
import type { OtherJob } from './other-job'

/** One thing that can be gone to or done. */
type Goal = {
  readonly key: string
  readonly group: 'Pages' | 'Sections' | 'Places' | 'Stages' | 'Jobs' | 'Commands'
  readonly title: string
  readonly detail: string
  readonly words: string
  readonly go: () => void
}
const GROUPS = ['Pages', 'Sections', 'Places', 'Stages', 'Jobs', 'Commands'] as const
const STAGES = ['Brief', 'Template', 'Brand', 'Content', 'Pages', 'Publish'] as const
/** How many are shown of each sort. */
const MOST: Readonly<Record<Goal['group'], number>> = { Pages: 8, Sections: 6, Places: 10, Stages: 6, Jobs: 6, Commands: 6 }

/** One key opens a search over all there is: pages, sections, places by the words on them, stages, jobs, commands. Enter goes there. */
export function Jump({ jobs }: { jobs: readonly OtherJob[] }) {
  const [isOpen, setOpen] = useState(false)
  useKey('goTo', () => setOpen(true))
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="flex items-center gap-1.5 rounded-sm border border-clear px-2 text-sm text-soft hover:border-seam hover:bg-table"
        title="Go to anything (/)"
      >
        <span className="sr-only whitespace-nowrap xl:not-sr-only">Go to</span>{' '}
        <kbd className="border border-seam px-1 font-mono text-xs">/</kbd>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Content
          aria-label="Go to"
          aria-describedby={undefined}
          className={
            'fixed inset-x-0 top-12 z-40 mx-auto flex max-h-[70vh] w-[44rem] max-w-full flex-col border border-t-0 border-ink ' +
            'bg-cloth shadow-lg'
          }
        >
          <Dialog.Title className="sr-only">Go to</Dialog.Title>
          <Goals jobs={jobs} onDone={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function Goals({ jobs, onDone }: { jobs: readonly OtherJob[]; onDone: () => void }) {
  const [asked, setAsked] = useState('')
  const goals = useGoals(jobs)
  const found = useMemo(
    () =>
      GROUPS.map((group) => ({
        group,
        // Without a question, places would be every word of the site.
        goals: group === 'Places' && asked.trim() === '' ? [] : findAmong(goals[group], asked, MOST[group]),
      })).filter((one) => one.goals.length > 0),
    // Not deferred: Enter takes what the words in the field find, however fast they were typed.
    [goals, asked],
  )
  // The first of what is found is chosen until an arrow chooses another.
  const first = found[0]?.goals[0]?.key ?? ''
  const [chosen, setChosen] = useState(first)
  useEffect(() => setChosen(first), [first])
  return (
    <Command shouldFilter={false} value={chosen} onValueChange={setChosen} label="Go to" className="flex min-h-0 flex-col" loop>
      <Command.Input
        value={asked}
        onValueChange={setAsked}
        data-own-undo
        dir="auto"
        placeholder="A page, words on it, a stage, a job, what to do"
        className="border-b border-ink bg-white px-3 py-2 text-base outline-none"
      />
      <Command.List className="min-h-0 flex-1 overflow-y-auto p-1">
        <Command.Empty className="p-3 text-sm text-soft">
          Nothing found for “{asked.trim()}”. Try a page name, words on a page, or a client.
        </Command.Empty>
        {found.map(({ group, goals: some }) => (
          <Command.Group key={group} heading={group} className="text-sm [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:text-soft">
            {some.map((goal) => (
              <Command.Item
                key={goal.key}
                value={goal.key}
                onSelect={() => {
                  onDone()
                  goal.go()
                }}
                className="flex cursor-pointer items-baseline gap-3 px-2 py-1 data-[selected=true]:bg-tape"
              >
                <span className="min-w-0 truncate font-semibold" dir="auto">
                  {goal.title}
                </span>
                <span className="ms-auto max-w-56 shrink-0 truncate text-xs" dir="auto">
                  {goal.detail}
                </span>
              </Command.Item>
            ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  )
}

type Goals = Readonly<Record<Goal['group'], readonly Goal[]>>

/** Everything there is to go to, gathered as the search opens. */
function useGoals(jobs: readonly OtherJob[]): Goals {
  const router = useRouter()
  const store = useJobStore()
  const id = useJob((s) => s.id)
  const isApple = useIsApple()
  return useMemo(() => {
    const { pack, document } = store.getState()
    const to = (path: string) => (): void => router.push(`/jobs/${id}/${path}`)
    const goal = (group: Goal['group'], key: string, title: string, detail: string, words: string, go: () => void): Goal => ({
      key: `${group} ${key}`,
      group,
      title,
      detail,
      words,
      go,
    })
    const targets = jumpTargets(pack, document)
    const of = <T extends JumpTarget['type']>(type: T) => targets.filter((t): t is Extract<JumpTarget, { type: T }> => t.type === type)
    return {
      Pages: of('page').map((t) => goal('Pages', t.page, t.title, t.detail, t.words, to(`pages?page=${t.page}`))),
      Sections: of('section').map((t) =>
        goal('Sections', t.section, capital(t.title), t.detail, t.words, to(`content?page=${t.page ?? 'every'}&section=${t.section}`)),
      ),
      Places: of('place').map((t) => {
        const key = placeKey(t.place)
        return goal('Places', key, t.title, t.detail, t.words, to(`content?page=${t.page ?? 'every'}&place=${encodeURIComponent(key)}`))
      }),
      Stages: STAGES.map((name) => goal('Stages', name, name, 'stage', folded(name), to(name.toLowerCase()))),
      Jobs: jobs
        .filter((job) => job.id !== id)
        .map((job) => goal('Jobs', job.id, job.name, 'job', folded(job.name), () => router.push(`/jobs/${job.id}/content`))),
      Commands: [
        goal('Commands', 'undo', 'Undo', keyWords('undo', isApple), 'undo take back', () => void store.undo()),
        goal('Commands', 'redo', 'Redo', keyWords('redo', isApple), 'redo bring back', () => void store.redo()),
        goal('Commands', 'add-page', 'Add a page', 'Pages', 'add a page new', to('pages?show=add-page')),
        goal('Commands', 'outline', 'Paste an outline', 'Pages', 'paste an outline plan', to('pages?show=outline')),
        goal('Commands', 'redirects', 'Redirects', 'Pages', 'redirects addresses lead on', to('pages?show=redirects')),
        goal('Commands', 'found', 'Search & share', 'Pages', 'found search results shared card verification', to('pages?show=found')),
        goal('Commands', 'done', 'History', '', 'history what was done who log', to('history')),
        goal('Commands', 'account', 'Account', '', 'account password people sign out', () => router.push('/account')),
        goal('Commands', 'job', 'New job', '', 'new job client', () => router.push('/new')),
      ],
    }
  }, [store, router, id, jobs, isApple])
}
