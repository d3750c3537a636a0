import * as v from 'valibot'
import { MAX_POINT, type Point } from '../../core/people'
import { Problem } from '../http/problems'
import { jobState } from '../log/edit-log'
import { getJob } from '../store/jobs'
import { dropPoint, namePoint, pointsOf } from '../store/points'

export const pointSchema = v.strictObject({
  revision: v.pipe(v.number(), v.integer(), v.minValue(0)),
  /** Null takes the name away. */
  name: v.nullable(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(MAX_POINT))),
})

/** Gives a state of a job's site a name, or takes it away; returns all that have one. */
export function nameState(id: string, { revision, name }: v.InferOutput<typeof pointSchema>): { readonly points: readonly Point[] } {
  const { id: job } = getJob(id)
  const newest = jobState(job).revision
  if (revision > newest) throw new Problem('revisionUnknown', { base: revision, revision: newest })
  if (name === null) dropPoint(job, revision)
  else namePoint(job, { revision, name, at: new Date().toISOString() })
  return { points: pointsOf(job) }
}
