'use client'
import { Flag } from 'lucide-react'
import { useState } from 'react'
import { activitySchema, type Activity, type Deed, type NamedVersion } from '@/core/replies'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { count, dayAndTime, kilobytes } from '../parts/words'
import { getJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { AsItWas } from './as-it-was'

/** A state that is looked at: the newest row of what was done by then. */
type Looked = { readonly revision: number; readonly at: string }

/** Who did what with this job, newest first. The site can be looked at as it was after any of it, and brought back. */
export function History(newest: Activity) {
  const id = useJob((s) => s.id)
  const [{ deeds, isAll, size }, setDeeds] = useState<Omit<Activity, 'versions'>>(newest)
  const [versions, setVersions] = useState(newest.versions)
  const [looked, setLooked] = useState<Looked | null>(null)
  const { busy, fault, handle } = useMutation({ otherwise: 'It could not be fetched. Try again.' })
  const more = handle(async () => {
    const next = await getJson(`/api/jobs/${id}/deeds?before=${deeds.at(-1)?.first ?? 0}`, activitySchema)
    setDeeds({ deeds: [...deeds, ...next.deeds], isAll: next.isAll, size: next.size })
  })
  const [all, pictures, history] = [size.history + size.pictures, size.pictures, size.history].map(kilobytes)
  return (
    <main data-skip-to tabIndex={-1} className="flex min-h-0 flex-1 outline-none">
      <div className="min-w-0 flex-1 overflow-y-auto px-6 py-6">
        <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-6">
          <h1 className="text-xl font-bold tracking-tight">History</h1>
          <p className="text-sm text-soft">
            This job takes {all}: {pictures} of pictures, {count(size.rows, 'change')} in {history}, {count(size.releases, 'release')}
          </p>
        </div>
        {versions.length > 0 && <Versions versions={versions} looked={looked} onLook={setLooked} />}
        {deeds.length === 0 ? (
          <p className="text-soft">Nothing yet: the job is as it began.</p>
        ) : (
          <table className="w-full border-collapse border-t-2 border-ink">
            <thead className="text-sm text-soft">
              <tr>
                {['When', 'Who', 'What', 'Words', 'The site then'].map((words) => (
                  <th key={words} scope="col" className="py-1 pe-4 text-start font-normal last:pe-0">
                    {words}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {deeds.map((deed) => (
                <DeedRow
                  key={deed.first}
                  deed={deed}
                  versions={versions.filter(({ revision }) => deedOfVersion(deeds, revision) === deed)}
                  isLooked={looked?.revision === deed.last}
                  onLook={() => setLooked({ revision: deed.last, at: deed.at })}
                />
              ))}
            </tbody>
          </table>
        )}
        {!isAll && (
          <Button className="mt-3" disabled={busy} onClick={() => void more()}>
            Older
          </Button>
        )}
        <Fault words={fault} />
      </div>
      {looked && (
        <AsItWas
          key={looked.revision}
          {...looked}
          point={versions.find(({ revision }) => revision === looked.revision)?.name ?? null}
          onVersions={setVersions}
          onClose={() => setLooked(null)}
        />
      )}
    </main>
  )
}

/** What was done last before a state was given its name. */
function deedOfVersion(deeds: readonly Deed[], revision: number): Deed | undefined {
  return deeds.find(({ first }) => first <= revision)
}

type VersionsProps = {
  readonly versions: readonly NamedVersion[]
  readonly looked: Looked | null
  readonly onLook: (looked: Looked) => void
}

/** The states that have a name. */
function Versions({ versions, looked, onLook }: VersionsProps) {
  return (
    <ul aria-label="Named points" className="mb-3 flex flex-wrap gap-1.5">
      {versions.map(({ revision, name, at }) => (
        <li key={revision}>
          <Button
            aria-pressed={looked?.revision === revision}
            className={`px-2! py-0.5! ${looked?.revision === revision ? 'bg-tape' : ''}`}
            onClick={() => onLook({ revision, at })}
          >
            <Flag size={12} aria-hidden /> <span dir="auto">{name}</span>
          </Button>
        </li>
      ))}
    </ul>
  )
}

type RowProps = {
  readonly deed: Deed
  readonly versions: readonly NamedVersion[]
  readonly isLooked: boolean
  readonly onLook: () => void
}

function DeedRow({ deed: { at, who, deed, where, words }, versions, isLooked, onLook }: RowProps) {
  return (
    <tr className={`border-t border-seam align-top ${isLooked ? 'bg-tape-pale' : 'hover:bg-cloth'}`}>
      <td className="whitespace-nowrap py-1.5 pe-4 font-mono text-xs leading-6" suppressHydrationWarning>
        {dayAndTime(at)}
      </td>
      <td className="whitespace-nowrap py-1.5 pe-4 font-semibold" dir="auto">
        {who}
      </td>
      <td className="py-1.5 pe-4">
        {deed} <span className="text-soft">{where}</span>
        {versions.map(({ revision, name }) => (
          <span key={revision} className="ms-2 inline-flex items-center gap-1 bg-tape px-1 text-sm">
            <Flag size={11} aria-hidden /> <span dir="auto">{name}</span>
          </span>
        ))}
      </td>
      <td className="w-2/5 break-words py-1.5 pe-4" dir="auto">
        {words}
      </td>
      <td className="py-1">
        <Button
          look={isLooked ? 'plain' : 'quiet'}
          className="px-2! py-1!"
          aria-pressed={isLooked}
          aria-label={`Look at the site as it was after ${who} ${deed} ${where}`}
          onClick={onLook}
        >
          Look
        </Button>
      </td>
    </tr>
  )
}
