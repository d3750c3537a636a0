import { useMemo } from 'react'
import { pageTexts } from '@/core/fill'
import { pagePath } from '@/core/pages'
import { pagesOf, type PageId } from '@/core/site'
import { useJob, useJobStore } from './job-context'

export type PageLine = { readonly id: PageId; readonly name: string; readonly path: string }

/** The job's pages in order, for choosing among them; made anew when a page changes, not when a word on one does. */
export function usePages(): readonly PageLine[] {
  const store = useJobStore()
  const table = useJob((s) => s.document.pages)
  return useMemo(() => {
    const { document, pack } = store.getState()
    return pagesOf(document).map((page) => ({ id: page.id, name: pageTexts(pack, document, page).name, path: pagePath(document, page) }))
    // The table is what the pages are read from.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [store, table])
}
