import * as v from 'valibot'
import { param, readRoute, writeRoute } from '@/server/http/route'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { openJob } from '@/server/use-cases/open-job'
import { deleteForGood } from '@/server/use-cases/shelve-job'

export const GET = readRoute((asked) => openJob(param(asked, 'job')))
export const DELETE = writeRoute(v.strictObject({}), (asked) => {
  deleteForGood(param(asked, 'job'))
  return { jobs: listJobLines() }
})
