'use client'
import { createContext, use } from 'react'
import { useStore } from 'zustand'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Listed } from '@/core/ledger'
import { placeKey, type Place } from '@/core/site'

/** Places that are chosen together: from where the choice began to where it goes now, as they are listed. */
export type Range = {
  readonly anchor: Place | null
  readonly chosen: ReadonlySet<string>
  /** What is listed, in order; the ledger says it. */
  readonly listed: readonly Listed[]
}

export type RangeStore = StoreApi<Range>
const NOTHING: ReadonlySet<string> = new Set()

export function makeRange(): RangeStore {
  return createStore<Range>(() => ({ anchor: null, chosen: NOTHING, listed: [] }))
}

export const RangeContext = createContext<RangeStore | null>(null)

export function useRangeStore(): RangeStore {
  const store = use(RangeContext)
  if (!store) throw new Error('No ledger is here')
  return store
}

export function useRange<T>(select: (range: Range) => T): T {
  return useStore(useRangeStore(), select)
}

/** Chooses what lies between where the choice began and a place; it begins at `from` where nothing was chosen. */
export function chooseTo(range: RangeStore, from: Place, to: Place): void {
  const { anchor, listed } = range.getState()
  const keys = listed.map(({ key }) => key)
  const start = anchor && keys.includes(placeKey(anchor)) ? anchor : from
  const [a, b] = [keys.indexOf(placeKey(start)), keys.indexOf(placeKey(to))]
  if (a < 0 || b < 0) return
  range.setState({ anchor: start, chosen: new Set(keys.slice(Math.min(a, b), Math.max(a, b) + 1)) })
}

export function chooseAll(range: RangeStore): void {
  const { listed } = range.getState()
  range.setState({ anchor: listed[0]?.place ?? null, chosen: new Set(listed.map(({ key }) => key)) })
}

export function chooseNone(range: RangeStore): void {
  if (range.getState().chosen.size > 0 || range.getState().anchor) range.setState({ anchor: null, chosen: NOTHING })
}
