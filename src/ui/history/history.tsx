'use client'
import { useState } from 'react'
import type { Deeds } from '@/core/people'
import { ApiError, callApi } from '../job/api'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { count, dayAndTime, kilobytes } from '../parts/words'

/** Who did what with this job, newest first. Everything here can be looked at; what stands still is taken back by Undo. */
export function History(newest: Deeds) {
  const id = useJob((s) => s.id)
  const [{ deeds, isAll, size }, setDeeds] = useState(newest)
  const [fault, setFault] = useState<string | null>(null)
  const more = async (): Promise<void> => {
    try {
      const next = await callApi<Deeds>(`/api/jobs/${id}/deeds?before=${deeds.at(-1)?.first ?? 0}`)
      setDeeds({ deeds: [...deeds, ...next.deeds], isAll: next.isAll, size: next.size })
      setFault(null)
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'It could not be fetched. Try again.')
    }
  }
  const [all, pictures, history] = [size.history + size.pictures, size.pictures, size.history].map(kilobytes)
  return (
    <main data-skip-to tabIndex={-1} className="min-h-0 flex-1 overflow-y-auto px-6 py-6 outline-none">
      <div className="mx-auto max-w-[64rem]">
        <div className="mb-3 flex items-baseline justify-between gap-6">
          <h1 className="text-xl font-bold tracking-tight">What was done</h1>
          <p className="text-sm text-soft">
            This job takes {all}: {pictures} of pictures, {count(size.rows, 'change')} in {history}, {count(size.releases, 'release')}
          </p>
        </div>
        {deeds.length === 0 ? (
          <p className="text-soft">Nothing yet: the job is as it began.</p>
        ) : (
          <table className="w-full border-collapse border-t-2 border-ink">
            <thead className="text-sm text-soft">
              <tr>
                {['When', 'Who', 'What', 'Words'].map((words) => (
                  <th key={words} scope="col" className="py-1 pe-4 text-start font-normal">
                    {words}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {deeds.map(({ first, at, who, deed, where, words }) => (
                <tr key={first} className="border-t border-seam align-top hover:bg-cloth">
                  <td className="whitespace-nowrap py-1.5 pe-4 font-mono text-xs leading-6" suppressHydrationWarning>
                    {dayAndTime(at)}
                  </td>
                  <td className="whitespace-nowrap py-1.5 pe-4 font-semibold" dir="auto">
                    {who}
                  </td>
                  <td className="py-1.5 pe-4">
                    {deed} <span className="text-soft">{where}</span>
                  </td>
                  <td className="w-1/2 break-words py-1.5" dir="auto">
                    {words}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {!isAll && (
          <Button className="mt-3" onClick={() => void more()}>
            Further back
          </Button>
        )}
        {fault && (
          <p role="alert" className="mt-3 text-sm font-medium text-thread">
            ✕ {fault}
          </p>
        )}
      </div>
    </main>
  )
}
