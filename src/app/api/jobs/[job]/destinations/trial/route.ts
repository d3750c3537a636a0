import { longRoute, param } from '@/server/http/route'
import { trialSchema, tryDestination } from '@/server/use-cases/try-destination'

export const POST = longRoute(trialSchema, (asked, onResult) => tryDestination(param(asked, 'job'), asked.body, onResult))
