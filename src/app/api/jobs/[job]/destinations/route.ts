import { param, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { addDestination, newDestinationSchema } from '@/server/use-cases/destinations'

export const POST = writeRoute(newDestinationSchema, (asked) => addDestination(param(asked, 'job'), asked.body, byOf(asked)))
