import * as v from 'valibot'
import { writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { endOneSession } from '@/server/use-cases/account'

export const DELETE = writeRoute(
  v.strictObject({ id: v.string() }),
  ({ person, body, request }) => endOneSession(person, body.id, whenceOf(request)),
  'person',
)
