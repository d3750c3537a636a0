'use client'
import { useShallow } from 'zustand/react/shallow'
import type { LedgerRow } from '@/core/fill'
import { alsoShown, restoreOwn, unlink, showOf, spotName, wordsBefore } from '@/core/plan'
import { cellAt, samePlace, sourceOf, type Same } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { HowMany } from './how-many'
import { newEntryId } from './slot-actions'

type Props = { readonly row: LedgerRow; readonly onGo: (row: LedgerRow) => void }

/** Of a place that is the same as another: which, and what parts the two. Of one that others are the same as: where they stand. */
export function SameNote({ row, onGo }: Props) {
  if (row.same) return <Follows row={row} same={row.same} onGo={onGo} />
  return samePlace(row.place, row.stands) ? <Followed row={row} /> : null
}

const BUTTON = 'rounded-sm border border-seam px-1.5 hover:border-ink hover:bg-tape'

function Follows({ row, same, onGo }: Props & { readonly same: Same }) {
  const store = useJobStore()
  const { section, entry, slot } = row.stands
  const spot = { section, entry, slot }
  const name = useJob((s) => spotName(s.pack, s.document, sourceOf(s.document, spot)))
  const before = wordsBefore(same)
  return (
    <div className="flex flex-wrap items-center gap-1.5 pt-1 text-sm">
      <button type="button" className="me-1 text-start underline decoration-dotted hover:bg-tape" onClick={() => onGo(row)}>
        Same as {name}
      </button>
      {row.type === 'list' && <Show row={row} same={same} />}
      {row.type === 'list' && <HowMany row={row} />}
      <button
        type="button"
        className={BUTTON}
        title="Keep what it shows, and follow no more"
        onClick={() => store.apply(unlink(store.getState().document, { spot, same }, newEntryId))}
      >
        Unlink
      </button>
      {(before !== null || row.type === 'list') && (
        <button
          type="button"
          className={BUTTON}
          title={before === null ? 'It has the entries again that it had before' : `It says again “${before.slice(0, 80)}”`}
          onClick={() => store.apply(restoreOwn({ spot, same }))}
        >
          Restore own
        </button>
      )}
    </div>
  )
}

/** How many of the other's entries are shown here. */
function Show({ row, same }: { readonly row: LedgerRow; readonly same: Same }) {
  const store = useJobStore()
  const { section, slot } = row.stands
  const there = row.count?.there ?? 0
  return (
    <label className="flex items-center gap-1">
      shows
      <select
        className="rounded-sm border border-seam bg-white px-1 py-0.5"
        value={same.show ?? ''}
        onChange={({ target }) =>
          store.apply(showOf({ section, entry: null, slot }, same, target.value === '' ? null : Number(target.value)))
        }
      >
        <option value="">all {there}</option>
        {Array.from({ length: Math.max(there, same.show ?? 0) }, (_, i) => (
          <option key={i} value={i + 1}>
            the first {i + 1}
          </option>
        ))}
      </select>
    </label>
  )
}

function Followed({ row }: { readonly row: LedgerRow }) {
  const also = useJob(
    useShallow((s) => {
      const { section, entry, slot } = row.place
      if (cellAt(s.document, row.place)?.type === 'same') return []
      const { shown = 0 } = row.count ?? {}
      return alsoShown(s.pack, s.document, { section, entry, slot }).map(({ where, show }) =>
        show === null || show >= shown ? where : `${where} (${show} of ${shown})`,
      )
    }),
  )
  return also.length === 0 ? null : (
    <p className="pt-1 text-sm text-soft">Shown on {[...new Set(also)].join(', ')} too, and changed there with it</p>
  )
}
