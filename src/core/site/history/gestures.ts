import type { LogRow } from './row'

/** A gesture as the log tells it: whose it is, what it takes back, and whether it still stands. */
export type Gesture = { readonly id: string; readonly who: string | null; readonly undoes: string | null; readonly stands: boolean }
type Begun = { id: string; who: string | null; undoes: string | null }

/** A gesture stands while nothing that takes it back does. */
export function isStanding(takers: readonly string[], stands: (gesture: string) => boolean): boolean {
  return !takers.some(stands)
}

/** The gestures of some rows in the order in which they began, each with whether it still stands. */
export function gesturesOf(rows: readonly LogRow[]): readonly Gesture[] {
  const begun = new Map<string, Begun>()
  for (const { gesture, who, undoes } of rows) if (!begun.has(gesture)) begun.set(gesture, { id: gesture, who, undoes })
  const takers = new Map<string, string[]>()
  const standing = new Set<string>()
  // What takes something back came after it, so from the newest on everything that could fell a gesture is judged before it.
  for (const { id, undoes } of [...begun.values()].toReversed()) {
    if (isStanding(takers.get(id) ?? [], (taker) => standing.has(taker))) standing.add(id)
    if (undoes !== null) takers.set(undoes, [...(takers.get(undoes) ?? []), id])
  }
  return [...begun.values()].map((one) => ({ ...one, stands: standing.has(one.id) }))
}

/**
 * The gesture that a new row belongs to: the one it names while that stands. What is done in the name of a gesture that
 * was taken back meanwhile is a gesture of its own, named after the row; else it would fall with what fell before it.
 */
export function gestureFor(rows: readonly LogRow[], { id, gesture, undoes }: Pick<LogRow, 'id' | 'gesture' | 'undoes'>): string {
  if (undoes !== null || !rows.some((row) => row.undoes === gesture)) return gesture
  return gesturesOf(rows).some((g) => g.undoes === gesture && g.stands) ? id : gesture
}

/** A gesture is anybody's where nobody was noted. */
function isOf(gesture: Gesture, who: string): boolean {
  return gesture.who === null || gesture.who === who
}

/** What undo takes back, newest first: this person's gestures that still stand. */
export function undoable(gestures: readonly Gesture[], who: string): readonly string[] {
  return gestures
    .filter((g) => g.stands && g.undoes === null && isOf(g, who))
    .map((g) => g.id)
    .toReversed()
}

/**
 * What redo takes back, newest first: this person's own takings back that still stand, up to the last thing done anew.
 * The id is that of the taking back, not of what it took.
 */
export function redoable(gestures: readonly Gesture[], who: string): readonly string[] {
  const found: string[] = []
  for (const gesture of gestures.toReversed()) {
    if (!isOf(gesture, who)) continue
    if (gesture.undoes === null && gesture.stands) break
    const isRedo = gesture.undoes !== null && gestures.some((g) => g.id === gesture.undoes && g.undoes !== null)
    if (gesture.undoes !== null && gesture.stands && !isRedo) found.push(gesture.id)
  }
  return found
}
