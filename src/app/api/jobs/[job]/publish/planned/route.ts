import { longRoute, param, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { planPublication, planSchema, unplan, unplanSchema } from '@/server/use-cases/plan-publication'

export const POST = longRoute(planSchema, (asked, onProgress) => planPublication(param(asked, 'job'), asked.body, onProgress, byOf(asked)))
export const DELETE = writeRoute(unplanSchema, (asked) => unplan(param(asked, 'job'), asked.body.planned))
