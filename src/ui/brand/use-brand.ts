import { useCallback } from 'react'
import type { Brand, BrandPart, EditStep } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'

/** The brand in hand and ways to change it; each change is one step to undo, a gesture's changes together. */
export function useBrand(): {
  readonly brand: Brand
  readonly set: <P extends BrandPart>(part: P, value: Brand[P] | null, gesture?: string) => void
  readonly setAll: (edits: readonly EditStep[]) => void
} {
  const store = useJobStore()
  const brand = useJob((s) => s.document.brand)
  const gesture = useGesture()
  const set = useCallback(
    <P extends BrandPart>(part: P, value: Brand[P] | null, name?: string) => {
      store.apply({ type: 'brand/set', part, value: value ?? null }, name === undefined ? undefined : gesture(name))
    },
    [store, gesture],
  )
  const setAll = useCallback(
    (edits: readonly EditStep[]) => {
      store.apply({ type: 'batch', edits: [...edits] })
    },
    [store],
  )
  return { brand, set, setAll }
}
