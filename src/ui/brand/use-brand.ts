import { useCallback } from 'react'
import type { Site } from '@/core/fill'
import type { Brand, BrandPart, EditStep } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { useSite } from '../job/use-site'

/** The brand in hand, the site it is worn by, and ways to change it; each change is one step to undo, a gesture's changes together. */
export function useBrand(): {
  readonly site: Site
  readonly brand: Brand
  readonly set: <P extends BrandPart>(part: P, value: Brand[P] | null, gesture?: string) => void
  readonly setAll: (edits: readonly EditStep[]) => void
} {
  const store = useJobStore()
  const site = useSite()
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
  return { site, brand: site.document.brand, set, setAll }
}
