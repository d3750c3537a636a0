import * as v from 'valibot'
import { longRoute, param, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { publish, publishSchema, stopPublishing } from '@/server/use-cases/publish'

export const POST = longRoute(publishSchema, (asked, onProgress) => publish(param(asked, 'job'), asked.body, onProgress, byOf(asked)))
export const DELETE = writeRoute(v.strictObject({}), (asked) => stopPublishing(param(asked, 'job')))
