import type { Shelved } from '@/core/replies'
import { param, writeRoute } from '@/server/http/route'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { shelfSchema, setJobStatus } from '@/server/use-cases/job-status'

export const PUT = writeRoute(shelfSchema, (asked) => {
  setJobStatus(param(asked, 'job'), asked.body, asked.person)
  return { jobs: listJobLines(asked.person) } satisfies Shelved
})
