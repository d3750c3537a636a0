'use client'
import { Bar, BarChart, ResponsiveContainer, Tooltip, YAxis } from 'recharts'
import { count, dayAndTime, kilobytes } from '../parts/words'
import type { ReleaseLine } from './release-line'

type Point = { readonly number: number; readonly bytes: number; readonly files: number; readonly at: string }
const HEIGHT = 84
/** The most that are drawn: more would be too thin to point at. */
const MOST = 40

/** How much every release weighs, in the order they were made: a step up is a picture too many. */
export function SizeChart({ releases }: { readonly releases: readonly ReleaseLine[] }) {
  const points = releases
    .map(({ number, bytes, files, at }): Point => ({ number: number ?? 0, bytes, files, at }))
    .toSorted((a, b) => a.number - b.number)
    .slice(-MOST)
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return null
  const said = `Size from No. ${first.number}, ${kilobytes(first.bytes)}, to No. ${last.number}, ${kilobytes(last.bytes)}`
  return (
    <figure className="mb-4">
      <div role="img" aria-label={said}>
        <ResponsiveContainer width="100%" height={HEIGHT}>
          <BarChart data={points} margin={{ top: 4, right: 0, bottom: 0, left: 0 }} barCategoryGap={2}>
            <YAxis hide domain={[0, 'dataMax']} />
            <Tooltip cursor={{ fill: 'var(--color-tape-pale)' }} isAnimationActive={false} content={<Told />} />
            <Bar dataKey="bytes" fill="var(--color-ink)" maxBarSize={26} isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="flex justify-between border-t border-ink pt-1 font-mono text-xs text-soft">
        <span>
          No. {first.number}: {kilobytes(first.bytes)}
        </span>
        <span>
          No. {last.number}: {kilobytes(last.bytes)}
        </span>
      </figcaption>
    </figure>
  )
}

function Told({ payload }: { readonly payload?: readonly { readonly payload?: Point }[] }) {
  const point = payload?.[0]?.payload
  if (!point) return null
  return (
    <p className="border border-ink bg-cloth px-2 py-1 text-xs">
      <span className="font-bold">No. {point.number}</span> {kilobytes(point.bytes)}, {count(point.files, 'file')}
      <span className="block text-soft">{dayAndTime(point.at)}</span>
    </p>
  )
}
