'use client'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { toast } from 'sonner'
import { pageTexts } from '@/core/fill'
import { restoreRemoved, removedParts, type RemovedPart } from '@/core/plan'
import { historyPageSchema, type HistoryPage, type SavedRow } from '@/core/replies'
import { findPage } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { capital } from '../parts/words'
import { getJson } from '../request/api'
import { refuse } from '../request/refuse'
import { attempt } from './use-acts'

/** What was removed from this job and stands nowhere now, the latest first; each comes back with everything in it. */
export function BinPanel({ onBack, onClose }: { onBack: (of: RemovedPart) => void; onClose: () => void }) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const { rows, older } = useHistory()
  const found = useMemo(
    () =>
      rows
        ? removedParts(
            document,
            rows.filter(({ undoes }) => undoes === null),
          )
        : [],
    [document, rows],
  )
  const titleOf = (one: RemovedPart): string => {
    if (one.type === 'page') return pageTexts(pack, document, one.page).name
    return one.section.name ?? capital(one.section.kind.replace('-', ' and '))
  }
  const whereOf = (one: RemovedPart): string => {
    if (one.type === 'page') return 'the whole page'
    const { in: where } = one.section
    const page = where.type === 'page' ? findPage(document, where.page) : null
    return page ? `a section of ${pageTexts(pack, document, page).name}` : 'a section of every page'
  }
  const back = (one: RemovedPart): void => {
    if (attempt(store, restoreRemoved(store.getState().document, one), 'It was not restored') === null) return
    toast(`“${titleOf(one)}” is back, with everything in it.`)
    onBack(one)
  }
  return (
    <section
      aria-label="Bin"
      className="flex min-h-0 flex-1 flex-col gap-2 pb-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="flex items-center gap-2">
        <h2 className="font-bold">Taken out of this job</h2>
        {older && (
          <Button look="quiet" onClick={older}>
            Look further back
          </Button>
        )}
        <Button look="quiet" className="ms-auto" onClick={onClose}>
          Close
        </Button>
      </div>
      {rows === null && <p role="status">Looking through what was done…</p>}
      {rows !== null && found.length === 0 && (
        <p className="text-sm text-soft">
          Nothing was removed. Pages and sections that you remove are kept here with everything in them; Restore brings them back.
        </p>
      )}
      <ul className="min-h-0 flex-1 overflow-y-auto text-sm">
        {found.map((one) => (
          <li
            key={`${one.type} ${one.type === 'page' ? one.page.id : one.section.id}`}
            className="flex items-center gap-3 border-b border-grid py-1"
          >
            <b dir="auto">{titleOf(one)}</b> <span className="text-soft">{whereOf(one)}</span>
            <Button className="ms-auto" onClick={() => back(one)} aria-label={`Restore ${titleOf(one)}`}>
              Restore
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The job's history as it is saved, a page at a time, from the newest back. */
function useHistory(): { readonly rows: readonly SavedRow[] | null; readonly older: (() => void) | null } {
  const id = useJob((s) => s.id)
  const isSaved = useJob((s) => s.saveState === 'saved')
  const [read, setRead] = useState<HistoryPage | null>(null)
  const fetchBefore = useCallback(
    (revision: number) =>
      getJson(`/api/jobs/${id}/history?before=${revision}`, historyPageSchema)
        .then((reply) => setRead((known) => joined(known, reply)))
        .catch(refuse),
    [id],
  )
  useEffect(() => {
    // What was just done is part of it once it is saved.
    if (isSaved) void fetchBefore(NEWEST)
  }, [isSaved, fetchBefore])
  const first = read?.rows[0]?.revision
  return { rows: read?.rows ?? null, older: read && !read.isFirst && first !== undefined ? () => void fetchBefore(first) : null }
}

/** Before no revision that there can be: the newest rows. */
const NEWEST = Number.MAX_SAFE_INTEGER

/** Pages of history as one, each row once, in order; whether it is the first is known of what reaches furthest back. */
function joined(known: HistoryPage | null, reply: HistoryPage): HistoryPage {
  if (!known) return reply
  const rows = new Map([...known.rows, ...reply.rows].map((row): [number, SavedRow] => [row.revision, row]))
  const reachesFurther = (reply.rows[0]?.revision ?? 0) < (known.rows[0]?.revision ?? 0)
  return { rows: [...rows.values()].sort((a, b) => a.revision - b.revision), isFirst: reachesFurther ? reply.isFirst : known.isFirst }
}
