import { useMemo } from 'react'
import { useSearchParams } from 'next/navigation'
import type { Site } from '@/core/fill'
import { wear } from '@/core/wear'
import { useSite } from '../job/use-site'

export type TemplateView = 'all' | 'particulars' | 'beside' | 'walk' | 'put-on'
const VIEWS: readonly TemplateView[] = ['all', 'particulars', 'beside', 'walk', 'put-on']

/** Where in the template room the designer stands: kept in the address, so that reload and back find it again. */
export function useTemplateView(): {
  readonly view: TemplateView
  readonly of: readonly string[]
  readonly go: (view: TemplateView, ...of: string[]) => void
} {
  const params = useSearchParams()
  const asked = params.get('show')
  const of = params.get('of')?.split(',').filter(Boolean) ?? []
  const view = VIEWS.find((v) => v === asked) ?? 'all'
  return {
    view: of.length === 0 ? 'all' : view,
    of,
    go: (next, ...ids) => window.history.pushState(null, '', next === 'all' ? '?' : `?show=${next}&of=${ids.join(',')}`),
  }
}

/**
 * The client's site on a template, before it is chosen. It is arranged anew only when pages or sections changed; a change
 * of facts or brand, which is what typing and picking colours make, goes over the arrangement that is there.
 */
export function useTryOn(template: string): Site {
  const site = useSite()
  const { document, pack } = site
  const { pages, sections, entries, dress, outfits, facts, brand, labels, signposts, plan } = document
  const dressed = useMemo(
    () => wear(pack, document, template),
    // What is not listed goes over it below.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [pack, template, pages, sections, entries, dress, outfits, signposts, plan],
  )
  return useMemo(() => ({ ...site, document: { ...dressed, facts, brand, labels } }), [site, dressed, facts, brand, labels])
}
