import * as v from 'valibot'
import { appendRows, jobState, MOST_BEHIND, sentRowSchema, type Appended } from '../log/edit-log'
import { getJob } from '../store/jobs'
import { rowsSince } from '../store/log-rows'

/** The most rows that one request brings; what is more is sent in the next. */
export const MOST_ROWS = 500

export const appendSchema = v.strictObject({
  /** The revision that the rows were made on. */
  base: v.pipe(v.number(), v.integer(), v.minValue(0)),
  who: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  rows: v.pipe(v.array(sentRowSchema), v.maxLength(MOST_ROWS)),
})

export function appendEdits(job: string, { base, who, rows }: v.InferOutput<typeof appendSchema>): Appended {
  return appendRows(getJob(job).id, who, base, rows)
}

/** What came after a revision; no rows where that is too much, and the screen opens the job anew. */
export function editsSince(job: string, revision: number): Appended {
  const now = jobState(getJob(job).id).revision
  return { revision: now, rows: now - revision > MOST_BEHIND ? [] : rowsSince(job, revision), written: [], refused: [] }
}
