import { longRoute, param } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { publish, publishSchema } from '@/server/use-cases/publish'

export const POST = longRoute(publishSchema, (asked, onProgress) => publish(param(asked, 'job'), asked.body, onProgress, byOf(asked)))
