import { param, readRoute } from '@/server/http/route'
import { openJob } from '@/server/use-cases/open-job'

export const GET = readRoute((asked) => openJob(param(asked, 'job')))
