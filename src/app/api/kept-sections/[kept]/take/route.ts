import { param, writeRoute } from '@/server/http/route'
import { linkKept, takeSchema } from '@/server/use-cases/kept-sections'

export const POST = writeRoute(takeSchema, (asked) => linkKept(param(asked, 'kept'), asked.body))
