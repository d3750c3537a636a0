import { writeRoute } from '@/server/http/route'
import { makeJob, makeJobSchema } from '@/server/use-cases/make-job'

export const POST = writeRoute(makeJobSchema, ({ body }) => ({ job: makeJob(body) }))
