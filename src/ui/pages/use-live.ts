import { useCallback, useDeferredValue, useMemo } from 'react'
import type { Site } from '@/core/fill'
import { memoBy } from '@/core/memo'
import { liveState, sameLooks, type LiveState } from '@/core/plan'
import { entriesOf, findPage, isHidden, sectionsOfPage, type PageId, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'

export type Live = {
  readonly document: SiteDocument | null
  /** Whether visitors know a page already. */
  readonly isLive: (page: PageId) => boolean
}

/** What visitors see, for setting today's pages against it. */
export function useLive(document: SiteDocument | null): Live {
  const isLive = useCallback(
    (id: PageId) => {
      const page = document && findPage(document, id)
      return page !== null && !isHidden(document!, page)
    },
    [document],
  )
  return useMemo(() => ({ document, isLive }), [document, isLive])
}

/** How a page stands to the live site; reckoned anew when the page changes, or what every page shares. */
export function useLiveState(live: SiteDocument | null, id: PageId): LiveState | null {
  const store = useJobStore()
  const page = useJob((s) => findPage(s.document, id))
  // Compared once what was done is drawn.
  const sections = useDeferredValue(useJob((s) => sectionsOfPage(s.document, id)))
  // What is shared is changed from other pages too.
  const shared = useJob((s) => (sectionsOfPage(s.document, id).some(({ same }) => same !== undefined) ? s.document.sections : null))
  const filled = useJob((s) => sections.map((section) => entriesOf(s.document, section.id).length).join())
  const entries = useDeferredValue(useJob((s) => s.document.entries))
  const pages = useJob((s) => s.document.pages)
  const signposts = useJob((s) => s.document.signposts)
  const plan = useJob((s) => s.document.plan)
  const dress = useJob((s) => s.document.dress)
  const brand = useJob((s) => s.document.brand)
  const labels = useJob((s) => s.document.labels)
  const facts = useJob((s) => s.document.facts)
  return useMemo(() => {
    if (!page) return null
    const { document, pack, assets } = store.getState()
    const site: Site = { document, pack, assets, mode: 'release' }
    if (!live) return liveState(null, site, page, true)
    return liveState({ ...site, document: live }, site, page, hasSameLooks(live, site))
    // The document's own parts are what the state is made of.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [store, live, page, sections, shared, filled, entries, pages, signposts, plan, dress, brand, labels, facts])
}

/** Asked by every row, answered once for a dress and a brand. */
const hasSameLooks = memoBy(
  (live: SiteDocument, { document }: Site) => [document.dress, document.brand, live],
  (live, site): boolean => sameLooks({ ...site, document: live }, site),
)
