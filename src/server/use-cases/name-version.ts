import * as v from 'valibot'
import { MAX_VERSION_NAME, type NamedVersions } from '../../core/replies'
import { Problem } from '../problems'
import { jobState } from '../log/edit-log'
import { getJob } from '../store/jobs'
import { deleteNamedVersion, insertNamedVersion, namedVersions } from '../store/named-versions'

export const namedVersionSchema = v.strictObject({
  revision: v.pipe(v.number(), v.integer(), v.minValue(0)),
  /** Null takes the name away. */
  name: v.nullable(v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(MAX_VERSION_NAME))),
})

/** Gives a state of a job's site a name, or takes it away; returns all that have one. */
export function nameVersion(id: string, { revision, name }: v.InferOutput<typeof namedVersionSchema>): NamedVersions {
  const { id: job } = getJob(id)
  const newest = jobState(job).revision
  if (revision > newest) throw new Problem('revisionUnknown', { base: revision, revision: newest })
  if (name === null) deleteNamedVersion(job, revision)
  else insertNamedVersion(job, { revision, name, at: new Date().toISOString() })
  return { versions: namedVersions(job) }
}
