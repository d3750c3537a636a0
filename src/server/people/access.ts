import { mayEditJobs, type May, type Person } from '../../core/people'
import { findGrant, grantsOf } from '../store/people'

/** What somebody may do with a job; null where it is not even to be known of. */
export function mayOnJob(person: Person, job: string): May | null {
  if (mayEditJobs(person)) return 'edit'
  const granted = findGrant(person.id, job)
  return person.role === 'reader' ? (granted ?? 'read') : granted
}

/** The jobs that somebody may see; null for all. */
export function jobsOf(person: Person): ReadonlySet<string> | null {
  return person.role === 'guest' ? new Set(grantsOf(person.id).map(({ job }) => job)) : null
}

/** What somebody may do with what is no single job's: making jobs, kept sections, templates. */
export function mayAtAll(person: Person): May {
  return mayEditJobs(person) ? 'edit' : 'read'
}
