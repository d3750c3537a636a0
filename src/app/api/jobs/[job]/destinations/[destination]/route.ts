import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { changeDestination, changeSchema, letGoOfDestination } from '@/server/use-cases/destinations'

export const PUT = writeRoute(changeSchema, (asked) =>
  changeDestination(param(asked, 'job'), param(asked, 'destination'), asked.body, byOf(asked)),
)
export const DELETE = writeRoute(v.strictObject({}), (asked) =>
  letGoOfDestination(param(asked, 'job'), param(asked, 'destination'), byOf(asked)),
)
