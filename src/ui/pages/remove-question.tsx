'use client'
import { useEffect, useRef, useState } from 'react'
import { pageTexts } from '@/core/fill'
import { findPage, pagesOf, type PageId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import type { PageActs } from './use-acts'

type Props = { readonly page: PageId; readonly acts: PageActs; readonly onClose: () => void }

/** Asked before a page goes that something leads to or stands under: what is to become of that. */
export function RemoveQuestion({ page: id, acts, onClose }: Props) {
  const store = useJobStore()
  const { pack, document } = store.getState()
  const name = useJob((s) => {
    const page = findPage(s.document, id)
    return page ? pageTexts(s.pack, s.document, page).name : ''
  })
  const asked = acts.asksBefore(id) ?? { links: [], under: [] }
  const [withAll, setWithAll] = useState(false)
  const [to, setTo] = useState<PageId | ''>('')
  const first = useRef<HTMLHeadingElement>(null)
  useEffect(() => first.current?.focus(), [])
  const gone = new Set<string>([id, ...(withAll ? asked.under.map((page) => page.id) : [])])
  const others = pagesOf(document).filter((page) => !gone.has(page.id))
  const target = to !== '' && !gone.has(to) ? to : null
  return (
    <section
      aria-label={`Remove ${name}`}
      className="mb-2 grid gap-2 border border-ink bg-cloth p-3 text-sm"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <h2 ref={first} tabIndex={-1} className="justify-self-start text-base font-bold outline-none">
        Remove “<span dir="auto">{name}</span>”?
      </h2>
      {asked.links.length > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          <label htmlFor="links-then">
            {count(asked.links.length, 'link leads', 'links lead')} to what goes (
            {asked.links
              .map((link) => (link.type === 'slot' ? link.words : link.signpost.label.text))
              .slice(0, 4)
              .join(', ')}
            ):
          </label>
          <select
            id="links-then"
            className="rounded-sm border border-seam bg-white px-2 py-1"
            value={target ?? ''}
            onChange={(event) => setTo(event.target.value as PageId | '')}
          >
            <option value="">drop them</option>
            {others.map((page) => (
              <option key={page.id} value={page.id}>
                lead to {pageTexts(pack, document, page).name}
              </option>
            ))}
          </select>
        </p>
      )}
      {asked.under.length > 0 && (
        <label className="flex items-center gap-2">
          <input type="checkbox" className="accent-ink" checked={withAll} onChange={(event) => setWithAll(event.target.checked)} />
          The {count(asked.under.length, 'page')} under it too (else they take its place)
        </label>
      )}
      <p className="flex gap-2">
        <Button
          look="main"
          onClick={() => {
            acts.remove(id, withAll, target === null ? 'drop' : { to: target })
            onClose()
          }}
        >
          Remove
        </Button>
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
      </p>
    </section>
  )
}
