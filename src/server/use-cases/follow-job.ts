import { watchJob } from '../log/edit-log'
import { watchPublications } from '../releases/publication-events'
import { getJob } from '../store/jobs'

/** Calls back with each new revision of a job, and with `published` when visitors are switched; returns what stops it. */
export function followJob(job: string): (tell: (news: number | 'published') => void) => () => void {
  const { id } = getJob(job)
  return (tell) => {
    const stops = [watchJob(id, tell), watchPublications(id, () => tell('published'))]
    return () => stops.forEach((stop) => stop())
  }
}
