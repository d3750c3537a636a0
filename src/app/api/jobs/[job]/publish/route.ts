import { longRoute, param } from '@/server/http/route'
import { publish, publishSchema } from '@/server/use-cases/publish'

export const POST = longRoute(publishSchema, (asked, onProgress) => publish(param(asked, 'job'), asked.body, onProgress))
