import type { Role } from '@/core/people'

/** What somebody may do, in words. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'owner: all jobs, and people',
  editor: 'editor: all jobs',
  reader: 'reader: looks at all jobs',
  guest: 'single jobs',
}
