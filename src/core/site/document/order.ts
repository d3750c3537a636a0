import { own } from '../../own'
import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

/** Records by id. */
export type Table<T> = Readonly<Record<string, T>>
type Ranked = { readonly id: string; readonly rank: string }
type PlaceOf<T> = (record: T) => string
type Index<T> = ReadonlyMap<string, readonly T[]>

/**
 * Which records of a table stand in which place, in order. A table is never changed in place, so what was found for one
 * holds for good; a table made from another by one change takes over the order of all that stayed, so that a key press
 * costs no more on a large site than on a small one.
 */
const indexes = new WeakMap<object, Index<unknown>>()
const NOBODY: readonly never[] = []

export function standingIn<T extends Ranked>(table: Table<T>, placeOf: PlaceOf<T>, place: string): readonly T[] {
  return indexOf(table, placeOf).get(place) ?? NOBODY
}

/** The records of a table, those together that stand in one place: the very array of before where nothing came, went or changed there. */
export function groupsOf<T extends Ranked>(table: Table<T>, placeOf: PlaceOf<T>): Iterable<readonly T[]> {
  return indexOf(table, placeOf).values()
}

function indexOf<T extends Ranked>(table: Table<T>, placeOf: PlaceOf<T>): Index<T> {
  const known = indexes.get(table) as Index<T> | undefined
  if (known) return known
  const found = new Map<string, T[]>()
  for (const record of Object.values(table)) {
    const place = placeOf(record)
    const there = found.get(place)
    if (there) there.push(record)
    else found.set(place, [record])
  }
  for (const there of found.values()) there.sort(byRank)
  indexes.set(table, found)
  return found
}

export function byRank(a: Ranked, b: Ranked): number {
  if (a.rank !== b.rank) return a.rank < b.rank ? -1 : 1
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0
}

/** The table with a record set; one of the same id is replaced. */
export function withRecord<T extends Ranked>(table: Table<T>, record: T, placeOf: PlaceOf<T>): Table<T> {
  const before = own(table, record.id)
  const ids = idsOf(table)
  const next = copyOf(table, ids)
  next[record.id] = record
  idLists.set(next, before ? ids : [...ids, record.id])
  if (before && isContentAlone(before, record)) shapes.set(next, shapeOf(table))
  carryOrder(table, next, placeOf, before, record)
  return next
}

const shapes = new WeakMap<object, object>()

/**
 * What two tables have in common whose records differ in their content (`slots`) alone: whatever is asked of all but that has one answer
 * for both, so that it can be kept by this. Typing changes no shape.
 */
export function shapeOf(table: object): object {
  return shapes.get(table) ?? table
}

function isContentAlone<T extends object>(before: T, after: T): boolean {
  const [was, is] = [Object.entries(before), new Map<string, unknown>(Object.entries(after))]
  return was.length === is.size && was.every(([part, value]) => part === 'slots' || (is.has(part) && is.get(part) === value))
}

export function withoutRecord<T extends Ranked>(table: Table<T>, id: string, placeOf: PlaceOf<T>): Table<T> {
  const gone = own(table, id)
  const ids = idsOf(table).filter((other) => other !== id)
  const next = copyOf(table, ids)
  idLists.set(next, ids)
  carryOrder(table, next, placeOf, gone, undefined)
  return next
}

/** The ids of a table, kept with it: copying a table of thousands by a list of its ids takes a third of what spreading it takes. */
const idLists = new WeakMap<object, readonly string[]>()

function idsOf<T>(table: Table<T>): readonly string[] {
  return idLists.get(table) ?? Object.keys(table)
}

function copyOf<T>(table: Table<T>, ids: readonly string[]): Record<string, T> {
  const copy: Record<string, T> = {}
  // These are its own ids: asking each table of thousands by `own` would double what a key press costs.
  for (const id of ids) copy[id] = table[id] as T
  return copy
}

function carryOrder<T extends Ranked>(from: Table<T>, to: Table<T>, placeOf: PlaceOf<T>, gone: T | undefined, come: T | undefined): void {
  const known = indexes.get(from) as Index<T> | undefined
  if (!known) return
  const next = new Map(known)
  const settle = (place: string, records: readonly T[]): void => void (records.length > 0 ? next.set(place, records) : next.delete(place))
  if (gone && come && placeOf(gone) === placeOf(come) && gone.rank === come.rank) {
    settle(
      placeOf(come),
      (next.get(placeOf(come)) ?? NOBODY).map((r) => (r === gone ? come : r)),
    )
  } else {
    if (gone)
      settle(
        placeOf(gone),
        (next.get(placeOf(gone)) ?? NOBODY).filter((r) => r !== gone),
      )
    if (come) settle(placeOf(come), [...(next.get(placeOf(come)) ?? NOBODY), come].sort(byRank))
  }
  indexes.set(to, next)
}

/** A rank between two neighbours; null where there is none on that side. */
export function rankBetween(before: string | null, after: string | null): string {
  // Two neighbours may have come by one rank at once; then what is put between them goes behind both.
  return generateKeyBetween(before, before !== null && after !== null && before >= after ? null : after)
}

/** Ranks for a row of records in order. */
export function ranks(count: number): readonly string[] {
  return generateNKeysBetween(null, null, count)
}

/**
 * Ranks for records that are to stand in a given order, keeping as many of those they have as possible: only what has to
 * move gets a new one. `null` is a record that has none yet.
 */
export function ranksInOrder(now: readonly (string | null)[]): readonly string[] {
  const kept = longestRise(now)
  const out: string[] = []
  now.forEach((rank, i) => {
    if (kept.has(i) && rank !== null) return void out.push(rank)
    const next = now.findIndex((r, j) => j > i && r !== null && kept.has(j))
    out.push(rankBetween(out.at(-1) ?? null, next < 0 ? null : (now[next] ?? null)))
  })
  return out
}

/** Indices of a longest strictly rising run of ranks, by patience sorting. */
function longestRise(of: readonly (string | null)[]): Set<number> {
  const ends: number[] = []
  const before = new Map<number, number>()
  of.forEach((rank, i) => {
    if (rank === null) return
    let low = 0
    for (let high = ends.length; low < high;) {
      const middle = (low + high) >> 1
      if ((of[ends[middle] ?? 0] ?? '') < rank) low = middle + 1
      else high = middle
    }
    const previous = ends[low - 1]
    if (previous !== undefined) before.set(i, previous)
    ends[low] = i
  })
  const found = new Set<number>()
  for (let at = ends.at(-1); at !== undefined; at = before.get(at)) found.add(at)
  return found
}
