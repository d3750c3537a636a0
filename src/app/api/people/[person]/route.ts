import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { changeOther, changePersonSchema, letGoOf } from '@/server/use-cases/invite'

export const PUT = writeRoute(
  changePersonSchema,
  (asked) => changeOther(asked.person, param(asked, 'person'), asked.body, whenceOf(asked.request)),
  'owner',
)
export const DELETE = writeRoute(
  v.strictObject({}),
  (asked) => letGoOf(asked.person, param(asked, 'person'), whenceOf(asked.request)),
  'owner',
)
