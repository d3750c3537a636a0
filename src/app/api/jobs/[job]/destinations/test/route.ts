import { longRoute, param } from '@/server/http/route'
import { connectionTestSchema, tryDestination } from '@/server/use-cases/try-destination'

export const POST = longRoute(connectionTestSchema, (asked, onResult) => tryDestination(param(asked, 'job'), asked.body, onResult))
