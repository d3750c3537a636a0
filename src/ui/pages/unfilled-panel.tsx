'use client'
import { useMemo } from 'react'
import { pageTexts } from '@/core/fill'
import { removeUnfilled, unfilledParts } from '@/core/plan'
import { pageOfSection } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { capital, count } from '../parts/words'
import { attemptWithUndo } from './use-acts'

/** What still holds the template's content only, said exactly before it is removed in one act. */
export function UnfilledPanel({ onClose }: { onClose: () => void }) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const found = useMemo(() => unfilledParts(pack, document), [pack, document])
  const { pages, sections } = found
  const words = [
    ...(pages.length > 0 ? [count(pages.length, 'page')] : []),
    ...(sections.length > 0 ? [`${count(sections.length, 'section')} of pages that stay`] : []),
  ].join(' and ')
  const nameOf = (page: (typeof pages)[number] | null): string => (page ? pageTexts(pack, document, page).name : '')
  return (
    <section
      aria-label="Unfilled"
      className="flex min-h-0 flex-1 flex-col gap-2 pb-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <p className="flex items-center gap-2">
        <Button
          look="main"
          disabled={words === ''}
          onClick={() => {
            attemptWithUndo(
              store,
              removeUnfilled(found),
              'Nothing was removed',
              `${capital(words)} removed: they held the template’s content only.`,
            )
            onClose()
          }}
        >
          Remove {words || 'nothing'}
        </Button>
        <span className="text-sm text-soft">
          {words === ''
            ? 'Everything holds something of the client’s.'
            : 'They hold the template’s content only. One step brings them back.'}
        </span>
        <Button look="quiet" className="ms-auto" onClick={onClose}>
          Close
        </Button>
      </p>
      <ul className="min-h-0 flex-1 columns-2 overflow-y-auto text-sm">
        {pages.map((page) => (
          <li key={page.id} className="border-b border-grid py-1">
            <b dir="auto">{nameOf(page)}</b> <span className="text-soft">the whole page</span>
          </li>
        ))}
        {sections.map((section) => (
          <li key={section.id} className="border-b border-grid py-1">
            <span dir="auto">{nameOf(pageOfSection(document, section.id))}</span>: <b>{capital(section.kind.replace('-', ' and '))}</b>{' '}
            <span className="text-soft">{section.design}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
