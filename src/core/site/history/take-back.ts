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
  const start = takeBackStart(indexOf(rows), gesture)
  if (start === null) return { ok: false, problem: 'outOfReach' }
  const gestures = gesturesOf(rows)
  if (!gestures.find((g) => g.id === gesture)?.stands) return { ok: false, problem: 'gone' }
  const stands = standingWithout(rows, gesture)
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

/** A log, by what a taking back asks of it; places count from its beginning, or from that of the rows at hand. */
export type LogIndex = {
  /** Where a gesture began, and what it takes back; null where that is not known here. */
  readonly beginning: (gesture: string) => { readonly at: number; readonly undoes: string | null } | null
  /** What is taken back, or brought back, from a place on. */
  readonly takenSince: (at: number) => readonly string[]
}

/**
 * Where to begin anew to take a gesture back: where it began, or further back where anything began that was taken back, or brought back,
 * only after it. Null where the log does not know it.
 */
export function takeBackStart({ beginning, takenSince }: LogIndex, gesture: string): number | null {
  // Down the chain: a bringing back names a taking back, which names what was done.
  const chainStart = (of: string): number => {
    let first = Number.POSITIVE_INFINITY
    for (let at: string | null = of; at !== null;) {
      const found = beginning(at)
      if (!found || found.at >= first) break
      first = found.at
      at = found.undoes
    }
    return first
  }
  let first = chainStart(gesture)
  while (Number.isFinite(first)) {
    const earliest = takenSince(first).reduce((least, of) => Math.min(least, chainStart(of)), first)
    if (earliest === first) return first
    first = earliest
  }
  return null
}

function indexOf(rows: readonly LogRow[]): LogIndex {
  const began = new Map<string, { at: number; undoes: string | null }>()
  rows.forEach(({ gesture, undoes }, at) => began.has(gesture) || began.set(gesture, { at, undoes }))
  return {
    beginning: (gesture) => began.get(gesture) ?? null,
    takenSince: (at) => [...new Set(rows.slice(at).flatMap(({ undoes }) => undoes ?? []))],
  }
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
