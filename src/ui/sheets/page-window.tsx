'use client'
import { useSearchParams } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import { NOT_FOUND, notFoundPage } from '@/core/fill'
import { findPageByPath } from '@/core/pages'
import { makeSheetPainter } from '@/core/render'
import { findPage, homePage, type Page, type PageId, type SiteDocument } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { jobSource } from '../job/job-source'
import { usePages } from '../job/use-pages'
import { SheetView } from './sheet-view'

/**
 * One page by itself, as wide as its window: it follows by itself what is done in others. Links lead to other pages; every page can be
 * chosen, listed or not.
 */
export function PageWindow() {
  const store = useJobStore()
  const pages = usePages()
  const asked = useSearchParams().get('page')
  const [view] = useState(() => createStore<{ page: PageId }>(() => ({ page: pageAsked(store.getState().document, asked).id })))
  const [page, setPage] = useState(view.getState().page)
  const [width, setWidth] = useState(0)
  const frame = useRef<HTMLIFrameElement>(null)
  const source = useMemo(() => jobSource(store, ({ document }) => pageAsked(document, view.getState().page), view), [store, view])
  useEffect(() => view.subscribe(({ page: next }) => setPage(next)), [view])
  useEffect(() => {
    const element = frame.current
    if (!element) return
    const sheet = new SheetView(element, null, (path) => {
      const to = findPageByPath(store.getState().document, path)
      if (to) view.setState({ page: to.id })
    })
    const paint = makeSheetPainter()
    const draw = (): void => {
      const { site, page: of } = source.current()
      sheet.show(paint(site, of))
    }
    draw()
    const stop = source.subscribe(draw)
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => {
      stop()
      observer.disconnect()
    }
  }, [store, view, source])
  return (
    <main className="flex h-dvh flex-col">
      <h1 className="sr-only">{pages.find(({ id }) => id === page)?.name ?? '404 page'}</h1>
      <div className="flex shrink-0 items-center gap-3 border-b border-ink bg-tape px-3 py-1 text-sm">
        <label className="flex min-w-0 items-center gap-2">
          <span className="sr-only sm:not-sr-only">Page</span>
          <select
            className="min-w-0 max-w-80 rounded-sm border border-ink bg-white px-1.5 py-0.5"
            value={page}
            onChange={(event) => view.setState({ page: event.target.value as PageId })}
          >
            {pages.map(({ id, name, path }) => (
              <option key={id} value={id}>
                {name} — {path}
              </option>
            ))}
            <option value={NOT_FOUND}>404 page</option>
          </select>
        </label>
        <span className="ms-auto font-mono text-xs" role="status">
          {width} px
        </span>
      </div>
      <iframe ref={frame} title="The page" className="min-h-0 w-full flex-1 border-0 bg-white" />
    </main>
  )
}

function pageAsked(document: SiteDocument, id: string | null): Page {
  return id === NOT_FOUND ? notFoundPage() : (findPage(document, id ?? '') ?? homePage(document))
}
