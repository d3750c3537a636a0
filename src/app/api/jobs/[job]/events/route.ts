import { eventStream } from '@/server/http/event-stream'
import { maySee, param, readRoute } from '@/server/http/route'
import { followJob } from '@/server/use-cases/follow-job'

export const dynamic = 'force-dynamic'

/** The job's newest revision, each time it changes, and `published` when visitors are switched. */
export const GET = readRoute((asked) =>
  eventStream(asked.request, followJob(param(asked, 'job')), () => maySee(asked.request.headers, param(asked, 'job'))),
)
