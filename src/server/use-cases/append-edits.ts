import * as v from 'valibot'
import type { Person } from '../../core/people'
import type { Appended } from '../../core/replies'
import { stepsOf } from '../../core/site'
import { Problem } from '../problems'
import { appendRows, rowsAfter, sentRowSchema, writeRows, type SentRow } from '../log/edit-log'
import { libraryVersion } from '../packs/packs'
import { getJob } from '../store/jobs'

/** The most rows that one request brings; what is more is sent in the next. */
export const MOST_ROWS = 500

export const appendSchema = v.strictObject({
  /** The revision that the rows were made on. */
  base: v.pipe(v.number(), v.integer(), v.minValue(0)),
  /** Who made them, where the page knows it; rows that are still to be sent are not another's who signs in after. */
  who: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  rows: v.pipe(v.array(sentRowSchema), v.maxLength(MOST_ROWS)),
})

/** How many steps are made in one go; between two goes whoever else asks is answered. */
const STEPS_AT_ONCE = 100

/** Writes somebody’s rows a few at a time. What breaks off half way is no harm: rows that are sent again are not written twice. */
export async function appendEdits(
  job: string,
  by: Person,
  { base, who: madeBy, rows }: v.InferOutput<typeof appendSchema>,
): Promise<Appended> {
  const who = by.id
  if (madeBy?.startsWith('person:') && madeBy !== who) throw new Problem('otherPerson', { name: by.name })
  const { id } = getJob(job)
  const goes = inGoes(rows)
  const last = goes.pop() ?? []
  const written: string[] = []
  const refused: Appended['refused'][number][] = []
  for (const some of goes) {
    const done = writeRows(id, who, base, some)
    written.push(...done.written)
    refused.push(...done.refused)
    await new Promise((resolve) => setImmediate(resolve))
  }
  const done = appendRows(id, who, base, last)
  return { ...done, library: libraryVersion(), written: [...written, ...done.written], refused: [...refused, ...done.refused] }
}

function inGoes(rows: readonly SentRow[]): SentRow[][] {
  const goes: SentRow[][] = [[]]
  let steps = 0
  for (const row of rows) {
    steps += stepsOf(row.edit).length
    if (steps > STEPS_AT_ONCE && (goes.at(-1)?.length ?? 0) > 0) {
      goes.push([])
      steps = stepsOf(row.edit).length
    }
    goes.at(-1)?.push(row)
  }
  return goes
}

/** What came after a revision; no rows where that is too much, and the screen opens the job anew. */
export function editsSince(job: string, revision: number): Appended {
  return { library: libraryVersion(), ...rowsAfter(getJob(job).id, revision), written: [], refused: [] }
}
