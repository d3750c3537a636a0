import type { SavedRow } from '@/core/replies'
import { applyEdit, gestureFor, takeBack, type SiteDocument } from '@/core/site'
import type { PendingRow } from './job-state'

/** Pending rows on top of a document: those that fit now with their inverses anew; those that do not are kept, and asked for. */
export function applyPending(
  saved: SiteDocument,
  history: readonly SavedRow[],
  pending: readonly PendingRow[],
): { readonly document: SiteDocument; readonly pending: readonly PendingRow[] } {
  let document = saved
  const kept: PendingRow[] = []
  for (const row of pending) {
    const rows = [...history, ...kept.filter((r) => !r.stuck)]
    const edit = row.sent ? row.edit : editNow(document, rows, row)
    const applied = applyEdit(document, edit)
    if (applied.ok) document = applied.document
    const gesture = gestureFor(rows, row)
    kept.push(applied.ok ? { ...row, gesture, edit, inverse: applied.inverse, stuck: false } : { ...row, stuck: true })
  }
  return { document, pending: kept }
}

/** A taking back that was not sent yet is reckoned anew, now that something else came between. */
function editNow(document: SiteDocument, rows: readonly (SavedRow | PendingRow)[], row: PendingRow): PendingRow['edit'] {
  if (row.undoes === null) return row.edit
  const taken = takeBack(document, rows, row.undoes)
  return taken.ok ? taken.edit : row.edit
}
