import * as v from 'valibot'
import { replyWithSession } from '@/server/http/cookies'
import { writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { signOut } from '@/server/use-cases/come-in'

export const POST = writeRoute(
  v.strictObject({ everywhere: v.boolean() }),
  ({ person, session, body, request }) => {
    signOut(person, session, body.everywhere, whenceOf(request))
    return replyWithSession(request, '')
  },
  'person',
)
