import { openIn } from '@/core/check'
import { countLeftovers } from '@/core/fill'
import { own } from '@/core/own'
import { stepsOf } from '@/core/site'
import type { JobState } from '../job/job-state'

/** What is known of a job when it is asked what to do next. */
export type LedJob = Pick<JobState, 'pack' | 'document' | 'history' | 'pending'> & { readonly isLive: boolean }
type Led = {
  readonly says: string
  readonly isDone: (job: LedJob) => boolean
  /** What is said instead once it is done, where the next step is not plain. */
  readonly next?: string
}

/** One sentence a stage, in the order of the work. */
const LEADS: Readonly<Record<string, Led>> = {
  brief: {
    says: 'Type what you know of the client. Each page shows it at once, here and wherever it is used.',
    isDone: ({ pack, document }) => openIn('Brief', pack, document).every(({ count }) => count === 0),
  },
  template: {
    says: 'Each template is shown with your client’s name, logo and colours. Nothing changes until you put one on.',
    isDone: ({ document, history, pending }) =>
      Object.values(document.sections).some(({ slots }) => Object.keys(slots).length > 0) ||
      [...history.rows, ...pending].some(({ edit }) => stepsOf(edit).some(({ type }) => type === 'dress/set')),
  },
  brand: {
    says: 'Add the client’s logo or one colour. The rest is computed and always stays readable.',
    isDone: ({ document }) => document.brand.logo !== undefined || document.brand.colour !== undefined,
  },
  content: {
    says: 'A dashed line marks the template’s own words. Type over them, or press Keep or Not needed. F8 goes to the next one.',
    isDone: ({ pack, document }) => countLeftovers(pack, document).total === 0,
    next: 'No leftovers on this site. Next: check the pages, then publish.',
  },
  pages: {
    says: 'Give each page a name and a description, and remove what the client does not need. Add (n) puts in a section.',
    isDone: ({ pack, document }) => openIn('Pages', pack, document).every(({ count }) => count === 0),
  },
  publish: {
    says: 'Begin with an address on our web host. The site can move to another one, or go offline, at any time.',
    isDone: ({ isLive }) => isLive,
  },
}

/** The one sentence that leads through a stage until what it asks for is done; null where there is nothing to say. */
export function leadOf(stage: string, job: LedJob): string | null {
  const led = own(LEADS, stage)
  return (led?.isDone(job) ? led.next : led?.says) ?? null
}
