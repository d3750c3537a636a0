import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { removeKept, renameKept, renameKeptSchema } from '@/server/use-cases/kept-sections'

export const PUT = writeRoute(renameKeptSchema, (asked) => renameKept(param(asked, 'kept'), asked.body))
export const DELETE = writeRoute(v.strictObject({}), (asked) => removeKept(param(asked, 'kept')))
