import type { JobLine, Shelf } from '@/core/replies'

export const SHELF_WORDS: readonly (readonly [Shelf, string])[] = [
  ['work', 'At work'],
  ['archive', 'Archive'],
  ['bin', 'Bin'],
]

export const ORDERS = ['client', 'leftovers', 'release', 'worked'] as const
export type Order = (typeof ORDERS)[number]
/** What the list is sorted by, and whether backwards: names from Z, most leftovers first, the oldest time first. */
export type Sorting = { readonly by: Order; readonly backwards: boolean }

const STRAIGHT: Readonly<Record<Order, (a: JobLine, b: JobLine) => number>> = {
  client: (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true, sensitivity: 'base' }),
  leftovers: (a, b) => (a.leftovers ?? Infinity) - (b.leftovers ?? Infinity) || 0,
  release: (a, b) => newer(a.lastReleaseAt, b.lastReleaseAt),
  worked: (a, b) => newer(a.workedAt, b.workedAt),
}

/** Newest first; what never happened comes last. */
const newer = (a: string | null, b: string | null): number => (b ?? '').localeCompare(a ?? '')

/** Which way a sorting runs, as its column says it: names from A and the fewest leftovers go up, times from the newest go down. */
export function directionOf({ by, backwards }: Sorting): 'ascending' | 'descending' {
  return (by === 'client' || by === 'leftovers') === !backwards ? 'ascending' : 'descending'
}

/** The jobs of a shelf in an order; those that tie stand by name. */
export function sortJobs(jobs: readonly JobLine[], { by, backwards }: Sorting): JobLine[] {
  const way = backwards ? -1 : 1
  return jobs.toSorted((a, b) => way * STRAIGHT[by](a, b) || STRAIGHT.client(a, b))
}

/** Whether every word of what is looked for begins or stands in the client's name, the trade or the live address; accents do not matter. */
export function matchesJob({ name, trade, liveUrl }: JobLine, wanted: string): boolean {
  const all = plain(`${name} ${trade} ${liveUrl ?? ''}`)
  return plain(wanted)
    .split(/\s+/)
    .every((word) => all.includes(word))
}

const plain = (words: string): string => words.normalize('NFKD').replaceAll(/\p{M}/gu, '').toLowerCase()

const DAY_MS = 86_400_000

/** How many days a job in the bin has left, counted up; at least 0. */
export function daysLeft(shelvedAt: string, now: Date, days: number): number {
  return Math.min(days, Math.max(0, Math.ceil(days - (now.getTime() - Date.parse(shelvedAt)) / DAY_MS)))
}
