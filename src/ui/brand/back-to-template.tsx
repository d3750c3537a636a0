'use client'
import { BRAND_GROUPS, type BrandGroup, type EditStep } from '@/core/site'
import { Button } from '../parts/button'
import { useBrand } from './use-brand'

/** Everything of one group as the template has it, in one step. */
export function BackToTemplate({ group, words, also = [] }: { group: BrandGroup; words: string; also?: readonly EditStep[] }) {
  const { brand, setAll } = useBrand()
  const set = BRAND_GROUPS[group].filter((part) => brand[part] !== undefined)
  return (
    <Button
      className="mt-4"
      disabled={set.length === 0 && also.length === 0}
      onClick={() => setAll([...set.map((part): EditStep => ({ type: 'brand/set', part, value: null })), ...also])}
    >
      {words}
    </Button>
  )
}
