import { useMemo } from 'react'
import { useSearchParams } from 'next/navigation'
import type { AssetTable } from '@/core/image'
import type { Pack } from '@/core/pack'
import type { Site } from '@/core/render'
import { arrange, type Arrangement, type SiteDocument } from '@/core/site'
import { wear } from '@/core/wear'

export type RoomView = 'all' | 'particulars' | 'beside' | 'walk' | 'put-on'
const VIEWS: readonly RoomView[] = ['all', 'particulars', 'beside', 'walk', 'put-on']

/** Where in the template room the designer stands: kept in the address, so that reload and back find it again. */
export function useRoom(): { readonly view: RoomView; readonly of: readonly string[]; readonly go: (view: RoomView, ...of: string[]) => void } {
  const params = useSearchParams()
  const asked = params.get('show')
  const of = params.get('of')?.split(',').filter(Boolean) ?? []
  const view = VIEWS.find((v) => v === asked) ?? 'all'
  return { view: of.length === 0 ? 'all' : view, of, go: (next, ...ids) => window.history.pushState(null, '', next === 'all' ? '?' : `?show=${next}&of=${ids.join(',')}`) }
}

/** The document as an arrangement would have it. */
export function arranged(document: SiteDocument, to: Arrangement): SiteDocument {
  const applied = arrange(document, to)
  if (!applied.ok) throw new Error(`The arrangement does not fit: ${applied.problem.code}`)
  return applied.document
}

/**
 * The client's site on a template, before it is chosen. It is arranged anew only when pages or sections changed; a change
 * of facts or brand, which is what typing and picking colours make, goes over the arrangement that is there.
 */
export function useTryOn(pack: Pack, assets: AssetTable, document: SiteDocument, template: string): Site {
  const { pages, header, footer, template: worn, worn: remembered, scheme, dark, facts, brand } = document
  const dressed = useMemo(() => arranged(document, wear(pack, document, template).to), [pack, template, pages, header, footer, worn, remembered, scheme, dark])
  return useMemo(() => ({ document: { ...dressed, facts, brand }, pack, assets, mode: 'draft' }), [dressed, facts, brand, pack, assets])
}
