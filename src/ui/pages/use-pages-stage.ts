import { useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Spot } from '@/core/plan'
import { findPage, homePage, type PageId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'

/** What the lower half of the stage shows: the page in hand, or a view in which something is chosen for it. */
export type Below =
  | { readonly type: 'page' }
  | { readonly type: 'add-page' }
  | { readonly type: 'outline' }
  | { readonly type: 'signposts' }
  | { readonly type: 'redirects' }
  | { readonly type: 'found' }
  | { readonly type: 'untouched' }
  | { readonly type: 'bin' }
  | { readonly type: 'add-section'; readonly spot: Spot }
  | { readonly type: 'all' }

export type PagesHand = {
  readonly page: PageId
  readonly below: Below
  /** The page on the sheets, for them to ask for between two drawings of the screen. */
  readonly view: StoreApi<{ readonly page: PageId }>
  readonly hold: (page: PageId) => void
  readonly open: (below: Below) => void
}

/** Which page is in hand, and what is shown of it. The page stands in the address, so that a reload comes back to it. */
export function usePagesHand(): PagesHand {
  const store = useJobStore()
  const params = useSearchParams()
  const asked = params.get('page')
  const show = params.get('show')
  const [page, setPage] = useState<PageId>(() => {
    const { document } = store.getState()
    return (findPage(document, asked ?? '') ?? homePage(document)).id
  })
  const [below, setBelow] = useState<Below>({ type: 'page' })
  // Whoever comes by the search is shown what was asked for, on this stage as well.
  useEffect(() => {
    if (show === 'add-page' || show === 'outline' || show === 'redirects' || show === 'found') setBelow({ type: show })
  }, [show])
  const [view] = useState(() => createStore<{ page: PageId }>(() => ({ page })))
  const hold = useCallback(
    (next: PageId) => {
      setPage(next)
      view.setState({ page: next })
      window.history.replaceState(null, '', `?page=${next}`)
    },
    [view],
  )
  useEffect(() => {
    const named = asked === null ? null : findPage(store.getState().document, asked)
    if (!named) return
    setPage(named.id)
    view.setState({ page: named.id })
  }, [asked, store, view])
  // A page can leave while it is in hand: by undo, by another tab, by starting over.
  const isThere = useJob((s) => findPage(s.document, page) !== null)
  useEffect(() => {
    if (!isThere) hold(homePage(store.getState().document).id)
  }, [isThere, hold, store])
  const shown = isThere ? page : homePage(store.getState().document).id
  return useMemo(() => ({ page: shown, below, view, hold, open: setBelow }), [shown, below, view, hold])
}
