import type { Shelved } from '@/core/replies'
import * as v from 'valibot'
import { param, readRoute, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { openJob } from '@/server/use-cases/open-job'
import { deleteForGood } from '@/server/use-cases/job-status'

export const GET = readRoute((asked) => openJob(param(asked, 'job')))
export const DELETE = writeRoute(v.strictObject({}), (asked) => {
  deleteForGood(param(asked, 'job'), byOf(asked))
  return { jobs: listJobLines(asked.person) } satisfies Shelved
})
