'use client'
import { useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { type Shelf, SHELVES } from '@/core/replies'
import { ORDERS, type Order, type Sorting } from './job-line'

type ListState = { readonly shelf: Shelf; readonly sorting: Sorting; readonly wanted: string }

const FIRST: Sorting = { by: 'worked', backwards: false }

/** What the list shows, written into the address too: a reload, or coming back, shows the same. */
export function useListState(): ListState & { readonly set: (next: Partial<ListState>) => void } {
  const query = useSearchParams()
  const [now, setNow] = useState<ListState>(() => ({
    shelf: SHELVES.find((key) => key === query.get('shelf')) ?? 'work',
    sorting: readSorting(query.get('sort')),
    wanted: query.get('find') ?? '',
  }))
  const set = (part: Partial<ListState>): void => {
    const next = { ...now, ...part }
    setNow(next)
    window.history.replaceState(null, '', toAddress(next))
  }
  return { ...now, set }
}

function toAddress({ shelf, sorting, wanted }: ListState): string {
  const parts = new URLSearchParams()
  if (wanted !== '') parts.set('find', wanted)
  if (shelf !== 'work') parts.set('shelf', shelf)
  if (sorting.by !== FIRST.by || sorting.backwards) parts.set('sort', `${sorting.backwards ? '-' : ''}${sorting.by}`)
  return parts.size > 0 ? `?${parts}` : window.location.pathname
}

function readSorting(asked: string | null): Sorting {
  const by = ORDERS.find((order): order is Order => order === asked?.replace(/^-/, ''))
  return by ? { by, backwards: asked?.startsWith('-') ?? false } : FIRST
}
