'use client'
import { useCallback } from 'react'
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import { siteVisitsSchema, type SiteVisits } from '@/core/replies'
import { Button } from '../parts/button'
import { CheckLine } from '../parts/check-line'
import { count, day } from '../parts/words'
import { ApiError, getJson, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useQuery } from '../request/use-query'

type Day = SiteVisits['days'][number]
type Counted = SiteVisits['pages'][number]

/** How high the chart is, in px. */
const HEIGHT = 120
/** How many pages, and places that visitors came from, are listed. */
const MOST = 8

/** Beside what is being published it is no alarm that the host is away: that has its own words. */
async function orAway<T>(call: Promise<T>): Promise<T> {
  try {
    return await call
  } catch (error) {
    if (!(error instanceof ApiError) || error.code !== 'hostDown') throw error
    throw new ApiError(error.status, error.code, 'What was counted cannot be told just now: the host is away.')
  }
}

/** How often pages of the site were seen lately, by day: counted by our host itself, without anything on the page. */
export function Visits({ job }: { readonly job: string }) {
  const asked = useCallback(() => orAway(getJson(`/api/jobs/${job}/visits`, siteVisitsSchema)), [job])
  const { data: visits, fault: unknown, refetch } = useQuery(asked, { otherwise: 'The visits could not be fetched. Try again.' })
  const { fault: refused, run } = useMutation({ otherwise: 'That could not be changed. Try again.' })
  const setCounted = (isCounted: boolean): Promise<boolean> =>
    run(async () => {
      await orAway(sendJson(`/api/jobs/${job}/visits`, { isCounted }, 'PUT'))
      await refetch()
    })
  const fault = refused ?? unknown
  return (
    <>
      {fault && (
        <p role="status" className="mt-1 text-sm font-medium text-thread">
          {fault}
        </p>
      )}
      {!visits && !fault && (
        <p role="status" className="text-soft">
          Asking the web host…
        </p>
      )}
      {visits && <Summary visits={visits} />}
      {visits && (
        <div className="mt-3">
          <CheckLine
            checked={visits.isCounted}
            onCheck={(isCounted) => void setCounted(isCounted)}
            hint="By the host, by day: without cookies or scripts, and nothing is kept of who sees them."
          >
            Count pages
          </CheckLine>
          <Button className="mt-2" onClick={() => void refetch()}>
            Count again
          </Button>
        </div>
      )}
    </>
  )
}

function Summary({ visits: { days, seen, robots, pages, referrers, isCounted } }: { readonly visits: SiteVisits }) {
  const said = `${count(seen, 'page')} seen in the last ${days.length} days`
  if (seen === 0 && robots === 0)
    return (
      <p className="text-soft">
        {isCounted
          ? `Nobody came in the last ${days.length} days, or it is not counted yet.`
          : 'Visits are not counted. Tick Count pages to start; no cookies are used.'}
      </p>
    )
  return (
    <>
      <p className="mb-2 text-sm">
        <span className="font-semibold">{said}</span>
        {robots > 0 && <span className="text-soft">; robots came {robots === 1 ? 'once' : `${robots} times`}, and are left out</span>}.
      </p>
      <div role="img" aria-label={`${said}, by day`}>
        <ResponsiveContainer width="100%" height={HEIGHT}>
          <BarChart data={[...days]} margin={{ top: 4, right: 0, bottom: 0, left: 0 }} barCategoryGap={2}>
            <YAxis hide domain={[0, 'dataMax']} />
            <XAxis
              dataKey="day"
              tickFormatter={(at: string) => at.slice(8)}
              tickLine={false}
              axisLine={{ stroke: 'var(--color-ink)' }}
              tick={{ fontSize: 11, fill: 'var(--color-soft)' }}
            />
            <Tooltip cursor={{ fill: 'var(--color-tape-pale)' }} isAnimationActive={false} content={<Told />} />
            <Bar dataKey="seen" fill="var(--color-ink)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
      <p className="mt-0.5 text-xs text-soft">Days are those of UTC.</p>
      <div className="mt-2 grid gap-3">
        <Ranked heading="Pages" counted={pages} none="No page was seen." />
        <Ranked heading="Where they came from" counted={referrers} none="Nobody came from another site, or their browsers do not say." />
      </div>
    </>
  )
}

function Told({ payload }: { readonly payload?: readonly { readonly payload?: Day }[] }) {
  const at = payload?.[0]?.payload
  if (!at) return null
  return (
    <p className="border border-ink bg-cloth px-2 py-1 text-xs">
      <span className="font-bold">{day(at.day)}</span> {count(at.seen, 'page')}
      {at.robots > 0 && <span className="block text-soft">{count(at.robots, 'robot')} apart</span>}
    </p>
  )
}

function Ranked({ heading, counted, none }: { readonly heading: string; readonly counted: readonly Counted[]; readonly none: string }) {
  return (
    <div className="min-w-0 text-sm">
      <h3 className="font-semibold">{heading}</h3>
      {counted.length === 0 ? (
        <p className="text-soft">{none}</p>
      ) : (
        <ol>
          {counted.slice(0, MOST).map(({ name, count: times }) => (
            <li key={name} className="flex justify-between gap-3 border-t border-seam py-0.5">
              <span className="min-w-0 truncate font-mono text-xs leading-6" title={name}>
                {name}
              </span>
              <span className="font-mono text-xs leading-6">{times}</span>
            </li>
          ))}
          {counted.length > MOST && <li className="border-t border-seam py-0.5 text-soft">and {counted.length - MOST} more</li>}
        </ol>
      )}
    </div>
  )
}
