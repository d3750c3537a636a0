import { watchJob } from '../log/edit-log'
import { getJob } from '../store/jobs'

/** Calls back with each new revision of a job; returns what stops it. */
export function followJob(job: string): (onRevision: (revision: number) => void) => () => void {
  const { id } = getJob(job)
  return (onRevision) => watchJob(id, onRevision)
}
