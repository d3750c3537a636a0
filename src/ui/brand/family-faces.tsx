import { useMemo } from 'react'
import { familyFaces } from '@/core/render'
import { FAMILIES, fontFaceCss, ownFamilies, type Family } from '@/core/type'
import { useBrand } from './use-brand'

/** Every family at hand: the client's own first, then the shipped ones. */
export function useFamilies(): readonly Family[] {
  const { brand } = useBrand()
  return useMemo(() => [...ownFamilies(brand.fonts ?? []), ...Object.values(FAMILIES)], [brand.fonts])
}

/** Names all families to the browser; it fetches only those that something on the screen is set in. */
export function FamilyFaces() {
  const families = useFamilies()
  const css = useMemo(() => fontFaceCss(families.flatMap(familyFaces)), [families])
  return <style>{css}</style>
}
