import fc from 'fast-check'
import { expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { editOf, someEdit } from '../../../../tests/some-edits'
import { applyEdit, gestureFor, takeBack, type Edit, type LogRow, type SiteDocument } from '..'

const RUNS = Number(process.env.PROPERTY_RUNS ?? 500)
const start = testSite({ name: 'Client' }).document

/** Whether a gesture counts, by the plain words of it: nothing that counts takes it back. */
function counts(rows: readonly LogRow[], gesture: string): boolean {
  return !rows.some((row) => row.undoes === gesture && counts(rows, row.gesture))
}

/** The document from the very beginning, made of what was done and counts, and of nothing else; null where it cannot be made. */
function madeOf(rows: readonly LogRow[]): SiteDocument | null {
  let document = start
  for (const row of rows) {
    if (row.undoes !== null || !counts(rows, row.gesture)) continue
    const applied = applyEdit(document, row.edit)
    if (!applied.ok) return null
    document = applied.document
  }
  return document
}

test('whatever is done, taken back and brought back, the document is what its standing gestures make from the beginning', () => {
  const tally = { done: 0, taken: 0, broughtBack: 0, workedOn: 0 }
  const moves = fc.array(fc.oneof({ weight: 3, arbitrary: someEdit }, { weight: 2, arbitrary: fc.nat(1000) }), {
    minLength: 4,
    maxLength: 14,
  })
  fc.assert(
    fc.property(moves, (chosen) => {
      let document = start
      const rows: LogRow[] = []
      let made = 0
      const unique = (): string => `made-${++made}`
      const add = (edit: Edit, gesture: string, undoes: string | null): void => {
        const applied = applyEdit(document, edit)
        if (!applied.ok) return
        rows.push({ id: unique(), gesture, who: null, undoes, edit, inverse: applied.inverse })
        document = applied.document
      }
      for (const move of chosen) {
        if (typeof move !== 'number') {
          const edit = editOf(document, move, unique)
          // Two rows in three go on with the gesture in hand, whether it was taken back meanwhile or not.
          const inHand = made % 3 === 0 ? unique() : (rows.findLast((r) => r.undoes === null)?.gesture ?? unique())
          if (edit) add(edit, gestureFor(rows, { id: unique(), gesture: inHand, undoes: null }), null)
          tally.done++
          continue
        }
        const standing = [...new Set(rows.map((r) => r.gesture))].filter((g) => counts(rows, g))
        const gesture = standing[move % Math.max(1, standing.length)]
        if (!gesture) continue
        const taking: LogRow = {
          id: unique(),
          gesture: unique(),
          who: null,
          undoes: gesture,
          edit: { type: 'batch', edits: [] },
          inverse: { type: 'batch', edits: [] },
        }
        const expected = madeOf([...rows, taking])
        const taken = takeBack(document, rows, gesture)
        if (!expected) {
          expect(taken).toEqual({ ok: false, problem: 'workedOnSince' })
          tally.workedOn++
          continue
        }
        if (!taken.ok) throw new Error(`${gesture} was not taken back: ${taken.problem}`)
        const applied = applyEdit(document, taken.edit)
        if (!applied.ok) throw new Error('What takes back does not fit')
        expect(applied.document).toEqual(expected)
        if (rows.some((r) => r.gesture === gesture && r.undoes !== null)) tally.broughtBack++
        else tally.taken++
        rows.push({ ...taking, edit: taken.edit, inverse: applied.inverse })
        document = applied.document
      }
      expect(document).toEqual(madeOf(rows))
    }),
    { seed: 20, numRuns: RUNS },
  )
  expect(Math.min(...Object.values(tally))).toBeGreaterThan(RUNS / 100)
})
