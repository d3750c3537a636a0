import { mayEditJobs, type Person } from '../../core/people'
import { mayOnJob } from '../people/access'

export { mayOnJob }

/** Whether somebody may open a page of ours: yes, another page instead, or none, as if it were not there. */
export function mayOpen(person: Person, pathname: string): 'yes' | 'elsewhere' | 'no' {
  const [, of, job] = pathname.split('/')
  if (of === 'new') return mayEditJobs(person) ? 'yes' : 'elsewhere'
  if (!['jobs', 'window', 'brand-sheet'].includes(of ?? '') || job === undefined) return 'yes'
  return mayOnJob(person, decode(job)) === null ? 'no' : 'yes'
}

/** What a part of an address says; where it says nothing that can be read, no job is called so. */
function decode(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return ''
  }
}
