'use client'
import { ArrowDown, ArrowUp, Search } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { mayEditJobs, type Person } from '@/core/people'
import { jobLinesSchema, type JobLine, type Shelf } from '@/core/replies'
import { Help } from '../help/help'
import { useKey } from '../keys/use-key'
import { buttonClass } from '../parts/button'
import { Choice } from '../parts/choice'
import { inputClass } from '../parts/field'
import { count } from '../parts/words'
import { getJson } from '../request/api'
import { directionOf, matchesJob, SHELF_WORDS, sortJobs, type Order, type Sorting } from './job-line'
import { JobRow } from './job-row'
import { ReadIn } from './import-handover'
import { useListState } from './use-list-state'
import { useShelving } from './use-shelving'

type Props = { readonly jobs: readonly JobLine[]; readonly binDays: number; readonly now: string; readonly me: Person }

const FIRST = 40

/** The clients' jobs as a table: searched, sorted, and laid by. `n` begins a new one, `/` goes to the search. */
export function JobList({ jobs: listed, binDays, now, me }: Props) {
  const [jobs, setJobs] = useState(listed)
  useFreshJobs(now, setJobs)
  // The first screens come from the server; the rest of a long list is drawn once the page is alive.
  const [most, setMost] = useState(FIRST)
  useEffect(() => setMost(Number.POSITIVE_INFINITY), [])
  const { shelf, sorting, wanted, set } = useListState()
  const search = useRef<HTMLInputElement>(null)
  const mayMake = mayEditJobs(me)
  useListKeys(search, mayMake)
  const found = jobs.filter((job) => matchesJob(job, wanted))
  const here = sortJobs(
    found.filter((job) => job.shelf === shelf),
    sorting,
  )
  const shelving = useShelving(here, setJobs)
  const on = (name: Shelf): number => jobs.filter((job) => job.shelf === name).length
  return (
    <main className="mx-auto max-w-[76rem] px-6 py-8">
      <div className="mb-4 flex items-end justify-between border-b-2 border-ink pb-3">
        <div>
          <p className="tape-ticks mb-2 inline-block px-1.5 pb-1 font-mono text-xs">Instant Fit</p>
          <h1 className="text-2xl font-bold tracking-tight" tabIndex={-1} ref={shelving.heading}>
            Jobs
          </h1>
        </div>
        <div className="flex items-center gap-5">
          <Link
            href="/account"
            className="block min-h-6 max-w-64 truncate font-semibold leading-6 underline-offset-4 hover:underline"
            dir="auto"
          >
            {me.name}
            <span className="sr-only">: your account</span>
          </Link>
          <Help screen="jobs" />
          {mayMake && <ReadIn />}
          {mayMake && (
            <Link href="/new" className={buttonClass('main')}>
              New job <kbd className="border border-soft px-1 font-mono text-xs">n</kbd>
            </Link>
          )}
        </div>
      </div>
      {jobs.length === 0 ? (
        <NoJobs mayMake={mayMake} />
      ) : (
        <>
          <div className="mb-4 flex items-center gap-4" role="search">
            <label className="relative block w-80">
              <span className="sr-only">Find a job by client, trade or address</span>
              <Search size={15} className="pointer-events-none absolute start-2.5 top-2.5 text-soft" aria-hidden />
              <input
                ref={search}
                type="search"
                value={wanted}
                onChange={(event) => set({ wanted: event.target.value })}
                placeholder="Client, trade or address"
                className={`${inputClass} ps-8`}
                data-own-undo
              />
            </label>
            <kbd className="-ms-2 border border-seam px-1 font-mono text-xs text-soft" aria-hidden>
              /
            </kbd>
            <Choice
              label="Where the jobs lie"
              showLabel={false}
              value={shelf}
              options={SHELF_WORDS.map(([key, words]) => [key, `${words} ${on(key)}`] as const)}
              onValue={(next) => set({ shelf: next })}
            />
            <p className="ms-auto text-sm text-soft" role="status">
              {wanted.trim() !== '' && `${count(here.length, 'job')} found`}
            </p>
          </div>
          {shelf === 'bin' && on('bin') > 0 && (
            <p className="mb-3 text-sm text-soft">
              After {binDays} days in the bin a job is deleted for good. A job whose site is live stays until nobody can see it.
            </p>
          )}
          {here.length === 0 ? (
            <NothingHere shelf={shelf} wanted={wanted} found={found} onShelf={(next) => set({ shelf: next })} />
          ) : (
            <table className="w-full border-collapse">
              <Head sorting={sorting} onSort={(next) => set({ sorting: next })} />
              <tbody>
                {here.slice(0, most).map((job) => (
                  <JobRow key={job.id} job={job} shelving={shelving} binDays={binDays} now={now} mayMake={mayMake} />
                ))}
              </tbody>
            </table>
          )}
        </>
      )}
    </main>
  )
}

