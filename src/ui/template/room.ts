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

/** The client's site on a template, before it is chosen. */
export function useTryOn(pack: Pack, assets: AssetTable, document: SiteDocument, template: string): Site {
  return useMemo(() => ({ document: arranged(document, wear(pack, document, template).to), pack, assets, mode: 'draft' }), [pack, assets, document, template])
}
