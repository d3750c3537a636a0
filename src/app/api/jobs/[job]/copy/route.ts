import type { Shelved } from '@/core/replies'
import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { copyJob } from '@/server/use-cases/job-status'

export const POST = writeRoute(
  v.strictObject({}),
  (asked) =>
    ({
      job: copyJob(param(asked, 'job'), asked.person),
      jobs: listJobLines(asked.person),
    }) satisfies Shelved,
)
