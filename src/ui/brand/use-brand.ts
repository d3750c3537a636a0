import { useCallback, useMemo } from 'react'
import type { Site } from '@/core/render'
import type { Brand, BrandPart, EditStep } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'

/** The brand in hand, the site it is worn by, and ways to change it; each change is one step to undo, a gesture's changes together. */
export function useBrand(): {
  readonly site: Site
  readonly brand: Brand
  readonly set: <P extends BrandPart>(part: P, value: Brand[P] | null, gesture?: string) => void
  readonly setAll: (edits: readonly EditStep[]) => void
} {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const gesture = useGesture()
  const site = useMemo<Site>(() => ({ document, pack, assets, mode: 'draft' }), [document, pack, assets])
  const set = useCallback(<P extends BrandPart>(part: P, value: Brand[P] | null, name?: string) => {
    store.apply({ type: 'brand/set', part, value: value ?? null }, name === undefined ? undefined : gesture(name))
  }, [store, gesture])
  const setAll = useCallback((edits: readonly EditStep[]) => { store.apply({ type: 'batch', edits: [...edits] }) }, [store])
  return { site, brand: document.brand, set, setAll }
}
