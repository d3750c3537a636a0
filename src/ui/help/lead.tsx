'use client'
import { countLeftovers } from '@/core/fill'
import { openIn } from '@/core/check'
import { own } from '@/core/own'
import { useJob } from '../job/job-context'
import type { JobState } from '../job/job-state'

type Led = {
  readonly says: string
  readonly isDone: (state: JobState) => boolean
  /** What is said instead once it is done, where the next step is not plain. */
  readonly next?: string
}

/** One sentence a stage, in the order of the work. */
const LEADS: Readonly<Record<string, Led>> = {
  brief: {
    says: 'Type what you know of the client: telephone, email, hours. What is missing can be added later.',
    isDone: ({ pack, document }) => openIn('Brief', pack, document).every(({ count }) => count === 0),
  },
  template: {
    says: 'Each template is shown with your client’s name, logo and colours. Nothing changes until you put one on.',
    isDone: ({ document }) => Object.values(document.sections).some(({ slots }) => Object.keys(slots).length > 0),
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
    says: 'Choose an address, check what will change, then publish. Visitors see nothing before that.',
    isDone: ({ publications }) => publications > 0,
  },
}

/** Leads whoever makes their first site: what to do on this stage, until it is done. */
export function Lead({ stage }: { readonly stage: string }) {
  const led = own(LEADS, stage)
  const isDone = useJob((state) => led?.isDone(state) ?? true)
  const says = isDone ? led?.next : led?.says
  if (!says) return null
  return (
    <aside aria-label="What to do here" className="shrink-0 border-b border-seam bg-tape-pale px-4 py-1 text-sm">
      {says}
    </aside>
  )
}
