import { longRoute, param, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { schedulePublication, scheduleSchema, unschedule, unscheduleSchema } from '@/server/use-cases/schedule-publication'

export const POST = longRoute(scheduleSchema, (asked, onProgress) =>
  schedulePublication(param(asked, 'job'), asked.body, onProgress, byOf(asked)),
)
export const DELETE = writeRoute(unscheduleSchema, (asked) => unschedule(param(asked, 'job'), asked.body.scheduled))
