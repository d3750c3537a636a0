import type { SiteVisits } from '../replies'

/** What was counted on a day (UTC): pages seen by their path, other sites that led there by their host, and robots. */
export type DayOfVisits = {
  readonly day: string
  readonly pages: Readonly<Record<string, number>>
  readonly referrers: Readonly<Record<string, number>>
  readonly robots: number
}
export type VisitsSummary = Omit<SiteVisits, 'isCounted'>
type Counted = SiteVisits['pages'][number]

const DAY_MS = 86_400_000

/** What was counted at all addresses of a site together, over some days that end with a day (`2026-11-28`). */
export function summarizeVisits(counted: readonly DayOfVisits[], last: string, span: number): VisitsSummary {
  const names = Array.from({ length: span }, (_, at) => new Date(Date.parse(last) - (span - 1 - at) * DAY_MS).toISOString().slice(0, 10))
  const within = counted.filter(({ day }) => names.includes(day))
  const days = names.map((day) => {
    const here = within.filter((one) => one.day === day)
    return { day, seen: sum(here.flatMap(({ pages }) => Object.values(pages))), robots: sum(here.map(({ robots }) => robots)) }
  })
  return {
    days,
    seen: sum(days.map(({ seen }) => seen)),
    robots: sum(days.map(({ robots }) => robots)),
    pages: inAll(within.map(({ pages }) => pages)),
    referrers: inAll(within.map(({ referrers }) => referrers)),
  }
}

function inAll(counts: readonly Readonly<Record<string, number>>[]): readonly Counted[] {
  const all = new Map<string, number>()
  for (const one of counts) for (const [name, count] of Object.entries(one)) all.set(name, (all.get(name) ?? 0) + count)
  return [...all].map(([name, count]) => ({ name, count })).sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1))
}

function sum(counts: readonly number[]): number {
  return counts.reduce((total, one) => total + one, 0)
}
