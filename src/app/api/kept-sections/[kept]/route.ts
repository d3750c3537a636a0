import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { letGo, renameKept, renameKeptSchema } from '@/server/use-cases/kept-sections'

export const PUT = writeRoute(renameKeptSchema, (asked) => renameKept(param(asked, 'kept'), asked.body))
export const DELETE = writeRoute(v.strictObject({}), (asked) => letGo(param(asked, 'kept')))
