import type { SiteDocument } from '../document'
import { applyEdit, differences, toEdit, type Edit } from '../edits'
import { gesturesOf } from './gestures'
import type { LogRow } from './row'

export type TakenBack =
  | { readonly ok: true; readonly edit: Edit }
  /** workedOnSince: something later stands on it. outOfReach: its rows are not all at hand. gone: it does not stand any more. */
  | { readonly ok: false; readonly problem: 'workedOnSince' | 'outOfReach' | 'gone' }

/**
 * The edit that takes a gesture back: what lies between the document as it is and the document as it would be had the
 * gesture never been made and everything since been made all the same. So it removes that gesture and nothing else,
 * whoever did something meanwhile; and where something later needs what the gesture made, it is not taken back.
 * `rows` are the newest of the log, in order, and end with the document's own state.
 */
export function takeBack(document: SiteDocument, rows: readonly LogRow[], gesture: string): TakenBack {
  const first = rows.findIndex((row) => row.gesture === gesture)
  if (first < 0) return { ok: false, problem: 'outOfReach' }
  const gestures = gesturesOf(rows)
  if (!gestures.find((g) => g.id === gesture)?.stands) return { ok: false, problem: 'gone' }
  const stands = standingWithout(rows, gesture)
  const start = startOf(rows, first)
  const before = rewind(document, rows.slice(start))
  if (!before) return { ok: false, problem: 'outOfReach' }
  const after = replay(before, rows.slice(start), stands)
  return after ? { ok: true, edit: toEdit(differences(document, after)) } : { ok: false, problem: 'workedOnSince' }
}

type Stands = (row: LogRow) => boolean

/** Which rows count once a gesture is gone: those of what was done and stands. What takes back or brings back is told by that. */
function standingWithout(rows: readonly LogRow[], gesture: string): Stands {
  const left = gesturesOf(rows.filter((row) => row.gesture !== gesture))
  const standing = new Set(left.filter((g) => g.stands).map((g) => g.id))
  const known = new Set(rows.map((row) => row.gesture))
  // What takes back a gesture from before these rows is all that is left of it here, so it counts as it is.
  return (row) => standing.has(row.gesture) && (row.undoes === null || !known.has(row.undoes))
}

/** Where to begin anew: at the gesture, or further back at one that was taken back, or brought back, only after it. */
function startOf(rows: readonly LogRow[], first: number): number {
  let start = first
  const beginning = new Map<string, number>()
  rows.forEach((row, i) => {
    if (!beginning.has(row.gesture)) beginning.set(row.gesture, i)
  })
  const target = new Map(rows.map((row) => [row.gesture, row.undoes]))
  for (let i = rows.length - 1; i >= start; i--) {
    // Down the chain: a bringing back names a taking back, which names what was done.
    for (let undone = rows[i]?.undoes ?? null; undone !== null; undone = target.get(undone) ?? null) {
      const began = beginning.get(undone)
      if (began !== undefined && began < start) {
        start = began
        i = rows.length
        break
      }
    }
  }
  return start
}

/** The document as it was before some rows; null where a row's inverse does not fit, which only a damaged log can show. */
function rewind(document: SiteDocument, rows: readonly LogRow[]): SiteDocument | null {
  let at = document
  for (const row of rows.toReversed()) {
    const applied = applyEdit(at, row.inverse)
    if (!applied.ok) return null
    at = applied.document
  }
  return at
}

function replay(document: SiteDocument, rows: readonly LogRow[], stands: Stands): SiteDocument | null {
  let at = document
  for (const row of rows) {
    if (!stands(row)) continue
    const applied = applyEdit(at, row.edit)
    if (!applied.ok) return null
    at = applied.document
  }
  return at
}
