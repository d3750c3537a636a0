import type { JobLines, MadeJob } from '@/core/replies'
import { readRoute, writeRoute } from '@/server/http/route'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { makeJob, makeJobSchema } from '@/server/use-cases/make-job'

export const GET = readRoute(({ person }) => ({ jobs: listJobLines(person) }) satisfies JobLines)
export const POST = writeRoute(makeJobSchema, ({ body }) => ({ job: makeJob(body) }) satisfies MadeJob)
