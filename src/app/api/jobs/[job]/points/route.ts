import { param, writeRoute } from '@/server/http/route'
import { nameState, pointSchema } from '@/server/use-cases/name-point'

export const PUT = writeRoute(pointSchema, (asked) => nameState(param(asked, 'job'), asked.body))
