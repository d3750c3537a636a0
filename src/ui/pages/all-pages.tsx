'use client'
import { useEffect, useRef, type KeyboardEvent } from 'react'
import { pageTexts } from '@/core/fill'
import { findPage, lineOf, pagesOf, type PageId } from '@/core/site'
import { usePages } from '../job/use-pages'
import { useSite } from '../job/use-site'
import { TryOn } from '../sheets/try-on'

type Props = { readonly inHand: PageId; readonly onHold: (page: PageId) => void; readonly onOpen: (page: PageId) => void }

/** All pages as small live sheets, side by side; each is drawn as it comes into view. */
export function AllPages({ inHand, onHold, onOpen }: Props) {
  const site = useSite()
  const pages = usePages()
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => list.current?.querySelector<HTMLElement>('[aria-current]')?.focus(), [])
  const press = (event: KeyboardEvent<HTMLElement>, id: PageId): void => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
    if (event.key === 'Enter') onOpen(id)
    else if (step) {
      const order = pagesOf(site.document)
      const next = order[order.findIndex((p) => p.id === id) + step]
      if (!next) return
      onHold(next.id)
      list.current?.querySelector<HTMLElement>(`[data-page="${CSS.escape(next.id)}"]`)?.focus()
    } else return
    event.preventDefault()
  }
  return (
    <section aria-label="All pages" className="min-h-0 flex-1 overflow-y-auto pb-3">
      <ul ref={list} className="grid grid-cols-[repeat(auto-fill,202px)] gap-3">
        {pages.map(({ id, name }) => {
          const page = findPage(site.document, id)
          if (!page) return null
          const above = lineOf(site.document, page).slice(0, -1)
          return (
            <li key={id}>
              <button
                type="button"
                data-page={id}
                aria-current={id === inHand ? 'page' : undefined}
                tabIndex={id === inHand ? 0 : -1}
                onFocus={() => id !== inHand && onHold(id)}
                onDoubleClick={() => onOpen(id)}
                onKeyDown={(event) => press(event, id)}
                className={`block w-full border p-1 text-start ${id === inHand ? 'border-ink bg-tape' : 'border-clear hover:border-seam'}`}
              >
                <TryOn site={site} page={page} layout={1280} width={192} height={150} label={`${name}, small`} />
                <span className="block truncate pt-1 text-sm font-semibold" dir="auto">
                  {name}
                </span>
                <span className="block truncate text-xs text-soft" dir="auto">
                  {above.map((one) => pageTexts(site.pack, site.document, one).name).join(' / ') || '\u{a0}'}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