const COLUMNS: readonly (readonly [words: string, width: string, by?: Order])[] = [
  ['Home page', 'w-56'],
  ['Client', '', 'client'],
  ['Stage', 'w-20'],
  ['Leftovers', 'w-28', 'leftovers'],
  ['Live site', 'w-64', 'release'],
  ['Worked on', 'w-32', 'worked'],
]

function Head({ sorting, onSort }: { sorting: Sorting; onSort: (next: Sorting) => void }) {
  return (
    <thead>
      <tr className="text-start text-sm text-soft">
        {COLUMNS.map(([words, width, by]) => (
          <th
            key={words}
            scope="col"
            className={`${width} pb-2 text-start font-medium`}
            aria-sort={by === sorting.by ? directionOf(sorting) : undefined}
          >
            {by ? (
              <button
                type="button"
                onClick={() => onSort({ by, backwards: by === sorting.by && !sorting.backwards })}
                className="-mx-1.5 inline-flex min-h-6 items-center gap-1 rounded-sm px-1.5 hover:bg-cloth"
              >
                {words}
                <SortMark sorting={sorting} by={by} />
              </button>
            ) : (
              words
            )}
          </th>
        ))}
        <th scope="col" className="w-9 pb-2">
          <span className="sr-only">What can be done</span>
        </th>
      </tr>
    </thead>
  )
}

function SortMark({ sorting, by }: { sorting: Sorting; by: Order }) {
  if (sorting.by !== by) return null
  return directionOf(sorting) === 'ascending' ? <ArrowUp size={13} aria-hidden /> : <ArrowDown size={13} aria-hidden />
}

type NothingHereProps = {
  readonly shelf: Shelf
  readonly wanted: string
  readonly found: readonly JobLine[]
  readonly onShelf: (shelf: Shelf) => void
}
const EMPTY: Readonly<Record<Shelf, string>> = {
  work: 'No active jobs. Start one with New job (n), or reopen one from the Archive.',
  archive: 'Nothing is archived. A finished job can be put here: it keeps everything, and its site stays live.',
  bin: 'The bin is empty.',
}

function NothingHere({ shelf, wanted, found, onShelf }: NothingHereProps) {
  const elsewhere = SHELF_WORDS.map(([key, words]) => [key, words, found.filter((job) => job.shelf === key).length] as const).filter(
    ([key, , n]) => key !== shelf && n > 0,
  )
  const isSearch = wanted.trim() !== ''
  return (
    <div className="border border-dashed border-seam bg-cloth p-10 text-center">
      <p className="font-semibold">{isSearch ? `No job here matches “${wanted.trim()}”.` : EMPTY[shelf]}</p>
      {(isSearch || shelf === 'work') &&
        elsewhere.map(([key, words, n]) => (
          <button key={key} type="button" className={`${buttonClass('quiet')} mt-2`} onClick={() => onShelf(key)}>
            {words}: {count(n, 'job')}
          </button>
        ))}
    </div>
  )
}

function NoJobs({ mayMake }: { mayMake: boolean }) {
  if (!mayMake)
    return (
      <div className="border border-dashed border-seam bg-cloth p-10 text-center">
        <p className="text-lg font-semibold">No job is open to you.</p>
        <p className="text-soft">Whoever invited you can let you at one.</p>
      </div>
    )
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

/** When the pages were made that have been shown already. */
const shown = new Set<string>()

/** Whoever comes back by the browser's own buttons is shown the page as it was made then; so the list is asked for again. */
function useFreshJobs(madeAt: string, onJobs: (jobs: readonly JobLine[]) => void): void {
  useEffect(() => {
    if (!shown.has(madeAt)) return void shown.add(madeAt)
    let isHere = true
    getJson('/api/jobs', jobLinesSchema).then(
      ({ jobs }) => isHere && onJobs(jobs),
      // What is shown is what was known a moment ago.
      () => undefined,
    )
    return () => {
      isHere = false
    }
  }, [madeAt, onJobs])
}

function useListKeys(search: RefObject<HTMLInputElement | null>, mayMake: boolean): void {
  const router = useRouter()
  useKey('newJob', () => mayMake && router.push('/new'))
  useKey('findJob', () => search.current?.focus())
}
