'use client'
import { useMemo, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import { pageTexts } from '@/core/fill'
import { getTemplate } from '@/core/pack'
import { findPageByPath, pagePath } from '@/core/pages'
import { homePage, pagesOf, type PageId } from '@/core/site'
import { pageNamed } from '@/core/wear'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { ViewHead } from './view-head'
import { useTemplateView, useTryOn } from './template-view'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']

/** A walk through the client's site on a template: full size and on the phone, menus and links working. */
export function Walk({ template }: { template: string }) {
  const pack = useJob((s) => s.pack)
  const site = useTryOn(template)
  const { go } = useTemplateView()
  const [big, setBig] = useState<SheetName | null>(null)
  const [page, setPage] = useState<PageId>(homePage(site.document).id)
  const [view] = useState(() => createStore(() => ({ site, page })))
  if (view.getState().site !== site || view.getState().page !== page) queueMicrotask(() => view.setState({ site, page }))
  const source = useMemo<SheetSource>(
    () => ({
      current: () => {
        const now = view.getState()
        return { site: now.site, page: pageNamed(now.site.document, now.page) }
      },
      subscribe: view.subscribe,
    }),
    [view],
  )
  const walkTo = (path: string): void => {
    const next = findPageByPath(view.getState().site.document, path)
    if (next) setPage(next.id)
  }
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewHead title={`Through ${getTemplate(pack, template).name}`}>
        <label className="flex items-center gap-1.5 text-sm">
          Page
          <select
            aria-label="Page"
            className={`${inputClass} w-auto!`}
            value={page}
            onChange={(event) => setPage(event.target.value as PageId)}
          >
            {pagesOf(site.document).map((p) => (
              <option key={p.id} value={p.id}>
                {pageTexts(pack, site.document, p).name} — {pagePath(site.document, p)}
              </option>
            ))}
          </select>
        </label>
        <Button onClick={() => go('particulars', template)}>Details</Button>
        <Button look="main" onClick={() => go('put-on', template)}>
          Put it on
        </Button>
      </ViewHead>
      <div className="min-h-0 flex-1 p-4">
        <SheetRow source={source} sheets={SHEETS} label="Walk" events={null} onGo={walkTo} big={big} onBig={setBig} />
      </div>
    </main>
  )
}
