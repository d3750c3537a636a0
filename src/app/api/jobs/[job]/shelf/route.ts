import { param, writeRoute } from '@/server/http/route'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { shelfSchema, shelveJob } from '@/server/use-cases/shelve-job'

export const PUT = writeRoute(shelfSchema, (asked) => {
  shelveJob(param(asked, 'job'), asked.body, asked.person)
  return { jobs: listJobLines(asked.person) }
})
