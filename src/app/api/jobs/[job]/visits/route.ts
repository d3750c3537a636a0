import { param, readRoute, writeRoute } from '@/server/http/route'
import { countedSchema, setCounted, siteVisits } from '@/server/use-cases/visits'

export const GET = readRoute((asked) => siteVisits(param(asked, 'job')))
export const PUT = writeRoute(countedSchema, (asked) => setCounted(param(asked, 'job'), asked.body.isCounted))
