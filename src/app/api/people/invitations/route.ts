import * as v from 'valibot'
import { writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { takeInvitationBack } from '@/server/use-cases/invite'

export const DELETE = writeRoute(
  v.strictObject({ id: v.string() }),
  ({ person, body, request }) => takeInvitationBack(person, body.id, whenceOf(request)),
  'owner',
)
